import type { Op, Sheet } from '../../sheet/index.ts';
import { jobSheet } from '../ladder/job-sheet.ts';
import { ladderOf } from '../ladder/moves.ts';
import type { BenchState } from '../log/state.ts';

/** Names of the entries of a sheet that an operation speaks of. */
function entriesOf(op: Op, sheet: Sheet): readonly string[] {
  const named = op as unknown as Readonly<Record<string, unknown>>;
  const own = ['part', 'joint', 'measure', 'setting', 'test', 'what', 'with'].flatMap((key) =>
    typeof named[key] === 'string' ? [named[key]] : [],
  );
  const parts = op.kind === 'off' ? op.parts.map((p) => p.part) : op.kind === 'judge' ? op.parts : [];
  const fasteners = own.flatMap((name) => (sheet.joints[name] ? [sheet.joints[name].fastener] : []));
  return [...own, ...parts, ...fasteners];
}

/**
 * Does this job hang on which variant it is? Always for all of the unit; for less of it, where an operation stands in one
 * variant only, or where a figure that it uses is another in one of them.
 */
export function variantMatters(pinned: Sheet, state: BenchState): boolean {
  const sheet = jobSheet(pinned, state);
  if (sheet.variants.length === 0) return false;
  if (state.scope === undefined || (sheet.scopes[state.scope]?.downTo ?? []).length === 0) return true;
  const { all } = ladderOf(sheet, state);
  if (all.some((s) => s.open.some((o) => o.when.some((c) => c.on === 'variant')))) return true;
  if (all.some((s) => s.ops.some((o) => o.kind === 'identify'))) return true;
  const varied = new Set(
    Object.values(sheet.byVariant ?? {}).flatMap((maps) => Object.values(maps).flatMap((m: object) => Object.keys(m))),
  );
  return all.some((s) => s.ops.some((o) => entriesOf(o, sheet).some((name) => varied.has(name))));
}
