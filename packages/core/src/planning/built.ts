import type { Block } from './block.ts';
import type { Compiled } from './compiled.ts';
import type { PlanCost } from './types.ts';

/** What bound the start of an activity. */
export const CAUSE = { nothing: 0, step: 1, resource: 2, place: 3, time: 4, pin: 5 } as const;

/** A plan in numbers: where everything stands, and why there. Made once and written over. */
export class Built {
  readonly start: Float64Array;
  readonly end: Float64Array;
  /** Lanes of each activity, from `slotAt`. */
  readonly lane: Int32Array;
  /** Stay → its place. */
  readonly placeOf: Int32Array;
  readonly cause: Uint8Array;
  /** The activity that bound it. */
  readonly causeBy: Int32Array;
  cost: PlanCost = { total: Infinity, late: 0, idle: 0, moved: 0, finish: 0 };
  /** Minutes by which each job is late, weighted. */
  readonly lateBy: Float64Array;
  /** Why it cannot be so; empty when it can. */
  broken: string = '';

  /** @param block where what building goes on from is to lie, else it has memory of its own */
  constructor(c: Compiled, block?: Block) {
    const n = c.activities.length;
    this.start = block?.numbers(n) ?? new Float64Array(n);
    this.end = block?.numbers(n) ?? new Float64Array(n);
    this.lane = new Int32Array(c.slots);
    this.placeOf = block?.indices(c.staySize.length) ?? new Int32Array(c.staySize.length);
    this.cause = new Uint8Array(n);
    this.causeBy = new Int32Array(n);
    this.lateBy = new Float64Array(c.jobs.length);
  }

  /** The same plan, to be kept while this one is written over. */
  copy(c: Compiled): Built {
    const to = new Built(c);
    to.start.set(this.start);
    to.end.set(this.end);
    to.lane.set(this.lane);
    to.placeOf.set(this.placeOf);
    to.cause.set(this.cause);
    to.causeBy.set(this.causeBy);
    to.lateBy.set(this.lateBy);
    to.cost = this.cost;
    to.broken = this.broken;
    return to;
  }
}
