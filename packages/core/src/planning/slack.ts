import { openMinutes } from './calendar.ts';
import type { Minute, PlanJob, PlanProblem, Slots, WorkCalendar } from './types.ts';

/** How much time a job has in hand before its promise, in hours that the shop is open; late when it is less than nothing. */
export interface Slack {
  readonly minutes: number;
  /** By the plan in force; else by what is left to do and to wait for, begun now with nothing in the way. */
  readonly planned: boolean;
  /** The moment, while the shop is open, by which its hands' work must have begun for the promise to be kept. */
  readonly latest: Minute;
}

/** Opening hours of the shop: what a promise and its slack are counted in. */
const SHOP_CALENDAR = 'shop';

/**
 * The one reckoning of slack: from when the job ends to its promise, in open minutes. Floor, bench and Plan ask this.
 * @returns undefined for a job that is promised for no day
 */
export function slackOf(problem: PlanProblem, slots: Slots, job: PlanJob): Slack | undefined {
  if (job.due === null) return undefined;
  const { open } = problem.calendars.find((c) => c.id === SHOP_CALENDAR) ?? problem.calendars[0] ?? { open: [] };
  const ends = job.activities.map((a) => slots[a.id]?.end);
  const planned = ends.every((e) => e !== undefined);
  const end = planned ? Math.max(problem.now, ...ends) : soonest(problem, open, job);
  const hands = job.activities.reduce((sum, a) => sum + (a.attended ? a.minutes : 0), 0);
  return { minutes: between(open, end, job.due), planned, latest: before(open, job.due, hands) };
}

/** Open minutes from one moment to another; below nothing when the other comes first. */
function between(open: WorkCalendar['open'], from: Minute, to: Minute): number {
  return to >= from ? openMinutes(open, from, to) : -openMinutes(open, to, from);
}

/** When a job could end at the soonest: its hands' work from now, after what it waits for. */
function soonest(problem: PlanProblem, open: WorkCalendar['open'], job: PlanJob): Minute {
  const waits = Math.max(problem.now, job.release, ...job.activities.map((a) => a.notBefore ?? 0));
  const hands = job.activities.reduce((sum, a) => sum + (a.attended ? a.minutes : 0), 0);
  // What comes after the last wait is not known to be less than its own piece; all the work before it goes on meanwhile.
  const last = Math.max(0, ...job.activities.filter((a) => a.notBefore === waits).map((a) => a.minutes));
  return Math.max(after(open, problem.now, hands), after(open, waits, last));
}

/** The latest moment from which so many open minutes pass until another; before the first opening, they go on by the clock. */
function before(open: WorkCalendar['open'], to: Minute, minutes: number): Minute {
  let left = minutes;
  let at = to;
  for (const [a, b] of [...open].reverse()) {
    if (a >= at) continue;
    const ends = Math.min(b, at);
    if (ends - left >= a) return ends - left;
    left -= ends - a;
    at = a;
  }
  return at - left;
}

/** The moment at which so many open minutes have passed; past the last opening, the minutes go on by the clock. */
function after(open: WorkCalendar['open'], from: Minute, minutes: number): Minute {
  let left = minutes;
  let at = from;
  for (const [a, b] of open) {
    if (b <= at) continue;
    const starts = Math.max(a, at);
    if (starts + left <= b) return left === 0 ? at : starts + left;
    left -= b - starts;
    at = b;
  }
  return at + left;
}
