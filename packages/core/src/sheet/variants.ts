import { stands } from './ladder/conditions.ts';
import type { Sheet, VariedEntries } from './types.ts';

const known = new WeakMap<Sheet, Map<string, Sheet>>();
/** The maps of a sheet whose entries may differ by variant. */
export const variedMaps = [
  'parts',
  'joints',
  'measures',
  'settings',
  'fluids',
  'tests',
] as const satisfies readonly (keyof VariedEntries)[];

/**
 * A sheet as one variant has it: the figures of that variant in the place of those that stand for all. The sheet itself
 * while nobody knows which it is, or where nothing differs.
 */
export function ofVariant(sheet: Sheet, variant: string | undefined): Sheet {
  const own = variant === undefined ? undefined : sheet.byVariant?.[variant];
  if (variant === undefined || own === undefined) return sheet;
  let made = known.get(sheet);
  if (!made) known.set(sheet, (made = new Map<string, Sheet>()));
  const before = made.get(variant);
  if (before) return before;
  const maps = Object.fromEntries(variedMaps.map((m) => [m, { ...sheet[m], ...own[m] }]));
  const now: Sheet = { ...sheet, ...maps };
  made.set(variant, now);
  return now;
}

/**
 * Ids of the parts that a variant has: all but those that come off only on rungs of other variants.
 * @param variant undefined while nobody knows which it is: then no rung is ruled out, and every part counts
 */
export function partsOfVariant(sheet: Sheet, variant: string | undefined): ReadonlySet<string> {
  const ofOthers = new Set<string>();
  const ofThis = new Set<string>();
  const choices = { ...(variant === undefined ? {} : { variant }), methods: {}, findings: {} };
  for (const s of sheet.steps) {
    const into = stands(s.when, choices) === 'no' ? ofOthers : ofThis;
    for (const o of s.ops) if (o.kind === 'off') for (const p of o.parts) into.add(p.part);
  }
  return new Set(Object.keys(sheet.parts).filter((p) => !ofOthers.has(p) || ofThis.has(p)));
}
