import type { Ladder, LadderStep } from '@jubb/core/sheet';

/** One line across the ladder: a rung, or a sub-assembly that is folded to one line. */
export interface LadderRow {
  readonly key: string;
  readonly title: string;
  readonly rungs: readonly string[];
  readonly folded: boolean;
  /** Starts a sub-assembly that stands open: its name is written above it. */
  readonly group?: string;
}

/** Up to so many rungs all are drawn; a longer ladder folds the sub-assemblies that are not at hand. */
const ALL_UP_TO = 14;

/** Rungs from the top: strip order, with what only the build side has put where it is built. */
export function rungOrder(ladder: Pick<Ladder, 'strip' | 'build'>): readonly string[] {
  const out = [...new Set(ladder.strip.map((s) => s.rung))];
  const down = [...new Set([...ladder.build].reverse().map((s) => s.rung))];
  down.forEach((rung, i) => {
    if (out.includes(rung)) return;
    const above = down.slice(0, i).findLast((r) => out.includes(r));
    out.splice(above === undefined ? 0 : out.indexOf(above) + 1, 0, rung);
  });
  return out;
}

/** The rows to draw; sub-assemblies stand open when they hold a rung of `open`. */
export function ladderRows(ladder: Pick<Ladder, 'strip' | 'build'>, open: ReadonlySet<string>): readonly LadderRow[] {
  const steps = new Map<string, LadderStep>();
  for (const s of [...ladder.build, ...ladder.strip]) steps.set(s.rung, s);
  const order = rungOrder(ladder);
  const single = (rung: string): LadderRow => ({
    key: rung,
    title: steps.get(rung)!.title,
    rungs: [rung],
    folded: false,
  });
  if (order.length <= ALL_UP_TO) return order.map(single);
  const runs: { group: string; rungs: string[] }[] = [];
  for (const rung of order) {
    const group = steps.get(rung)!.group ?? '';
    const last = runs.at(-1);
    if (last && last.group === group) last.rungs.push(rung);
    else runs.push({ group, rungs: [rung] });
  }
  return runs.flatMap((run, i): LadderRow[] => {
    if (run.rungs.length === 1) return run.rungs.map(single);
    if (run.rungs.some((r) => open.has(r)))
      return run.rungs.map((r, j) => (j === 0 ? { ...single(r), group: run.group } : single(r)));
    const title = run.group === '' ? steps.get(run.rungs[0]!)!.title : run.group;
    return [{ key: `run-${i}`, title, rungs: run.rungs, folded: true }];
  });
}
