import type { Dispatcher } from './dispatcher.ts';
import type { Built } from './built.ts';
import type { Compiled } from './compiled.ts';

/** Share of tries in which a late job, by its share of the lateness, is brought forward; else any job goes anywhere. */
const LATE_FIRST = 0.2;
/** What a try may cost above the one before it, as a share of that, at first and at last. */
const HOT = 0.005;
const COOL = 0.0005;

/**
 * Which unit comes to the bench before which: ranks of whole jobs, from which a plan is built in which nothing waits that could be
 * begun. Sixty ranks say more about a week than the order of seven hundred pieces, and are soon looked through; what is left to gain
 * within them is annealed after.
 */
export class WholeJobs {
  private ranked: readonly number[] = [];
  private readonly priority: Float64Array;
  private cost = Infinity;

  constructor(
    private readonly c: Compiled,
    private readonly builder: Dispatcher,
    private readonly random: () => number,
  ) {
    this.priority = new Float64Array(c.activities.length);
  }

  /**
   * Begins with the best of the usual rules: as it is now, by promise, by what is left to do against the weight, by the two together.
   * @returns the order of its plan, in `out`
   */
  begin(now: Built, out: Built): Int32Array {
    const { c } = this;
    const work = new Float64Array(c.jobs.length);
    c.minutes.forEach((m, a) => (work[c.jobOf[a]!]! += m / Math.max(0.1, c.weight[c.jobOf[a]!]!)));
    const begun = new Float64Array(c.jobs.length).fill(Infinity);
    now.start.forEach((s, a) => (begun[c.jobOf[a]!] = Math.min(begun[c.jobOf[a]!]!, s)));
    const due = c.due.map((d) => (d === Infinity ? c.problem.now + 1e6 : d));
    for (const rule of [begun, due, work, due.map((d, j) => d + 10 * work[j]!)]) {
      const ranked = c.jobs.map((_, j) => j).sort((x, y) => rule[x]! - rule[y]! || x - y);
      this.build(ranked, out, Infinity);
      if (this.ranked.length > 0 && out.cost.total >= this.cost) continue;
      this.ranked = ranked;
      this.cost = out.cost.total;
    }
    return this.build(this.ranked, out, Infinity);
  }

  /**
   * Tries one other order of the jobs.
   * @param now the plan that was gone on from last
   * @param cooled how far the search has come, 0 to 1
   * @returns the order of its plan when that is gone on from, in `out`
   */
  step(now: Built, out: Built, cooled: number): Int32Array | undefined {
    const { random, ranked } = this;
    const bring = random() < LATE_FIRST;
    const from = bring ? this.late(now) : Math.floor(random() * ranked.length);
    const to = Math.floor(random() * (bring ? from : ranked.length));
    if (from === to) return undefined;
    const next = ranked.slice();
    next.splice(to, 0, ...next.splice(from, 1));
    // The chance is drawn first, so that what would not be taken need not be built to its end.
    const most = this.cost * (1 - HOT * (COOL / HOT) ** cooled * Math.log(1 - random()));
    const order = this.build(next, out, most);
    if (out.cost.total > most) return undefined;
    this.ranked = next;
    this.cost = out.cost.total;
    return order;
  }

  private build(ranked: readonly number[], out: Built, enough: number): Int32Array {
    const { c, priority } = this;
    const rank = new Int32Array(ranked.length);
    ranked.forEach((j, i) => (rank[j] = i));
    for (let a = 0; a < priority.length; a += 1) priority[a] = rank[c.jobOf[a]!]!;
    const order = this.builder.dispatch(priority, out, enough);
    if (out.cost.total === Infinity) this.builder.build(order, out, enough);
    return order;
  }

  /** Where a late job stands, by its share of the lateness; any job when none is late. */
  private late(now: Built): number {
    const { random, ranked } = this;
    let at = random() * now.cost.late;
    if (now.cost.late > 0)
      for (let i = 0; i < ranked.length; i += 1) if ((at -= now.lateBy[ranked[i]!]!) <= 0) return i;
    return Math.floor(random() * ranked.length);
  }
}
