import type { Worked } from '../bench/index.ts';

/** What such jobs really took, over what their sheet says. */
export interface TimeLearned {
  readonly jobs: number;
  readonly factor: number;
}

/** Jobs' worth of trust in the sheet before the shop's own past outweighs it. */
const TRUST = 3;
/** Half to three times the sheet's time: past that a log was left open, or somebody clicked through. */
const [LEAST, MOST] = [0.5, 3] as const;

/**
 * How much longer or shorter such jobs take here than the sheet says: the sum of what they took over the sum of what the
 * sheet gave them, drawn toward 1 as if {@link TRUST} more jobs had taken just that (a shrinkage estimate).
 */
export function learnTime(jobs: readonly Worked[]): TimeLearned {
  const usable = jobs.filter((j) => j.sheetMinutes > 0 && j.minutes > 0);
  if (usable.length === 0) return { jobs: 0, factor: 1 };
  const took = usable.reduce((s, j) => s + j.minutes, 0);
  const said = usable.reduce((s, j) => s + j.sheetMinutes, 0);
  const prior = (TRUST * said) / usable.length;
  const factor = (took + prior) / (said + prior);
  return { jobs: usable.length, factor: Math.min(MOST, Math.max(LEAST, factor)) };
}
