import { CAUSE, type Built } from './built.ts';
import { openBefore, spanAt, type Compiled, type CompiledCalendar } from './compiled.ts';
import type { Minute, PlanCost } from './types.ts';

/** A plan whose windows cannot be kept in this order is begun again with a later start so many times. */
const MOST_AGAIN = 12;
const MOST_STEPS = 400;
const UNFINISHED: PlanCost = { total: Infinity, late: Infinity, idle: 0, moved: 0, finish: Infinity };

/**
 * Builds a plan from an order of activities: each is put down where it can start first after all that was put down before it
 * on what it needs. What comes before it in its own job goes down first, whatever the order says, so every order is a plan.
 */
export class Builder {
  private readonly free: Float64Array;
  private readonly last: Int32Array;
  private readonly hint: Int32Array;
  private readonly placed: Uint8Array;
  private readonly put: Int32Array;
  private readonly waiting: Uint8Array;
  private readonly delayed: Float64Array;
  private readonly placeFree: Float64Array;
  private readonly placeLast: Int32Array;
  private readonly stayLast: Int32Array;
  private readonly stayLeft: Int32Array;
  private readonly stayEnd: Float64Array;
  private readonly jobEnd: Float64Array;
  /** Weighted minutes by which each job must be late at least by what is down already, and their sum; more than `most` is given up. */
  private readonly sureLate: Float64Array;
  private sure = 0;
  private most = Infinity;
  private readonly worked: Float64Array;
  private readonly groupFree: Float64Array;
  /** Of a dispatch: the soonest that an activity can start, and exactly when it can after so many were put down. */
  private readonly soonest: Float64Array;
  private readonly exact: Float64Array;
  private readonly exactAt: Int32Array;
  private readonly savedFree: Float64Array;
  private readonly savedLast: Int32Array;
  private readonly savedHint: Int32Array;
  /** What is pinned on each lane, and what a window holds there in this plan. */
  private readonly pinnedOn: (readonly (readonly [Minute, Minute, number])[])[];
  private readonly reserved: (readonly [Minute, Minute, number])[][];
  private readonly laneEnd: Float64Array;
  private readonly chain: { a: number; s: Minute; e: Minute; by: number; lanes: number[] }[] = [];
  private readonly openNow: Float64Array;
  private readonly pinEnd: Float64Array;
  private readonly pinLanes: (readonly number[] | undefined)[];
  private pending: number[] = [];
  private count = 0;
  private out!: Built;
  /** Start and end of the last fit, and what bound it. */
  private s = 0;
  private e = 0;
  private by = -1;
  /** What the lane of the last fit was busy with before it. */
  private clash = -1;
  private readonly picked: number[] = [];
  /** Why the last chain could not be put down, where that is known. */
  private chainWhy = '';
  /** Why a pin cannot stand at all; empty when all can. */
  readonly brokenPins: string;

  constructor(readonly c: Compiled) {
    const lanes = c.lanes.length;
    const n = c.activities.length;
    this.free = new Float64Array(lanes);
    this.last = new Int32Array(lanes);
    this.hint = new Int32Array(lanes);
    this.worked = new Float64Array(lanes);
    this.placed = new Uint8Array(n);
    this.put = new Int32Array(n);
    this.waiting = new Uint8Array(n);
    this.delayed = new Float64Array(n);
    this.placeFree = new Float64Array(c.places);
    this.placeLast = new Int32Array(c.places);
    this.stayLast = new Int32Array(c.staySize.length);
    this.laneEnd = new Float64Array(lanes);
    this.stayLeft = new Int32Array(c.staySize.length);
    this.stayEnd = new Float64Array(c.staySize.length);
    this.jobEnd = new Float64Array(c.jobs.length);
    this.sureLate = new Float64Array(c.jobs.length);
    this.groupFree = new Float64Array(c.groups.length);
    this.soonest = new Float64Array(n);
    this.exact = new Float64Array(n);
    this.exactAt = new Int32Array(n);
    this.savedFree = new Float64Array(c.slots);
    this.savedLast = new Int32Array(c.slots);
    this.savedHint = new Int32Array(c.slots);
    this.openNow = Float64Array.from(c.lanes, (l) => (l.calendar ? openBefore(l.calendar, c.problem.now) : 0));
    this.pinEnd = new Float64Array(n);
    this.pinLanes = c.activities.map(() => undefined);
    this.reserved = c.lanes.map(() => []);
    this.pinnedOn = c.lanes.map(() => []);
    this.brokenPins = this.reserve();
  }

  /** Puts every pinned activity down first, on what it needs. */
  private reserve(): string {
    const { c } = this;
    const reserved = c.lanes.map((): (readonly [Minute, Minute, number])[] => []);
    for (let a = 0; a < c.activities.length; a += 1) {
      const at = c.pinned[a]!;
      if (Number.isNaN(at)) continue;
      const { title } = c.activities[a]!;
      const on: number[] = [];
      let end = at + c.minutes[a]!;
      for (const need of c.needs[a]!) {
        const wish = c.pinnedOn[a];
        const ranked = wish
          ? [...need.lanes].sort((x, y) => Number(wish.includes(y)) - Number(wish.includes(x)))
          : need.lanes;
        let left = need.count;
        for (const lane of ranked) {
          if (left === 0) break;
          if (on.includes(lane)) continue;
          const calendar = c.lanes[lane]!.calendar;
          if (calendar && !startsOpen(calendar, at, c.minutes[a]!, c.pauses[a] === 1)) continue;
          const ends = calendar && c.pauses[a] === 1 ? openEnd(calendar, at, c.minutes[a]!) : at + c.minutes[a]!;
          if (reserved[lane]!.some(([x, y]) => at < y && ends > x)) continue;
          on.push(lane);
          end = Math.max(end, ends);
          left -= 1;
        }
        if (left > 0)
          return `${title} cannot be there: ${this.namesOf(need.lanes)} ${this.closedOrTaken(need.lanes, at)}`;
      }
      this.pinEnd[a] = end;
      this.pinLanes[a] = on;
      for (const lane of on) reserved[lane]!.push([at, end, a]);
    }
    reserved.forEach((list, i) => (this.pinnedOn[i] = list.sort((x, y) => x[0] - y[0])));
    return '';
  }

  private namesOf(lanes: readonly number[]): string {
    return [...new Set(lanes.map((l) => this.c.problem.resources[this.c.lanes[l]!.resource]!.title))].join(' or ');
  }
  private closedOrTaken(lanes: readonly number[], at: Minute): string {
    const closed = lanes.every((l) => {
      const calendar = this.c.lanes[l]!.calendar;
      return calendar !== undefined && (calendar.from[spanAt(calendar, at)] ?? Infinity) > at;
    });
    return closed ? 'is not at work then' : 'is not free for so long then';
  }

  /**
   * Builds the plan of an order into `out`. Its cost is infinite, and `broken` says why, when a window or a pin cannot be kept.
   * @param enough a plan that must cost more than this may be left off in its middle, its cost infinite
   */
  build(order: ArrayLike<number>, out: Built, enough = Infinity): void {
    this.out = out;
    out.broken = this.brokenPins;
    if (this.c.allPlain) {
      this.begin(true);
      const { finish, late } = this.c.goal;
      // Only where the end is all that counts is it known in mid-plan what it must come to.
      const latest = finish > 0 && late === 0 ? this.c.problem.now + enough / finish : Infinity;
      if (this.allPlain(order, latest)) return this.price();
      out.cost = UNFINISHED;
      return;
    }
    this.delayed.fill(0);
    this.most = this.c.goal.late > 0 ? enough / this.c.goal.late : Infinity;
    for (let again = 0; again <= MOST_AGAIN; again += 1) {
      const result = out.broken === '' ? this.once(order) : 'broken';
      if (result === 'built') return this.price();
      if (result === 'broken') break;
      if (again === MOST_AGAIN) out.broken = 'A window cannot be kept in this order';
    }
    out.cost = UNFINISHED;
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

  private once(order: ArrayLike<number>): 'built' | 'again' | 'broken' {
    this.begin();
    for (let i = 0; i < order.length; i += 1) {
      const done = this.process(order[i]!);
      if (done === 'again' || done === 'broken') return done;
      // It costs too much whatever comes: what is left of it need not be built.
      if (this.sure > this.most) return 'broken';
    }
    while (this.pending.length > 0) {
      const before = this.count;
      const result = this.retry();
      if (result !== 'put') return result;
      if (this.count === before) {
        this.out.broken = 'No bench place ever becomes free';
        return 'broken';
      }
    }
    return 'built';
  }

  /** An empty workshop, but for the units that stand at a bench place already. */
  private begin(quick = false): void {
    const { c } = this;
    this.free.fill(c.problem.now);
    this.last.fill(-1);
    this.placed.fill(0);
    this.jobEnd.fill(-Infinity);
    if (quick) return;
    this.hint.fill(0);
    this.worked.fill(0);
    this.laneEnd.fill(-Infinity);
    for (let l = 0; l < this.reserved.length; l += 1) {
      this.reserved[l]!.length = 0;
      for (const r of this.pinnedOn[l]!) this.reserved[l]!.push(r);
    }
    this.sureLate.fill(0);
    this.sure = 0;
    this.waiting.fill(0);
    this.pending = [];
    this.count = 0;
    if (c.places > 0) {
      this.stayLeft.set(c.staySize);
      this.stayEnd.fill(-Infinity);
      this.placeFree.fill(c.problem.now);
      this.placeLast.fill(-1);
      this.out.placeOf.fill(-1);
      for (let j = 0; j < c.jobs.length; j += 1) {
        const at = c.standsAt[j]!;
        const stay = c.firstStay[j]!;
        if (at < 0 || stay < 0) continue;
        this.placeFree[at] = Infinity;
        this.out.placeOf[stay] = at;
      }
    }
  }

  /** All of an order at once, where every activity is plain; {@link plain} is the same for one that is drawn forward. */
  private allPlain(order: ArrayLike<number>, latest: Minute): boolean {
    const { c, free, placed, last, jobEnd } = this;
    const { predAt, predOf, predMin, release, minutes, jobOf, plain, slotAt, tails } = c;
    const { start, end, cause, causeBy, lane: lanes } = this.out;
    for (let i = 0; i < order.length; i += 1) {
      const a = order[i]!;
      if (placed[a] === 1) continue;
      const to = predAt[a + 1]!;
      let lb = release[a]!;
      let why: number = CAUSE.nothing;
      let by = -1;
      for (let k = predAt[a]!; k < to; k += 1) {
        const p = predOf[k]!;
        if (placed[p] === 0) this.plain(p);
        const ready = end[p]! + predMin[k]!;
        if (ready >= lb) {
          lb = ready;
          why = CAUSE.step;
          by = p;
        }
      }
      placed[a] = 1;
      const lane = plain[a]!;
      if (free[lane]! > lb) {
        lb = free[lane]!;
        why = CAUSE.resource;
        by = last[lane]!;
      }
      const e = lb + minutes[a]!;
      if (e + tails[a]! > latest) return false;
      start[a] = lb;
      end[a] = e;
      cause[a] = why;
      causeBy[a] = by;
      free[lane] = e;
      last[lane] = a;
      lanes[slotAt[a]!] = lane;
      const job = jobOf[a]!;
      if (e > jobEnd[job]!) jobEnd[job] = e;
    }
    return true;
  }

  /** Puts a plain activity down: one lane, no hours, no window. */
  private plain(a: number): void {
    const { c, out, free, placed } = this;
    if (placed[a] === 1) return;
    placed[a] = 1;
    const { predOf, predMin } = c;
    const { start, end, cause, causeBy } = out;
    const to = c.predAt[a + 1]!;
    let lb = c.release[a]!;
    let why: number = CAUSE.nothing;
    let by = -1;
    for (let k = c.predAt[a]!; k < to; k += 1) {
      const p = predOf[k]!;
      if (placed[p] === 0) this.plain(p);
      const ready = end[p]! + predMin[k]!;
      if (ready >= lb) {
        lb = ready;
        why = CAUSE.step;
        by = p;
      }
    }
    const lane = c.plain[a]!;
    if (free[lane]! > lb) {
      lb = free[lane]!;
      why = CAUSE.resource;
      by = this.last[lane]!;
    }
    start[a] = lb;
    cause[a] = why;
    causeBy[a] = by;
    const e = lb + c.minutes[a]!;
    end[a] = e;
    free[lane] = e;
    this.last[lane] = a;
    out.lane[c.slotAt[a]!] = lane;
    const job = c.jobOf[a]!;
    if (e > this.jobEnd[job]!) this.jobEnd[job] = e;
  }

  private retry(): 'put' | 'again' | 'broken' {
    const list = this.pending;
    this.pending = [];
    for (const a of list) {
      this.waiting[a] = 0;
      const done = this.process(a);
      if (done === 'again' || done === 'broken') return done;
    }
    return 'put';
  }

  private process(a: number): 'put' | 'later' | 'again' | 'broken' {
    const { c } = this;
    if (this.placed[a] === 1) return 'put';
    const preds = c.preds[a]!;
    for (const p of preds)
      if (this.placed[p.of] !== 1) {
        const done = this.process(p.of);
        if (done === 'later') return this.defer(a);
        if (done !== 'put') return done;
      }
    const stay = c.stayOf[a]!;
    let lb = Math.max(c.release[a]!, this.delayed[a]!);
    let cause: number = lb > c.problem.now ? CAUSE.time : CAUSE.nothing;
    let causeBy = -1;
    for (const p of preds) {
      const ready = this.out.end[p.of]! + p.min;
      if (ready >= lb) {
        lb = ready;
        cause = CAUSE.step;
        causeBy = p.of;
      }
    }
    let taken = -1;
    if (stay >= 0 && this.out.placeOf[stay]! < 0) {
      for (let p = 0; p < c.places; p += 1) if (taken < 0 || this.placeFree[p]! < this.placeFree[taken]!) taken = p;
      if (this.placeFree[taken] === Infinity) return this.defer(a);
      if (this.placeFree[taken]! > lb) {
        lb = this.placeFree[taken]!;
        cause = CAUSE.place;
        causeBy = this.placeLast[taken]!;
      }
    }
    const pin = c.pinned[a]!;
    if (!Number.isNaN(pin) && pin < lb) return this.breaks(a, lb, cause, causeBy);
    if (c.tied[a]! >= 0) {
      if (!this.fitChain(a, Number.isNaN(pin) ? lb : pin)) {
        this.out.broken =
          this.chainWhy ||
          `${c.activities[c.tied[a]!]!.title} cannot follow ${c.activities[a]!.title} within its window`;
        return 'broken';
      }
      this.down(stay, taken);
      // What is tied may hold what is reserved on its lanes only once all of it is down.
      for (const [i, x] of this.chain.slice().entries()) {
        this.s = x.s;
        this.e = x.e;
        this.by = x.by;
        this.picked.length = 0;
        this.picked.push(...x.lanes);
        if (i === 0) this.commit(x.a, cause, causeBy, lb);
        else this.commit(x.a, CAUSE.step, this.put[this.count - 1]!, x.s, true);
      }
      return this.freed(stay);
    }
    if (Number.isNaN(pin)) this.fit(a, lb);
    else this.standPinned(a);
    for (const p of preds)
      if (p.max < Infinity && this.s > this.out.end[p.of]! + p.max + 1e-9) {
        const excess = this.s - this.out.end[p.of]! - p.max;
        if (!Number.isNaN(c.pinned[p.of]!)) {
          this.out.broken = `${c.activities[a]!.title} would come ${Math.round(excess)} min after the window of ${c.activities[p.of]!.title} has closed`;
          return 'broken';
        }
        this.delayed[p.of] = this.out.start[p.of]! + excess;
        // The one just put down is taken up again and put down later; else all is begun again.
        if (this.put[this.count - 1] !== p.of || !this.again(p.of)) return 'again';
        return this.process(a);
      }
    this.down(stay, taken);
    this.commit(a, cause, causeBy, lb);
    return this.freed(stay);
  }

  /** The unit of an activity is put down at a bench place that was found for it. */
  private down(stay: number, taken: number): void {
    if (taken < 0) return;
    this.out.placeOf[stay] = taken;
    this.placeFree[taken] = Infinity;
  }

  /** Once a stay is over, another unit may come to its place. */
  private freed(stay: number): 'put' | 'again' | 'broken' {
    return stay >= 0 && this.stayLeft[stay] === 0 && this.pending.length > 0 ? this.retry() : 'put';
  }

  /** Takes the newest activity up and puts it down at its later time. False when another window would break by that. */
  private again(a: number): boolean {
    const { c, out } = this;
    if (c.stayOf[a]! >= 0 && this.stayLeft[c.stayOf[a]!] === 0) return false;
    for (let k = c.slotAt[a + 1]! - 1; k >= c.slotAt[a]!; k -= 1) {
      const lane = out.lane[k]!;
      this.free[lane] = this.savedFree[k]!;
      this.last[lane] = this.savedLast[k]!;
      this.hint[lane] = this.savedHint[k]!;
      this.worked[lane]! -= c.minutes[a]!;
    }
    const { cause, causeBy } = { cause: out.cause[a]!, causeBy: out.causeBy[a]! };
    if (c.stayOf[a]! >= 0) this.stayLeft[c.stayOf[a]!]! += 1;
    this.count -= 1;
    this.placed[a] = 0;
    this.fit(a, Math.max(this.delayed[a]!, out.start[a]!));
    for (const p of c.preds[a]!) if (this.s > out.end[p.of]! + p.max + 1e-9) return false;
    this.commit(a, cause, causeBy, this.s);
    return true;
  }

  private breaks(a: number, lb: Minute, cause: number, causeBy: number): 'broken' {
    const { c, out } = this;
    const { title, notBeforeWhy } = c.activities[a]!;
    const why =
      cause === CAUSE.step
        ? `${c.activities[causeBy]!.title} comes before it and is not done by then`
        : cause === CAUSE.place
          ? 'no bench place is free by then'
          : (notBeforeWhy ?? 'it cannot begin by then');
    out.broken = `${title} cannot be there: ${why} (${Math.ceil(lb - c.pinned[a]!)} min too early)`;
    return 'broken';
  }

  private defer(a: number): 'later' {
    if (this.waiting[a] === 0) {
      this.waiting[a] = 1;
      this.pending.push(a);
    }
    return 'later';
  }

  private commit(a: number, cause: number, causeBy: number, lb: Minute, held = false): void {
    const { c, out } = this;
    out.start[a] = this.s;
    out.end[a] = this.e;
    const waited = this.s > lb + 1e-9;
    out.cause[a] = !Number.isNaN(c.pinned[a]!) ? CAUSE.pin : waited && this.by >= 0 ? CAUSE.resource : cause;
    out.causeBy[a] = waited && this.by >= 0 ? this.by : causeBy;
    let k = c.slotAt[a]!;
    for (const lane of this.picked) {
      out.lane[k] = lane;
      this.savedFree[k] = this.free[lane]!;
      this.savedLast[k] = this.last[lane]!;
      this.savedHint[k] = this.hint[lane]!;
      k += 1;
      if (held) this.hold(lane, a);
      else if (Number.isNaN(c.pinned[a]!)) {
        this.free[lane] = this.e;
        this.last[lane] = a;
        const calendar = c.lanes[lane]!.calendar;
        if (calendar) this.hint[lane] = spanAt(calendar, this.e, this.hint[lane]);
      }
      if (this.e > this.laneEnd[lane]!) this.laneEnd[lane] = this.e;
      this.worked[lane]! += c.minutes[a]!;
    }
    this.placed[a] = 1;
    this.put[this.count] = a;
    this.count += 1;
    const job = c.jobOf[a]!;
    if (this.e > this.jobEnd[job]!) this.jobEnd[job] = this.e;
    const late = (this.e + c.tails[a]! - c.due[job]!) * c.weight[job]!;
    if (late > this.sureLate[job]!) {
      this.sure += late - this.sureLate[job]!;
      this.sureLate[job] = late;
    }
    const stay = c.stayOf[a]!;
    if (stay >= 0) {
      this.stayLeft[stay]! -= 1;
      if (this.e > this.stayEnd[stay]!) {
        this.stayEnd[stay] = this.e;
        this.stayLast[stay] = a;
      }
      if (this.stayLeft[stay] === 0) {
        this.placeFree[out.placeOf[stay]!] = this.stayEnd[stay]!;
        this.placeLast[out.placeOf[stay]!] = this.stayLast[stay]!;
      }
    }
  }

  /** Keeps a stretch of a lane for what a window ties there: the rest of the plan goes round it. */
  private hold(lane: number, a: number): void {
    const list = this.reserved[lane]!;
    const free = this.free[lane]!;
    let k = 0;
    for (const r of list) if (r[1] > free) list[k++] = r;
    list.length = k;
    list.push([this.s, this.e, a]);
  }

  /**
   * Puts an activity down with all that must follow it within windows: the first of them goes late enough for the others to come
   * in time. False when there is no such time.
   */
  private fitChain(head: number, from: Minute): boolean {
    const { c, chain } = this;
    this.chainWhy = '';
    let lb = from;
    for (let k = 0; k < MOST_STEPS; k += 1) {
      chain.length = 0;
      let excess = 0;
      for (let a = head; a >= 0 && excess === 0; a = c.tied[a]!) {
        const link = c.preds[a]![0];
        const ready = a === head ? lb : Math.max(c.release[a]!, chain.at(-1)!.e + link!.min);
        if (Number.isNaN(c.pinned[a]!)) this.fit(a, ready);
        else if (c.pinned[a]! < ready) {
          this.chainWhy = `${c.activities[a]!.title} cannot be there: ${c.activities[this.chain.at(-1)?.a ?? a]!.title} comes before it and is not done by then`;
          return false;
        } else this.standPinned(a);
        if (!Number.isFinite(this.e)) return false;
        if (a !== head) excess = Math.max(0, this.s - chain.at(-1)!.e - link!.max);
        if (excess < 1e-9) excess = 0;
        chain.push({ a, s: this.s, e: this.e, by: this.by, lanes: [...this.picked] });
      }
      if (excess === 0) return true;
      // Of a chain of three it may be the middle one that is too early: its window is looked at again after the move.
      lb = chain[0]!.s + excess;
      if (!Number.isNaN(c.pinned[head]!)) {
        const { a } = chain.at(-1)!;
        this.chainWhy = `${c.activities[a]!.title} would come ${Math.round(excess)} min after the window of ${c.activities[c.preds[a]![0]!.of]!.title} has closed`;
        return false;
      }
    }
    return false;
  }

  private standPinned(a: number): void {
    this.s = this.c.pinned[a]!;
    this.e = this.pinEnd[a]!;
    this.by = -1;
    this.picked.length = 0;
    this.picked.push(...(this.pinLanes[a] ?? []));
  }

  /** The first start at which one lane can take an activity; its end in `this.e`. */
  private fitLane(lane: number, lb: Minute, minutes: number, pauses: boolean): Minute {
    const calendar = this.c.lanes[lane]!.calendar;
    const reserved = this.reserved[lane]!;
    let s = Math.max(lb, this.free[lane]!);
    this.clash = -1;
    for (let k = 0; k < MOST_STEPS; k += 1) {
      if (calendar) {
        let i = spanAt(calendar, s, this.hint[lane]);
        if (!pauses)
          while (i < calendar.to.length && Math.max(s, calendar.from[i]!) + minutes > calendar.to[i]!) i += 1;
        if (i >= calendar.to.length) return (this.e = Infinity);
        s = Math.max(s, calendar.from[i]!);
        this.e = pauses ? openEnd(calendar, s, minutes, i) : s + minutes;
      } else this.e = s + minutes;
      const clash = reserved.length === 0 ? undefined : reserved.find(([x, y]) => s < y && this.e > x);
      if (!clash) return s;
      s = clash[1];
      this.clash = clash[2];
    }
    return (this.e = Infinity);
  }

  /** What held up an activity that could have begun at `lb` and goes on this lane later; -1 when nothing of the lane did. */
  private heldBy(lane: number, lb: Minute): number {
    const free = this.free[lane]!;
    if (free <= lb) return -1;
    const calendar = this.c.lanes[lane]!.calendar;
    if (!calendar) return this.last[lane]!;
    // A lane that is free again before the shop opens held nothing up: the night did.
    const i = spanAt(calendar, lb);
    return i < calendar.to.length && calendar.from[i]! < free ? this.last[lane]! : -1;
  }

  /** The first start of an activity on the best of what it may have; leaves start, end, lanes and what bound them. */
  private fit(a: number, lb: Minute): void {
    const { c, picked } = this;
    const minutes = c.minutes[a]!;
    const plain = c.plain[a]!;
    picked.length = 0;
    this.by = -1;
    if (plain >= 0) {
      this.s = lb;
      if (this.free[plain]! > lb) {
        this.s = this.free[plain]!;
        this.by = this.last[plain]!;
      }
      this.e = this.s + minutes;
      picked.push(plain);
      return;
    }
    const needs = c.needs[a]!;
    const pauses = c.pauses[a] === 1;
    if (needs.length === 0) {
      this.s = lb;
      this.e = lb + minutes;
      return;
    }
    if (needs.length === 1 && needs[0]!.count === 1) {
      let best = -1;
      let bestS = Infinity;
      let bestE = Infinity;
      let bestBy = -1;
      for (const lane of needs[0]!.lanes) {
        const s = this.fitLane(lane, lb, minutes, pauses);
        // As early; and of two that are as early, the one that was busy last: the other keeps its longer gap.
        if (best < 0 || this.e < bestE || (this.e === bestE && this.free[lane]! > this.free[best]!)) {
          best = lane;
          bestS = s;
          bestE = this.e;
          bestBy = this.clash;
        }
      }
      this.by = bestS > lb ? (bestBy >= 0 ? bestBy : this.heldBy(best, lb)) : -1;
      this.s = bestS;
      this.e = bestE;
      picked.push(best);
      return;
    }
    let t = lb;
    for (let k = 0; k < MOST_STEPS && t < Infinity; k += 1) {
      picked.length = 0;
      let latest = t;
      for (const need of needs)
        for (let of = 0; of < need.count; of += 1) {
          let best = -1;
          let bestS = Infinity;
          let bestBy = -1;
          for (const lane of need.lanes) {
            if (picked.includes(lane)) continue;
            const s = this.fitLane(lane, t, minutes, pauses);
            if (best < 0 || s < bestS || (s === bestS && this.free[lane]! > this.free[best]!)) {
              best = lane;
              bestS = s;
              bestBy = this.clash;
            }
          }
          picked.push(best);
          if (bestS > latest) {
            latest = bestS;
            this.by = bestBy >= 0 ? bestBy : this.heldBy(best, t);
          }
        }
      if (latest > t) {
        t = latest;
        continue;
      }
      const end = this.jointEnd(t, minutes, pauses);
      let clash = -1;
      for (const lane of picked)
        for (const [x, y, by] of this.reserved[lane]!)
          if (t < y && end > x && y > clash) {
            clash = y;
            this.by = by;
          }
      if (clash < 0) {
        this.s = t;
        this.e = end;
        return;
      }
      t = clash;
    }
    this.s = this.e = Infinity;
  }

  /** When work that needs all the picked lanes at once is done: it goes on only while all of them are open. */
  private jointEnd(from: Minute, minutes: number, pauses: boolean): Minute {
    if (!pauses) return from + minutes;
    const calendars: CompiledCalendar[] = [];
    for (const l of this.picked) {
      const calendar = this.c.lanes[l]!.calendar;
      if (calendar && !calendars.includes(calendar)) calendars.push(calendar);
    }
    if (calendars.length === 0) return from + minutes;
    if (calendars.length === 1) return openEnd(calendars[0]!, from, minutes);
    let t = from;
    let left = minutes;
    while (left > 0) {
      let next = t;
      let until = Infinity;
      for (const c of calendars) {
        const i = spanAt(c, t);
        if (i >= c.to.length) return Infinity;
        next = Math.max(next, c.from[i]!);
        until = Math.min(until, c.to[i]!);
      }
      if (next > t) t = next;
      else {
        const take = Math.min(left, until - t);
        left -= take;
        t += take;
      }
    }
    return t;
  }

  private price(): void {
    const { c, out } = this;
    let late = 0;
    let finish = c.problem.now;
    for (let j = 0; j < c.jobs.length; j += 1) {
      const job = c.jobs[j]!;
      const end = this.jobEnd[j]!;
      if (end > finish) finish = end;
      const by = job.due === null || end <= job.due ? 0 : (end - job.due) * job.weight;
      out.lateBy[j] = by;
      late += by;
    }
    let idle = 0;
    if (c.goal.idle > 0)
      for (let l = 0; l < c.lanes.length; l += 1) {
        const { hands, calendar } = c.lanes[l]!;
        const end = this.laneEnd[l]!;
        if (!hands || end === -Infinity) continue;
        const open = calendar ? openBefore(calendar, end) - this.openNow[l]! : end - c.problem.now;
        idle += Math.max(0, open - this.worked[l]!);
      }
    let moved = 0;
    if (c.goal.moved > 0 && c.problem.inForce)
      for (let a = 0; a < c.activities.length; a += 1) {
        const was = c.inForce[a]!;
        if (!Number.isNaN(was)) moved += Math.min(60, Math.abs(out.start[a]! - was));
      }
    const total =
      c.goal.late * late + c.goal.idle * idle + c.goal.moved * moved + c.goal.finish * (finish - c.problem.now);
    out.cost = { total: Number.isFinite(finish) ? total : Infinity, late, idle, moved, finish };
    if (!Number.isFinite(finish)) out.broken = 'The hours of the calendars end before the work does';
  }
}

/** When so many open minutes after a moment are over; Infinity when the calendar ends first. */
function openEnd(c: CompiledCalendar, from: Minute, minutes: number, at = spanAt(c, from)): Minute {
  let left = minutes;
  for (let i = at; i < c.to.length; i += 1) {
    const begin = Math.max(from, c.from[i]!);
    const room = c.to[i]! - begin;
    if (left <= room) return begin + left;
    left -= room;
  }
  return Infinity;
}

function startsOpen(c: CompiledCalendar, at: Minute, minutes: number, pauses: boolean): boolean {
  const i = spanAt(c, at);
  return i < c.to.length && c.from[i]! <= at && (pauses || at + minutes <= c.to[i]!);
}
