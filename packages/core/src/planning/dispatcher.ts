import { Builder, UNFINISHED } from './builder.ts';
import type { Built } from './built.ts';
import type { Compiled } from './compiled.ts';
import type { Minute } from './types.ts';

/** Builds plans also from priorities, where nothing waits that could be begun. */
export class Dispatcher extends Builder {
  private readonly groupFree: Float64Array;
  /** The soonest that an activity can start, and exactly when it can after so many were put down. */
  private readonly soonest: Float64Array;
  private readonly exact: Float64Array;
  private readonly exactAt: Int32Array;

  constructor(c: Compiled) {
    super(c);
    const n = c.activities.length;
    this.groupFree = new Float64Array(c.groups.length);
    this.soonest = new Float64Array(n);
    this.exact = new Float64Array(n);
    this.exactAt = new Int32Array(n);
  }

  /**
   * A plan in which nothing waits that could be begun: always the activity that can start first goes down next; of several, the one
   * of the least priority number. Writes it into `out` where that gives a whole plan, else `out` costs infinitely.
   * @param priority one number an activity, such as the latest start that keeps its promise
   * @param enough as for {@link build}
   * @returns the order in which they went down, with what could not be put down at its end
   */
  dispatch(priority: ArrayLike<number>, out: Built, enough = Infinity): Int32Array {
    const { c, soonest, exactAt } = this;
    const n = c.activities.length;
    this.out = out;
    out.broken = this.brokenPins;
    this.delayed.fill(0);
    this.most = c.goal.late > 0 ? enough / c.goal.late : Infinity;
    this.begin();
    exactAt.fill(-1);
    const left = Int32Array.from(c.preds, (p) => p.length);
    // The least priority number first, so that of two that can start as soon the first one found is the one.
    const opens = (a: number, list: number[]): void => {
      let at = list.length;
      while (at > 0 && priority[list[at - 1]!]! > priority[a]!) at -= 1;
      list.splice(at, 0, a);
    };
    // Those whose unit stands at no bench place yet are looked at only while there is one.
    const standing: number[] = [];
    const placeless: number[] = [];
    const follows = (a: number): void => {
      soonest[a] = this.readyAt(a);
      opens(a, this.wantsPlace(a) ? placeless : standing);
    };
    for (let a = 0; a < n; a += 1) if (left[a] === 0) follows(a);
    while (this.sure <= this.most) {
      const a = this.first(standing, placeless, priority);
      const known = this.count;
      if (a < 0 || this.process(a) !== 'put' || known === this.count) break;
      for (let k = known; k < this.count; k += 1) {
        const put = this.put[k]!;
        for (const list of [standing, placeless]) {
          const at = list.indexOf(put);
          if (at >= 0) list.splice(at, 1);
        }
        for (const next of c.succs[put]!) if ((left[next]! -= 1) === 0 && this.placed[next] === 0) follows(next);
      }
      const stay = c.stayOf[a]!;
      // Its unit has just come to a place: what else it waits for there is looked at from now on.
      if (stay >= 0 && this.stayLeft[stay]! >= c.staySize[stay]! - (this.count - known))
        for (let i = placeless.length - 1; i >= 0; i -= 1)
          if (!this.wantsPlace(placeless[i]!)) opens(placeless.splice(i, 1)[0]!, standing);
    }
    const order = Int32Array.from(this.put.subarray(0, n));
    if (this.count === n && out.broken === '') {
      this.price();
      return order;
    }
    out.cost = UNFINISHED;
    const rest = Array.from({ length: n }, (_, a) => a).filter((a) => this.placed[a] === 0);
    order.set(
      rest.sort((x, y) => priority[x]! - priority[y]!),
      this.count,
    );
    return order;
  }

  /**
   * Of those that could come next the one that can start first, or -1. What was once known to start no sooner cannot start sooner
   * later on, unless a bench place becomes free: so only those that may be the first are fitted once more.
   */
  private first(standing: readonly number[], placeless: readonly number[], priority: ArrayLike<number>): number {
    const { c, soonest, exact, exactAt, count } = this;
    // Before any of the lanes that it needs is free it cannot start.
    const { groupFree } = this;
    for (let g = 0; g < groupFree.length; g += 1) {
      let least = Infinity;
      for (const l of c.groups[g]!) if (this.free[l]! < least) least = this.free[l]!;
      groupFree[g] = least;
    }
    let place = Infinity;
    for (let p = 0; p < c.places; p += 1) if (this.placeFree[p]! < place) place = this.placeFree[p]!;
    for (;;) {
      let best = -1;
      let key = Infinity;
      for (let i = 0; i < standing.length; i += 1) {
        const a = standing[i]!;
        const k = exactAt[a] === count ? exact[a]! : this.atLeast(a);
        if (k < key) {
          best = a;
          key = k;
        }
      }
      if (place < Infinity)
        for (let i = 0; i < placeless.length; i += 1) {
          const a = placeless[i]!;
          let k = exactAt[a] === count ? exact[a]! : this.atLeast(a);
          if (k < place) k = place;
          if (k < key || (k === key && best >= 0 && priority[a]! < priority[best]!)) {
            best = a;
            key = k;
          }
        }
      if (best < 0 || exactAt[best] === count) return best;
      const pin = c.pinned[best]!;
      if (Number.isNaN(pin)) {
        const wants = this.wantsPlace(best);
        const ready = this.readyAt(best);
        this.fit(best, wants && place > ready ? place : ready);
        exact[best] = this.s;
        if (!wants) soonest[best] = this.s;
      } else exact[best] = pin;
      exactAt[best] = count;
      if (exact[best]! <= key) return best;
    }
  }

  private atLeast(a: number): Minute {
    let at = this.soonest[a]!;
    if (!Number.isNaN(this.c.pinned[a]!)) return at;
    for (const g of this.c.groupsOf[a]!) if (this.groupFree[g]! > at) at = this.groupFree[g]!;
    return at;
  }

  private wantsPlace(a: number): boolean {
    const stay = this.c.stayOf[a]!;
    return stay >= 0 && this.out.placeOf[stay]! < 0;
  }

  /** When an activity could begin for its own job's sake. */
  private readyAt(a: number): Minute {
    const { c } = this;
    const pin = c.pinned[a]!;
    if (!Number.isNaN(pin)) return pin;
    let at = c.release[a]!;
    for (const p of c.preds[a]!) {
      const ready = this.out.end[p.of]! + p.min;
      if (ready > at) at = ready;
    }
    return at;
  }
}
