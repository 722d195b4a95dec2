import type { Beam } from './beam.ts';
import type { Built } from './built.ts';
import type { Compiled } from './compiled.ts';
import type { Pace, Progress } from './guide.ts';
import { bestOrder } from './job-order.ts';

/** Plans side by side, search after search while the shop's pace is learned, and after; these and those below found by trying. */
const WIDTHS = [1, 10, 40];
const WIDTH = 40;
/** What a shop of whose pace nothing is known is thought to do. */
export const USUAL: Pace = { busy: 0.95, lag: 800 };
/** How far the pace follows each of the first plans. */
const LEARNS = 0.5;
/** How often some jobs change their turns by chance before the best order is looked for, and how many do. */
const SHUFFLED = 0.5;
const SHUFFLE = 4;
/** While it learns, so many other orders are begun from as well. */
const OTHER_STARTS = 3;
/** How far pace and lag are changed by chance, as shares. */
const BUSY_BY = 0.01;
const LAG_BY = 0.3;

/**
 * Which unit comes to the bench before which: the best order of whole jobs at the shop's pace, and the plan that a beam finds for it.
 * The first plans teach the pace; after that it is begun again somewhere in the best plan, with another order for what comes after.
 */
export class WholeJobs {
  private ranked: Int32Array;
  private pace = USUAL;
  /** The best plan so far. */
  private order = new Int32Array();
  /** Searches that came to an end: the first ones only teach. A plan that is in force has taught already. */
  private searched: number;

  constructor(
    private readonly c: Compiled,
    private readonly beam: Beam,
    private readonly random: () => number,
  ) {
    this.ranked = byPromise(c);
    this.searched = c.problem.inForce ? WIDTHS.length : 0;
  }

  /** A plan is the best so far: it is begun again somewhere in it, and it teaches. */
  goOnFrom(order: Int32Array, built: Built): void {
    this.order = order.slice();
    if (this.searched > 0) this.learn(built);
  }

  /** A plan that is not the best teaches as long as little is known. */
  seen(built: Built): void {
    if (this.learning) this.learn(built);
  }

  /**
   * Searches for one more plan.
   * @param goOn is asked now and then, with how many pieces were looked at since
   * @returns its order; nothing when it was told to stop, or none was found
   */
  search(goOn: (looked: number) => boolean): Int32Array | undefined {
    const { beam, random, c } = this;
    const width = WIDTHS[this.searched];
    const after =
      width === undefined ? this.order.subarray(0, Math.floor(c.activities.length * random())) : new Int32Array();
    const progress = beam.progress(after);
    if (!progress) return undefined;
    const pace =
      width === undefined
        ? {
            busy: Math.min(1, this.pace.busy * (1 + BUSY_BY * (2 * random() - 1))),
            lag: this.pace.lag * (1 + LAG_BY * (2 * random() - 1)),
          }
        : this.pace;
    let stopped = false;
    const ask = (looked: number): boolean => {
      stopped ||= !goOn(looked);
      return !stopped;
    };
    const ranked = this.rank(progress, pace, width === undefined, () => ask(0));
    const order = beam.search(ranked, { pace, width: width ?? WIDTH, after, goOn: ask });
    // What was cut short is begun again; what found nothing is not.
    if (!stopped) this.searched += 1;
    return order;
  }

  private get learning(): boolean {
    return this.searched <= WIDTHS.length && !this.c.problem.inForce;
  }

  private rank(progress: Progress, pace: Pace, again: boolean, goOn: () => boolean): Int32Array {
    const { beam, random } = this;
    const from = again && random() < SHUFFLED ? this.shuffled(this.ranked) : this.ranked;
    let best = bestOrder(beam.guide, from, progress, pace, goOn);
    for (let k = 0; !again && k < OTHER_STARTS && best.late > 0; k += 1) {
      const other = bestOrder(beam.guide, this.shuffled(best.ranked), progress, pace, goOn);
      if (other.late < best.late) best = other;
    }
    return best.ranked;
  }

  private shuffled(ranked: Int32Array): Int32Array {
    const { random } = this;
    const order = Array.from(ranked);
    for (let k = 0; k < SHUFFLE; k += 1) {
      const [job] = order.splice(Math.floor(random() * order.length), 1);
      order.splice(Math.floor(random() * (order.length + 1)), 0, job!);
    }
    return Int32Array.from(order);
  }

  /** The order in which jobs are done in a plan, and its pace. */
  private learn(built: Built): void {
    const { c } = this;
    const { guide } = this.beam;
    const share = this.learning ? LEARNS : 1;
    const ends = new Float64Array(c.jobs.length).fill(-Infinity);
    built.end.forEach((e, a) => (ends[c.jobOf[a]!] = Math.max(ends[c.jobOf[a]!]!, e)));
    this.ranked = Int32Array.from(ends.keys()).sort((x, y) => ends[x]! - ends[y]! || x - y);
    if (!(guide.total > 0) || built.cost.total === Infinity) return;
    const busy = guide.total / (guide.total + built.cost.idle);
    let before = 0;
    let lag = 0;
    for (const j of this.ranked) {
      before += guide.jobWork[j]! / busy;
      lag += guide.handMinutesOfAll(ends[j]!) - before;
    }
    this.pace = {
      busy: this.pace.busy + share * (busy - this.pace.busy),
      lag: this.pace.lag + share * (Math.max(0, lag / ends.length) - this.pace.lag),
    };
  }
}

/** Jobs by their promises, those without one last. */
export function byPromise(c: Compiled): Int32Array {
  return Int32Array.from(c.due.keys()).sort((x, y) => (c.due[x] === c.due[y] ? x - y : c.due[x]! < c.due[y]! ? -1 : 1));
}
