import type { Ahead, LadderStep, Sheet } from '../../sheet/index.ts';
import { ladderOf, stepDone } from '../ladder/moves.ts';
import type { BenchState, Timer } from '../log/state.ts';

const MINUTE_MS = 60_000;
/** What has no time of its own (a tool, a part) is told this long before it is needed: common practice. */
const TELL_BEFORE_MINUTES = 30;

/** Timers that have not been ended, the first due first. A timer that has run stays until somebody ends it. */
export function timersRunning(state: BenchState): readonly Timer[] {
  return Object.values(state.timers)
    .filter((t) => !t.ended)
    .sort((a, b) => a.due.localeCompare(b.due));
}

/** The timer of an operation: the one that runs, else the newest. */
export function timerOf(state: BenchState, op: string): Timer | undefined {
  const own = Object.values(state.timers).filter((t) => t.op === op);
  return own.find((t) => !t.ended) ?? own.at(-1);
}

/** Has it run its time at this moment (ISO 8601)? */
export function timerHasRun(timer: Timer, at: string): boolean {
  return new Date(timer.due).getTime() <= new Date(at).getTime();
}

/** Whole minutes that a timer still runs, 0 when it has run. */
export function minutesToRun(timer: Timer, at: string): number {
  return Math.max(0, Math.ceil((new Date(timer.due).getTime() - new Date(at).getTime()) / MINUTE_MS));
}

export interface AheadNow extends Ahead {
  /** The step it is for. */
  readonly step: LadderStep;
  /** Minutes of work until that step is reached, by the sheet. */
  readonly inMinutes: number;
}

/**
 * What should be made ready now: its time is no shorter than the work that is left before its step. Prepared things and
 * steps that are done are left out.
 */
export function aheadNow(sheet: Sheet, state: BenchState): readonly AheadNow[] {
  const out: AheadNow[] = [];
  let before = 0;
  for (const step of ladderOf(sheet, state).all) {
    if (stepDone(step, state)) continue;
    for (const item of step.ahead) {
      const lead = item.minutes > 0 ? item.minutes : TELL_BEFORE_MINUTES;
      if (state.prepared[item.id] === undefined && lead >= before) out.push({ ...item, step, inMinutes: before });
    }
    before += step.minutes;
  }
  return out;
}
