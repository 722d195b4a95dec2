import { narrow, type Sheet } from '../../sheet/index.ts';
import type { BenchState } from '../log/state.ts';

/** Answers that stand: the newest to each question; without those to `but`, which is about to be answered anew. */
export function answersThatStand(state: BenchState, but?: string): BenchState['identified'] {
  const newest = new Map(state.identified.map((i) => [i.question, i]));
  if (but !== undefined) newest.delete(but);
  return [...newest.values()];
}

/** Variants that it could still be, by the answers that stand. */
export function variantsLeft(sheet: Sheet, state: BenchState): readonly string[] {
  return narrow(sheet, answersThatStand(state)).candidates;
}
