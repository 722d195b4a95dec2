import type { Beam } from './beam.ts';
import type { Built } from './built.ts';
import type { Compiled } from './compiled.ts';
import type { Guide, Pace, Progress } from './guide.ts';
import { bestOrder, betterOrder, kicked, type JobOrder } from './job-order.ts';

/** Plans side by side, search after search at first, and after; these and those below found by trying. */
const WIDTHS = [1, 10, 40];
const WIDTH = 40;
/** How far the pace follows each plan that is the best so far, once it was searched for so often. */
const LEARNS = 0.5;
const LEARNS_AFTER = 2;
/**
 * What a search hopes for, as shares of the pace that was learned: a little under what hands did, and much less lag, since it is the
 * late jobs that are hurried on. Drawn anew for each search, between these; the first searches have the same.
 */
const BUSY = { from: 0.98, to: 1, first: 0.99 };
const LAG = { from: 0.5, to: 0.8, first: 0.6 };
/** How often jobs change their turns by chance to find a better order: at first, and before each search after. */
const KICKS = { first: 40, after: 5 };
/** How often a search takes another order as it comes: the guide does not know all, and what it likes best need not be best. */
const OTHER = 0.3;
/** No shop is slower than this, whatever a plan says. */
const LEAST_BUSY = 0.5;
/** It is begun again nearer to the front of the best plan: what is wrong there costs all the way. */
const FRONT = 2;

/**
 * Which unit comes to the bench before which: the best order of whole jobs at the shop's pace, and the plan that a beam finds for it.
 * Each best plan teaches the pace; after the first searches it is begun again somewhere in it, with another order for what comes after.
 */
export class WholeJobs {
  private ranked: Int32Array;
  private pace: Pace;
  /** The best plan so far. */
  private order = new Int32Array();
  /** Searches that came to an end. A plan that is in force has taught already. */
  private searched: number;

  constructor(
    private readonly c: Compiled,
    private readonly beam: Beam,
    private readonly random: () => number,
  ) {
    this.ranked = byPromise(c);
    this.pace = usualPace(c, beam.half.guide);
    this.searched = c.problem.inForce ? WIDTHS.length : 0;
  }

  /** A plan is the best so far: it is begun again somewhere in it, and it teaches. */
  goOnFrom(order: Int32Array, built: Built): void {
    this.order = order.slice();
    if (this.searched >= LEARNS_AFTER) this.learn(built);
  }

  /**
   * Searches for one more plan.
   * @param goOn is asked now and then, with how many pieces were looked at since
   * @returns its order; nothing when it was told to stop, or none was found
   */
  search(goOn: (looked: number) => boolean): Int32Array | undefined {
    const { beam, random } = this;
    const width = WIDTHS[this.searched];
    const first = width !== undefined;
    const after = first ? new Int32Array() : this.order.subarray(0, Math.floor(this.order.length * random() ** FRONT));
    const progress = beam.half.progress(after);
    if (!progress) return undefined;
    const hope = (of: typeof BUSY): number => (first ? of.first : of.from + (of.to - of.from) * random());
    const pace = { busy: this.pace.busy * hope(BUSY), lag: this.pace.lag * hope(LAG) };
    let stopped = false;
    const ask = (looked: number): boolean => {
      stopped ||= !goOn(looked);
      return !stopped;
    };
    const begin = (ranked: ArrayLike<number>, now: Progress): JobOrder =>
      bestOrder(beam.half.guide, ranked, now, pace, () => ask(0));
    const other = !first && random() < OTHER;
    const begun = begin(other ? kicked(this.ranked, random) : this.ranked, progress);
    const times = first ? KICKS.first : KICKS.after;
    const { ranked } = other
      ? begun
      : betterOrder(beam.half.guide, begun, progress, pace, { times, random, goOn: () => ask(0) });
    const order = beam.search(ranked, {
      pace,
      width: width ?? WIDTH,
      after,
      rankAgain: (before, now) => begin(before, now).ranked,
      goOn: ask,
    });
    // What was cut short is begun again; what found nothing is not.
    if (!stopped) this.searched += 1;
    return order;
  }

  /** The order in which jobs are done in a plan, and its pace: a line through their ends, by the work of all jobs up to each. */
  private learn(built: Built): void {
    const { c } = this;
    const { guide } = this.beam.half;
    const ends = new Float64Array(c.jobs.length).fill(-Infinity);
    built.end.forEach((e, a) => (ends[c.jobOf[a]!] = Math.max(ends[c.jobOf[a]!]!, e)));
    this.ranked = Int32Array.from(ends.keys()).sort((x, y) => ends[x]! - ends[y]! || x - y);
    let work = 0;
    const line = lineThrough(
      Array.from(this.ranked, (j) => [(work += guide.jobWork[j]!), guide.handMinutesOfAll(ends[j]!)] as const),
    );
    if (!line) return;
    const busy = Math.min(1, Math.max(LEAST_BUSY, 1 / line.slope));
    const lag = Math.max(0, line.y - line.x / busy);
    this.pace = {
      busy: this.pace.busy + LEARNS * (busy - this.pace.busy),
      lag: this.pace.lag + LEARNS * (lag - this.pace.lag),
    };
  }
}

/** What a shop of whose pace nothing is known is thought to do: hands are always at work, and half of what stands at the bench is done. */
export function usualPace(c: Compiled, guide: Guide): Pace {
  return { busy: 1, lag: ((c.places || guide.hands.length) / 2) * (guide.total / Math.max(1, c.jobs.length)) };
}

/** The line of least squares through points: its slope, and the middle that it goes through. Nothing when they do not rise. */
function lineThrough(
  points: readonly (readonly [x: number, y: number])[],
): { slope: number; x: number; y: number } | undefined {
  const x = points.reduce((sum, p) => sum + p[0], 0) / points.length;
  const y = points.reduce((sum, p) => sum + p[1], 0) / points.length;
  const slope =
    points.reduce((sum, p) => sum + (p[0] - x) * (p[1] - y), 0) / points.reduce((sum, p) => sum + (p[0] - x) ** 2, 0);
  return slope > 0 && Number.isFinite(slope) && Number.isFinite(y) ? { slope, x, y } : undefined;
}

/** Jobs by their promises, those without one last. */
export function byPromise(c: Compiled): Int32Array {
  return Int32Array.from(c.due.keys()).sort((x, y) => (c.due[x] === c.due[y] ? x - y : c.due[x]! < c.due[y]! ? -1 : 1));
}
