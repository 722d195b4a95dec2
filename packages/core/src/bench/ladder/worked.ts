import type { Sheet } from '../../sheet/index.ts';
import { ladderOf } from './moves.ts';
import { eventsOf, type BenchState } from '../log/state.ts';

/** Minutes of hands that a job took by its log, and those that its sheet gives for the steps done. */
export interface Worked {
  readonly minutes: number;
  readonly sheetMinutes: number;
}

/** A pause longer than this between two entries is another job, or lunch: only this much of it counts. */
const LONGEST_GAP_MIN = 20;
const MINUTE_MS = 60_000;

/** What a job took: time between entries of its log, each gap cut at {@link LONGEST_GAP_MIN}; holds and parking do not count. */
export function workedMinutes(sheet: Sheet, state: BenchState): Worked {
  let minutes = 0;
  let last: number | undefined;
  let idle = 0;
  for (const e of eventsOf(state)) {
    const at = Date.parse(e.at);
    if (last !== undefined && idle === 0) minutes += Math.min(LONGEST_GAP_MIN, Math.max(0, (at - last) / MINUTE_MS));
    last = at;
    if (e.type === 'held') idle += 1;
    if (e.type === 'hold-cleared') idle = Math.max(0, idle - 1);
  }
  const sheetMinutes = ladderOf(sheet, state)
    .all.filter((s) => state.steps[s.id])
    .reduce((sum, s) => sum + s.minutes, 0);
  return { minutes, sheetMinutes };
}
