import { Block } from './block.ts';
import { spanAt, type Compiled, type CompiledCalendar } from './compiled.ts';
import { openEnd, startsOpen } from './opening.ts';
import type { Minute } from './types.ts';

/** A lane is looked along for so many spans at most. */
const MOST_STEPS = 400;

/** A stretch of a lane that an activity has. */
export type Stretch = readonly [from: Minute, to: Minute, activity: number];

/**
 * Where an activity can start first on what it needs, as the lanes are now: what is free from when, what is pinned and what a window
 * holds. The last fit's start, end, lanes and what bound it are left in fields, since it is asked for thousands of times a second.
 */
export class Fitter {
  /** What building goes on from lies in here. */
  readonly block: Block;
  readonly free: Float64Array;
  readonly last: Int32Array;
  readonly hint: Int32Array;
  /** What is pinned on each lane, and what a window holds there in this plan. */
  readonly pinnedOn: (readonly Stretch[])[];
  readonly reserved: (readonly Stretch[])[];
  private readonly pinEnd: Float64Array;
  private readonly pinLanes: (readonly number[] | undefined)[];
  /** Start and end of the last fit, and what bound it. */
  s = 0;
  e = 0;
  by = -1;
  readonly picked: number[] = [];
  /** Of the last chain: each with its start, its end, what bound it and its lanes. */
  readonly chain: { a: number; s: Minute; e: Minute; by: number; lanes: number[] }[] = [];
  /** Why the last chain could not be put down, where that is known. */
  chainWhy = '';
  /** What the lane of the last fit was busy with before it. */
  private clash = -1;
  /** Why a pin cannot stand at all; empty when all can. */
  readonly brokenPins: string;

  constructor(readonly c: Compiled) {
    const lanes = c.lanes.length;
    this.block = new Block(c);
    this.free = this.block.numbers(lanes);
    this.last = this.block.indices(lanes);
    this.hint = this.block.indices(lanes);
    this.pinEnd = new Float64Array(c.activities.length);
    this.pinLanes = c.activities.map(() => undefined);
    this.reserved = c.lanes.map(() => []);
    this.pinnedOn = c.lanes.map(() => []);
    this.brokenPins = this.reserve();
  }

  /** Puts every pinned activity down first, on what it needs. */
  private reserve(): string {
    const { c } = this;
    const reserved = c.lanes.map((): Stretch[] => []);
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

  standPinned(a: number): void {
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
  fit(a: number, lb: Minute): void {
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

  /**
   * Where an activity goes with all that must follow it within windows: the first of them goes late enough for the others to come
   * in time. False when there is no such time.
   */
  fitChain(head: number, from: Minute): boolean {
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
}
