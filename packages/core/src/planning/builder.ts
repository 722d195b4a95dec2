import { CAUSE, type Built } from './built.ts';
import { openFromNow, spanAt, type Compiled } from './compiled.ts';
import { Fitter } from './fitter.ts';
import type { Minute, PlanCost } from './types.ts';

/** A plan whose windows cannot be kept in this order is begun again with a later start so many times. */
const MOST_AGAIN = 12;
const UNFINISHED: PlanCost = { total: Infinity, late: Infinity, idle: 0, moved: 0, finish: Infinity };

/**
 * Builds a plan from an order of activities: each is put down where it can start first after all that was put down before it
 * on what it needs. What comes before it in its own job goes down first, whatever the order says, so every order is a plan.
 */
export class Builder {
  readonly fitter: Fitter;
  readonly placed: Uint8Array;
  readonly put: Int32Array;
  private readonly waiting: Uint8Array;
  private readonly delayed: Float64Array;
  readonly placeFree: Float64Array;
  private readonly placeLast: Int32Array;
  private readonly stayLast: Int32Array;
  private readonly stayLeft: Int32Array;
  private readonly stayEnd: Float64Array;
  readonly jobEnd: Float64Array;
  /** Weighted minutes by which each job must be late at least by what is down already, and their sum; more than `most` is given up. */
  private readonly sureLate: Float64Array;
  private sure = 0;
  private most = Infinity;
  private readonly worked: Float64Array;
  /** What the lanes of the newest activity were before it, in the order in which it has them. */
  private readonly lanesBefore: Int32Array;
  private readonly freeBefore: Float64Array;
  private readonly lastBefore: Int32Array;
  private readonly hintBefore: Int32Array;
  private readonly laneEnd: Float64Array;
  private pending: number[] = [];
  count = 0;
  out!: Built;

  constructor(readonly c: Compiled) {
    this.fitter = new Fitter(c);
    const lanes = c.lanes.length;
    const n = c.activities.length;
    this.worked = new Float64Array(lanes);
    const { block } = this.fitter;
    this.placed = block.flags(n);
    this.put = block.indices(n);
    this.waiting = new Uint8Array(n);
    this.delayed = new Float64Array(n);
    this.placeFree = block.numbers(c.places);
    this.placeLast = block.indices(c.places);
    this.stayLast = block.indices(c.staySize.length);
    this.laneEnd = new Float64Array(lanes);
    this.stayLeft = block.indices(c.staySize.length);
    this.stayEnd = block.numbers(c.staySize.length);
    this.jobEnd = block.numbers(c.jobs.length);
    this.sureLate = new Float64Array(c.jobs.length);
    this.lanesBefore = block.indices(lanes);
    this.freeBefore = block.numbers(lanes);
    this.lastBefore = block.indices(lanes);
    this.hintBefore = block.indices(lanes);
  }

  /**
   * Builds the plan of an order into `out`. Its cost is infinite, and `broken` says why, when a window or a pin cannot be kept.
   * @param enough a plan that must cost more than this may be left off in its middle, its cost infinite
   */
  build(order: ArrayLike<number>, out: Built, enough = Infinity): void {
    this.out = out;
    out.broken = this.fitter.brokenPins;
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
  begin(quick = false): void {
    const { c } = this;
    this.fitter.free.fill(c.problem.now);
    this.fitter.last.fill(-1);
    this.placed.fill(0);
    this.jobEnd.fill(-Infinity);
    if (quick) return;
    this.fitter.hint.fill(0);
    this.worked.fill(0);
    this.laneEnd.fill(-Infinity);
    for (let l = 0; l < this.fitter.reserved.length; l += 1) this.fitter.reserved[l] = this.fitter.pinnedOn[l]!;
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

  /** All of an order, where every activity is plain. False when its end must come after `latest`. */
  private allPlain(order: ArrayLike<number>, latest: Minute): boolean {
    for (let i = 0; i < order.length; i += 1)
      if (this.placed[order[i]!] === 0 && !this.plain(order[i]!, latest)) return false;
    return true;
  }

  /** Puts a plain activity down: one lane, no hours, no window; what comes before it first. */
  private plain(a: number, latest: Minute): boolean {
    const { c, out, placed } = this;
    const { free, last } = this.fitter;
    const { predOf, predMin } = c;
    const { start, end, cause, causeBy } = out;
    const to = c.predAt[a + 1]!;
    let lb = c.release[a]!;
    let why: number = CAUSE.nothing;
    let by = -1;
    for (let k = c.predAt[a]!; k < to; k += 1) {
      const p = predOf[k]!;
      if (placed[p] === 0 && !this.plain(p, latest)) return false;
      const ready = end[p]! + predMin[k]!;
      if (ready >= lb) {
        lb = ready;
        why = CAUSE.step;
        by = p;
      }
    }
    placed[a] = 1;
    const lane = c.plain[a]!;
    if (free[lane]! > lb) {
      lb = free[lane]!;
      why = CAUSE.resource;
      by = last[lane]!;
    }
    const e = lb + c.minutes[a]!;
    if (e + c.tails[a]! > latest) return false;
    start[a] = lb;
    end[a] = e;
    cause[a] = why;
    causeBy[a] = by;
    free[lane] = e;
    last[lane] = a;
    out.lane[c.slotAt[a]!] = lane;
    const job = c.jobOf[a]!;
    if (e > this.jobEnd[job]!) this.jobEnd[job] = e;
    return true;
  }

  /** Nothing is put off and nothing waits for a bench place. */
  anew(): void {
    this.delayed.fill(0);
    for (const a of this.pending) this.waiting[a] = 0;
    this.pending = [];
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

  process(a: number): 'put' | 'later' | 'again' | 'broken' {
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
      if (!this.fitter.fitChain(a, Number.isNaN(pin) ? lb : pin)) {
        this.out.broken =
          this.fitter.chainWhy ||
          `${c.activities[c.tied[a]!]!.title} cannot follow ${c.activities[a]!.title} within its window`;
        return 'broken';
      }
      this.down(stay, taken);
      // What is tied may hold what is reserved on its lanes only once all of it is down.
      for (const [i, x] of this.fitter.chain.slice().entries()) {
        this.fitter.s = x.s;
        this.fitter.e = x.e;
        this.fitter.by = x.by;
        this.fitter.picked.length = 0;
        this.fitter.picked.push(...x.lanes);
        if (i === 0) this.commit(x.a, cause, causeBy, lb);
        else this.commit(x.a, CAUSE.step, this.put[this.count - 1]!, x.s, true);
      }
      return this.freed(stay);
    }
    if (Number.isNaN(pin)) this.fitter.fit(a, lb);
    else this.fitter.standPinned(a);
    for (const p of preds)
      if (p.max < Infinity && this.fitter.s > this.out.end[p.of]! + p.max + 1e-9) {
        const excess = this.fitter.s - this.out.end[p.of]! - p.max;
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
    for (let i = c.slotAt[a + 1]! - c.slotAt[a]! - 1; i >= 0; i -= 1) {
      const lane = this.lanesBefore[i]!;
      this.fitter.free[lane] = this.freeBefore[i]!;
      this.fitter.last[lane] = this.lastBefore[i]!;
      this.fitter.hint[lane] = this.hintBefore[i]!;
      this.worked[lane]! -= c.minutes[a]!;
    }
    const { cause, causeBy } = { cause: out.cause[a]!, causeBy: out.causeBy[a]! };
    if (c.stayOf[a]! >= 0) this.stayLeft[c.stayOf[a]!]! += 1;
    this.count -= 1;
    this.placed[a] = 0;
    this.fitter.fit(a, Math.max(this.delayed[a]!, out.start[a]!));
    for (const p of c.preds[a]!) if (this.fitter.s > out.end[p.of]! + p.max + 1e-9) return false;
    this.commit(a, cause, causeBy, this.fitter.s);
    return true;
  }

  /** When an activity could begin for its own job's sake. */
  readyAt(a: number): Minute {
    const { c } = this;
    const pin = c.pinned[a]!;
    if (!Number.isNaN(pin)) return pin;
    let at = c.release[a]!;
    for (let k = c.predAt[a]!; k < c.predAt[a + 1]!; k += 1) {
      const ready = this.out.end[c.predOf[k]!]! + c.predMin[k]!;
      if (ready > at) at = ready;
    }
    return at;
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
    out.start[a] = this.fitter.s;
    out.end[a] = this.fitter.e;
    const waited = this.fitter.s > lb + 1e-9;
    out.cause[a] = !Number.isNaN(c.pinned[a]!) ? CAUSE.pin : waited && this.fitter.by >= 0 ? CAUSE.resource : cause;
    out.causeBy[a] = waited && this.fitter.by >= 0 ? this.fitter.by : causeBy;
    for (let i = 0; i < this.fitter.picked.length; i += 1) {
      const lane = this.fitter.picked[i]!;
      out.lane[c.slotAt[a]! + i] = lane;
      this.lanesBefore[i] = lane;
      this.freeBefore[i] = this.fitter.free[lane]!;
      this.lastBefore[i] = this.fitter.last[lane]!;
      this.hintBefore[i] = this.fitter.hint[lane]!;
      if (held) this.hold(lane, a);
      else if (Number.isNaN(c.pinned[a]!)) {
        this.fitter.free[lane] = this.fitter.e;
        this.fitter.last[lane] = a;
        const calendar = c.lanes[lane]!.calendar;
        if (calendar) this.fitter.hint[lane] = spanAt(calendar, this.fitter.e, this.fitter.hint[lane]);
      }
      if (this.fitter.e > this.laneEnd[lane]!) this.laneEnd[lane] = this.fitter.e;
      this.worked[lane]! += c.minutes[a]!;
    }
    this.placed[a] = 1;
    this.put[this.count] = a;
    this.count += 1;
    const job = c.jobOf[a]!;
    if (this.fitter.e > this.jobEnd[job]!) this.jobEnd[job] = this.fitter.e;
    const late = (this.fitter.e + c.tails[a]! - c.due[job]!) * c.weight[job]!;
    if (late > this.sureLate[job]!) {
      this.sure += late - this.sureLate[job]!;
      this.sureLate[job] = late;
    }
    const stay = c.stayOf[a]!;
    if (stay >= 0) {
      this.stayLeft[stay]! -= 1;
      if (this.fitter.e > this.stayEnd[stay]!) {
        this.stayEnd[stay] = this.fitter.e;
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
    const free = this.fitter.free[lane]!;
    this.fitter.reserved[lane] = [
      ...this.fitter.reserved[lane]!.filter((r) => r[1] > free),
      [this.fitter.s, this.fitter.e, a],
    ];
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
        const end = this.laneEnd[l]!;
        if (!c.lanes[l]!.hands || end === -Infinity) continue;
        idle += Math.max(0, openFromNow(c, l, end) - this.worked[l]!);
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
