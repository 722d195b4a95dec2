import { eventsOf, findOp, ladderOf, stepDone, type BenchState } from '../bench/index.ts';
import type { Sheet } from '../sheet/index.ts';

/** Longer than this without an entry, and longer than three times what the sheet gives the step, is an interruption. */
const LONGEST_GAP_MIN = 20;
const TIMES_SHEET = 3;
const MINUTE_MS = 60_000;

/** What the steps of one job took by its log, minutes by step id: finished steps only. */
export interface StepTimes {
  readonly minutes: Readonly<Record<string, number>>;
  /** Gaps that were somebody else's: the telephone, lunch, another job. */
  readonly interruptions: number;
}

/**
 * Minutes of hands of every finished step: the time up to each entry belongs to the step of that entry. Time on hold, parked,
 * or while a wait runs is no work; a gap that is out of all proportion is an interruption and counts as nothing.
 */
export function stepTimes(sheet: Sheet, state: BenchState): StepTimes {
  const minutes: Record<string, number> = {};
  const by = new Map(ladderOf(sheet, state).all.map((s) => [s.id, s]));
  let interruptions = 0;
  let last: number | undefined;
  let holds = 0;
  let parked = false;
  let waits = 0;
  for (const e of eventsOf(state)) {
    const at = Date.parse(e.at);
    const payload = e.payload as { readonly op?: unknown };
    const step = typeof payload.op === 'string' ? findOp(sheet, state, payload.op)?.step.id : undefined;
    if (step !== undefined && last !== undefined && holds === 0 && !parked && waits === 0) {
      const gap = (at - last) / MINUTE_MS;
      if (gap > Math.max(LONGEST_GAP_MIN, TIMES_SHEET * (by.get(step)?.minutes ?? 0))) interruptions += 1;
      else minutes[step] = (minutes[step] ?? 0) + Math.max(0, gap);
    }
    last = at;
    if (e.type === 'held') holds += 1;
    if (e.type === 'hold-cleared') holds = Math.max(0, holds - 1);
    if (e.type === 'parked') parked = true;
    if (e.type === 'resumed') parked = false;
    if (e.type === 'timer-started') waits += 1;
    if (e.type === 'timer-ended') waits = Math.max(0, waits - 1);
  }
  const finished = Object.entries(minutes).filter(([id]) => {
    const step = by.get(id);
    return step !== undefined && stepDone(step, state);
  });
  return { minutes: Object.fromEntries(finished), interruptions };
}

/** What a step takes in this shop. */
export interface Learned {
  readonly minutes: number;
  /** Deviation of the logarithm: 0.35 is about a third more or less. */
  readonly spread: number;
  /** Jobs that it rests on, and those that were told apart as outliers. */
  readonly jobs: number;
  readonly outliers: number;
}

/** The sheet counts as so many jobs: with fewer of its own the shop is moved toward it. */
const SHEET_COUNTS = 3;
/** How far minutes of such work lie about the sheet's before anything is known: common practice. */
export const USUAL_SPREAD = 0.35;
/** So many robust deviations off is another kind of job (Iglewicz and Hoaglin 1993). */
const OUTLIER = 3.5;
const MAD_TO_SIGMA = 1.4826;

/**
 * Minutes of a step from the sheet's figure and what it really took: the mean of the logarithms shrunk toward the sheet's (the
 * posterior mean of a normal with a normal prior), outliers by the median's deviation left out.
 */
export function learn(sheetMinutes: number, taken: readonly number[]): Learned {
  const logs = taken.filter((t) => t > 0 && sheetMinutes > 0).map((t) => Math.log(t / sheetMinutes));
  const middle = median(logs);
  const mad = median(logs.map((x) => Math.abs(x - middle))) * MAD_TO_SIGMA;
  // Below a tenth's spread everything would be an outlier.
  const kept = logs.length < 4 ? logs : logs.filter((x) => Math.abs(x - middle) <= OUTLIER * Math.max(mad, 0.1));
  const n = kept.length;
  const mean = kept.reduce((s, x) => s + x, 0) / (n + SHEET_COUNTS);
  const squares = kept.reduce((s, x) => s + (x - mean) ** 2, 0);
  return {
    minutes: sheetMinutes * Math.exp(mean),
    spread: Math.sqrt((SHEET_COUNTS * USUAL_SPREAD ** 2 + squares) / (n + SHEET_COUNTS)),
    jobs: n,
    outliers: logs.length - n,
  };
}

/** How often something has to be bought for a unit, 0 to 1, and how long that takes. */
export interface Buying {
  readonly buys: number;
  readonly leadMinutes: number;
}
/** Of a unit that nobody has opened, before anything is known: common practice. They count as so many jobs and orders. */
const USUAL_BUYS = 0.4;
const USUAL_LEAD_MIN = 2 * 1440;
const USUAL_COUNTS = 3;

/**
 * How often units of a kind wanted a part that was not here, and how long it took to come: the share and the mean of the logarithms,
 * both shrunk toward what is usual while there are few.
 * @param bought of each job that is over: was something ordered for it?
 * @param leads minutes from order to arrival
 */
export function learnBuying(bought: readonly boolean[], leads: readonly number[]): Buying {
  const logs = leads.filter((l) => l > 0).map((l) => Math.log(l / USUAL_LEAD_MIN));
  return {
    buys: (bought.filter(Boolean).length + USUAL_COUNTS * USUAL_BUYS) / (bought.length + USUAL_COUNTS),
    leadMinutes: USUAL_LEAD_MIN * Math.exp(logs.reduce((s, x) => s + x, 0) / (logs.length + USUAL_COUNTS)),
  };
}

function median(values: readonly number[]): number {
  if (values.length === 0) return 0;
  const sorted = [...values].sort((a, b) => a - b);
  const mid = sorted.length >> 1;
  return sorted.length % 2 ? sorted[mid]! : (sorted[mid - 1]! + sorted[mid]!) / 2;
}
