import { stands } from './ladder/conditions.ts';
import type { Sheet } from './types.ts';

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
