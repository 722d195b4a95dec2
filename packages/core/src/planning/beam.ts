import { Builder } from './builder.ts';
import { openFromNow, type Compiled } from './compiled.ts';
import type { Fitter } from './fitter.ts';
import type { Pace, Progress } from './guide.ts';
import { HalfBuilder, type Half } from './half-builder.ts';
import type { Minute } from './types.ts';

/**
 * What can begin within so many minutes of the first that can may go down before it: hands may wait a little for the better. Of units
 * that are to come to the bench only the first by rank is looked at. Found by trying on the benchmark's shops: no wait, 25 or 40 min, and
 * a choice of more units all came to later plans.
 */
const MAY_WAIT = 15;
/** Hands had better stay at a job: going to another counts as so many idle minutes. With more of them hands stand idle for it (tried). */
const CHANGE_MIN = 2;
/** Pieces after which the jobs are ranked again: what was idle until then may have made another order the better one (found by trying). */
const RANK_AGAIN = 100;

/** A half, and one more piece. */
interface Next {
  readonly half: Half;
  readonly activity: number;
  readonly cost: number;
  readonly changes: number;
  readonly mark: number;
}

export interface BeamOptions {
  readonly pace: Pace;
  /** Plans that go on side by side. */
  readonly width: number;
  /** The first pieces of a plan, which stay as they are. */
  readonly after?: ArrayLike<number>;
  /** Asked now and then for a better order of the jobs, for what is left of them in the plan that is ahead. */
  readonly rankAgain?: (ranked: ArrayLike<number>, progress: Progress) => ArrayLike<number>;
  /** Asked after each piece of the plans, with how many were looked at for it; the search ends without a plan when it says no. */
  readonly goOn?: (looked: number) => boolean;
}

/**
 * Builds several plans side by side, piece by piece in the order of time: of all that each could be gone on with, those go on that a
 * guide expects to cost the least (filtered beam search, Ow and Morton 1988).
 */
export class Beam {
  readonly c: Compiled;
  readonly builder: Builder;
  private readonly fitter: Fitter;
  private ranked: ArrayLike<number> = [];
  private pace: Pace = { busy: 1, lag: 0 };
  private nexts: Next[][] = [];
  /** Of the half that is looked at: its jobs that are not done, by rank; the lateness of those that are; its hand minutes. */
  private readonly undone: Int32Array;
  private undoneCount = 0;
  private lateDone = 0;
  /** What it could be gone on with: which, when, the hand minutes that it takes up, and how many hands come from another job. */
  private readonly activities: Int32Array;
  private readonly starts: Float64Array;
  private readonly ends: Float64Array;
  private readonly takes: Float64Array;
  private readonly comes: Uint8Array;
  private found = 0;
  private firstStart = Infinity;
  /** The most pieces that windows tie to each other. */
  private readonly longest: number;

  constructor(readonly half: HalfBuilder) {
    const { c, builder } = half;
    this.c = c;
    this.builder = builder;
    this.fitter = builder.fitter;
    const n = c.activities.length;
    this.undone = new Int32Array(c.jobs.length);
    this.activities = new Int32Array(n);
    this.starts = new Float64Array(n);
    this.ends = new Float64Array(n);
    this.takes = new Float64Array(n);
    this.comes = new Uint8Array(n);
    this.longest = c.tied.reduce((most, _, a) => {
      let k = 1;
      for (let x = c.tied[a]!; x >= 0; x = c.tied[x]!) k += 1;
      return Math.max(most, k);
    }, 1);
  }

  /**
   * Searches for a plan.
   * @param ranked jobs in the order in which they should be done: units come to the bench in this order
   * @returns the order of its pieces; nothing when none could be built whole
   */
  search(ranked: ArrayLike<number>, { pace, width, after = [], rankAgain, goOn }: BeamOptions): Int32Array | undefined {
    const n = this.c.activities.length;
    if (!this.half.putFirst(after, ranked)) return undefined;
    this.ranked = ranked;
    this.pace = pace;
    const from = this.builder.count;
    const halves: Half[][] = Array.from({ length: n + 1 }, () => []);
    this.nexts = Array.from({ length: n + 1 }, () => []);
    halves[from]!.push(this.half.keep());
    for (let level = from; level < n; level += 1) {
      const [ahead] = halves[level]!;
      if (rankAgain && ahead && level > from && (level - from) % RANK_AGAIN === 0) {
        this.half.takeUp(ahead);
        this.ranked = rankAgain(this.ranked, {
          gone: this.half.gone(),
          left: this.half.left,
          jobEnd: this.builder.jobEnd,
        });
        this.half.rankBy(this.ranked);
      }
      let looked = 0;
      for (const half of halves[level]!) looked += this.look(half);
      halves[level + 1] = this.choose(this.nexts[level + 1]!, width);
      this.nexts[level + 1] = [];
      // A window may tie several pieces: what comes to the next level may have left some levels before.
      const done = level + 1 - this.longest;
      if (done >= from) this.half.letGo(halves[done]!);
      if (goOn && !goOn(looked)) break;
    }
    const [best] = halves[n]!;
    if (best) this.half.takeUp(best);
    const order = best && this.builder.put.slice(0, n);
    for (const list of halves) this.half.letGo(list);
    return order;
  }

  /** Looks at all that a half could be gone on with; how many that are. */
  private look(half: Half): number {
    const { c, activities, starts, ends, nexts } = this;
    const { left, piecesLeft, marks, guide } = this.half;
    const { jobEnd } = this.builder;
    this.half.takeUp(half);
    this.sumUp();
    this.couldCome();
    const { found, firstStart } = this;
    const gone = this.half.gone();
    let looked = 0;
    for (let i = 0; i < found; i += 1) {
      const start = starts[i]!;
      if (start > firstStart + MAY_WAIT) continue;
      looked += 1;
      this.half.takeUp(half);
      const activity = activities[i]!;
      const changes = half.changes + this.comes[i]!;
      if (c.tied[activity]! >= 0 || !this.inWindow(activity, start)) {
        // What a window moves besides is known only once it is down.
        if (!this.half.add(activity)) continue;
        const cost = this.cost(this.half.gone(), this.half.handWork, this.half.moved, changes);
        nexts[this.builder.count]!.push({ half, activity, cost, changes, mark: this.half.mark });
        continue;
      }
      // Else it need not be put down to know what it comes to.
      const j = c.jobOf[activity]!;
      const was = left[j]!;
      const end = jobEnd[j]!;
      const work = guide.work[activity]!;
      left[j] = piecesLeft[j] === 1 ? -1 : was - work;
      if (ends[i]! > end) jobEnd[j] = ends[i]!;
      const moved = half.moved + this.half.movedBy(activity, start);
      const cost = this.cost(gone + this.takes[i]!, half.worked + work, moved, changes);
      nexts[half.count + 1]!.push({ half, activity, cost, changes, mark: (half.mark ^ marks[activity]!) >>> 0 });
      left[j] = was;
      jobEnd[j] = end;
    }
    return looked;
  }

  /** What could come next, and when the first of that can begin: into `found` and `firstStart`. */
  private couldCome(): void {
    const { c } = this;
    const { open, opens } = this.half;
    this.found = 0;
    this.firstStart = Infinity;
    for (let i = 0; i < opens; i += 1) if (!this.wantsPlace(open[i]!)) this.couldBegin(open[i]!, -Infinity);
    let place = Infinity;
    for (let p = 0; p < c.places; p += 1) if (this.builder.placeFree[p]! < place) place = this.builder.placeFree[p]!;
    if (place < Infinity) this.unitCouldCome(place);
  }

  /** Of the units that would have to come to the bench the first by rank whose part need not be waited for, else the first that has it. */
  private unitCouldCome(place: Minute): void {
    const soon = (this.found > 0 && this.firstStart > place ? this.firstStart : place) + MAY_WAIT;
    let soonest = -1;
    let at = Infinity;
    for (let i = 0; i < this.half.opens; i += 1) {
      const a = this.half.open[i]!;
      if (!this.wantsPlace(a)) continue;
      const ready = this.builder.readyAt(a);
      if (ready <= soon && this.couldBegin(a, place)) return;
      if (ready >= at) continue;
      at = ready;
      soonest = a;
    }
    if (soonest >= 0) this.couldBegin(soonest, place);
  }

  private wantsPlace(a: number): boolean {
    const stay = this.c.stayOf[a]!;
    return stay >= 0 && this.builder.out.placeOf[stay]! < 0;
  }

  /** Looks at an activity that could come next, from a moment on; whether it need not be waited for. */
  private couldBegin(a: number, from: Minute): boolean {
    const { c } = this;
    const ready = Math.max(from, this.builder.readyAt(a));
    if (ready > this.firstStart + MAY_WAIT) return false;
    if (Number.isNaN(c.pinned[a]!)) this.fitter.fit(a, ready);
    else this.fitter.standPinned(a);
    if (!(this.fitter.s <= this.firstStart + MAY_WAIT) || this.fitter.s === Infinity) return false;
    if (this.fitter.s < this.firstStart) this.firstStart = this.fitter.s;
    let takes = 0;
    let comes = 0;
    for (const lane of this.fitter.picked) {
      if (!c.lanes[lane]!.hands) continue;
      takes += openFromNow(c, lane, this.fitter.e) - openFromNow(c, lane, this.fitter.free[lane]!);
      const before = this.fitter.last[lane]!;
      if (before >= 0 && c.jobOf[before] !== c.jobOf[a]) comes += 1;
    }
    const { found } = this;
    this.activities[found] = a;
    this.starts[found] = this.fitter.s;
    this.ends[found] = this.fitter.e;
    this.takes[found] = takes;
    this.comes[found] = comes;
    this.found = found + 1;
    return true;
  }

  /** The best of what a level may go on with, each thing once. */
  private choose(nexts: Next[], width: number): Half[] {
    nexts.sort((x, y) => x.cost - y.cost);
    const chosen: Half[] = [];
    const same = new Set<number>();
    let cost = NaN;
    for (const next of nexts) {
      if (chosen.length === width) break;
      // The same pieces at the same cost are the same plan, put down in another order.
      if (next.cost !== cost) same.clear();
      cost = next.cost;
      if (same.has(next.mark)) continue;
      same.add(next.mark);
      this.half.takeUp(next.half);
      if (!this.half.add(next.activity)) continue;
      const half = this.half.keep();
      half.changes = next.changes;
      chosen.push(half);
    }
    return chosen;
  }

  private sumUp(): void {
    const { c, undone } = this;
    const { left } = this.half;
    const { jobEnd } = this.builder;
    let n = 0;
    let late = 0;
    for (let i = 0; i < this.ranked.length; i += 1) {
      const j = this.ranked[i]!;
      if (left[j]! >= 0) undone[n++] = j;
      else if (jobEnd[j]! > c.due[j]!) late += (jobEnd[j]! - c.due[j]!) * c.weight[j]!;
    }
    this.undoneCount = n;
    this.lateDone = late;
  }

  private inWindow(a: number, start: number): boolean {
    const { c } = this;
    for (let k = c.predAt[a]!; k < c.predAt[a + 1]!; k += 1)
      if (start > this.builder.out.end[c.predOf[k]!]! + c.predMax[k]!) return false;
    return true;
  }

  /** What a plan is expected to cost in the end. */
  private cost(gone: number, worked: number, moved: number, changes: number): number {
    const { goal } = this.c;
    const late =
      this.lateDone +
      this.half.guide.late(
        this.undone,
        this.undoneCount,
        { gone, left: this.half.left, jobEnd: this.builder.jobEnd },
        this.pace,
      );
    return goal.late * late + goal.idle * (gone - worked + CHANGE_MIN * changes) + goal.moved * moved;
  }
}

/** A beam over a workshop of its own. */
export function beamFor(c: Compiled): Beam {
  return new Beam(new HalfBuilder(new Builder(c)));
}
