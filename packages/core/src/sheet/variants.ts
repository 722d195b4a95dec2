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
  const now = counted(sheet, { ...sheet, ...maps });
  made.set(variant, now);
  return now;
}

/** Where a variant has another count of a part, as many come off and are pulled. */
function counted(base: Sheet, sheet: Sheet): Sheet {
  const changed = new Map(
    Object.values(sheet.parts).flatMap((p) => (p.count === base.parts[p.id]?.count ? [] : [[p.id, p.count] as const])),
  );
  if (changed.size === 0) return sheet;
  const joints = Object.fromEntries(
    Object.entries(sheet.joints).map(([id, j]) => [id, { ...j, count: changed.get(j.fastener) ?? j.count }]),
  );
  const countOf = (part: string, count: number): number =>
    count === base.parts[part]?.count ? (changed.get(part) ?? count) : count;
  const steps = sheet.steps.map((s) => ({
    ...s,
    ops: s.ops.map((o) =>
      o.kind === 'off' ? { ...o, parts: o.parts.map((p) => ({ ...p, count: countOf(p.part, p.count) })) } : o,
    ),
  }));
  return { ...sheet, joints, steps };
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
