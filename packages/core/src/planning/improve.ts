import { lowerBound } from './bound.ts';
import { Builder, Built, CAUSE } from './builder.ts';
import { seeded } from './chance.ts';
import { compile, type Compiled } from './compiled.ts';
import { refuse } from './plan-error.ts';
import type { Plan, PlanProblem, Slot, WaitsFor } from './types.ts';

/** How long to go on: by the clock, or by a number of orders, which gives the same plan every time. */
export type Limit = { readonly seconds: number } | { readonly orders: number };

/** Activities put down between two looks at the clock: some milliseconds' work at most. */
const LOOK = 1000;
/**
 * The first temperature, against the cost of an average move, when there is time for {@link ENOUGH} orders an activity; with less
 * time it is lower in proportion, down to the last: a large shop is only descended. It ends at an eighth of where it began.
 */
const HOT = 1.2;
const LEAST_HOT = 0.01;
const ENOUGH = 2000;
const COOLS_TO = 0.12;
/** Share of the time, and of the heat, that goes into a first descent. */
const DESCENT = 0.05;
/** A shop of more activities is large. */
const LARGE = 300;
/** Accepted moves after which an order is sorted by its starts again. */
const SORT = 25;

/**
 * A plan that is good at once and gets better: simulated annealing over orders. A move takes an activity that holds the late
 * ones back, at a border of its block on what it waits for, and puts it before the one that had it (neighbourhood of Nowicki
 * and Smutnicki 1996; annealing of van Laarhoven, Aarts and Lenstra 1992).
 */
export class Planner {
  private readonly c: Compiled;
  private readonly builder: Builder;
  private now: Built;
  private next: Built;
  private order: Int32Array;
  private trial: Int32Array;
  private best: { readonly order: Int32Array; readonly built: Built };
  private readonly random: () => number;
  private readonly bound: number;
  private tried = 0;
  private accepted = 0;
  /** Share of moves along a critical path: where only the end counts nearly all, else whole jobs are moved too. */
  private readonly alongPath: number;
  private readonly behind: Int32Array;

  /**
   * Builds the first plan.
   * @throws PlanError when the problem cannot be planned, or its pins cannot be kept
   */
  constructor(problem: PlanProblem, seed = 1) {
    this.c = compile(problem);
    this.builder = new Builder(this.c);
    this.random = seeded(seed);
    this.now = new Built(this.c);
    this.next = new Built(this.c);
    this.alongPath = this.c.goal.finish > 0 ? 0.99 : 0.6;
    this.order = this.first();
    this.trial = new Int32Array(this.order.length);
    this.behind = new Int32Array(this.order.length);
    this.tidy();
    this.best = { order: this.order.slice(), built: copy(this.c, this.now) };
    this.bound = lowerBound(this.c);
    if (this.now.broken !== '')
      refuse('cannot-be-kept', 'pins', problem.pins, 'pins and windows that can be kept together', this.now.broken);
  }

  /** The best of several ways to begin: by the latest start that keeps the promise, by what is left to do, as in force. */
  private first(): Int32Array {
    const { c } = this;
    const tail = new Float64Array(c.activities.length);
    for (let a = c.activities.length - 1; a >= 0; a -= 1) this.tailOf(a, tail);
    const latest = Float64Array.from(tail, (t, a) => {
      const job = c.jobs[c.jobOf[a]!]!;
      return (job.due ?? c.problem.now + 1e6) - t / Math.max(0.1, job.weight);
    });
    // What is left of the whole job against its weight: short and weighty ones first, where not all can be in time.
    const work = new Float64Array(c.jobs.length);
    c.minutes.forEach((m, a) => (work[c.jobOf[a]!]! += m));
    const short = Float64Array.from(tail, (t, a) => {
      const j = c.jobOf[a]!;
      return work[j]! / Math.max(0.1, c.jobs[j]!.weight) - t * 1e-3;
    });
    const ways = [latest, short, Float64Array.from(tail, (t) => -t)];
    if (c.problem.inForce) ways.push(Float64Array.from(c.inForce, (s, a) => (Number.isNaN(s) ? latest[a]! : s)));
    let chosen: Int32Array | undefined;
    let cost = Infinity;
    // A large shop must be there at once: two ways have to do, or the plan in force alone.
    const looked = c.activities.length <= LARGE ? ways : c.problem.inForce ? ways.slice(-1) : ways.slice(0, 2);
    for (const way of looked)
      for (const order of [this.builder.dispatch(way, this.next), ...(looked === ways ? [sorted(way)] : [])]) {
        this.builder.build(order, this.next);
        this.tried += 1;
        if (chosen && this.next.cost.total >= cost) continue;
        chosen = order;
        cost = this.next.cost.total;
        [this.now, this.next] = [this.next, this.now];
      }
    return chosen!;
  }

  private tailOf(a: number, tail: Float64Array): number {
    if (tail[a]! > 0) return tail[a]!;
    let after = 0;
    for (const s of this.c.succs[a]!) after = Math.max(after, this.tailOf(s, tail));
    return (tail[a] = this.c.minutes[a]! + after + 1e-6);
  }

  /**
   * Goes on improving until the limit, or until nothing can be better.
   * @param stop is asked now and then; the best so far stays
   */
  improve(limit: Limit, stop: () => boolean = () => false): void {
    const n = this.order.length;
    if (n < 2) return;
    const timed = 'seconds' in limit;
    const look = Math.max(1, Math.floor(LOOK / n));
    const begun = performance.now();
    const share = (done: number): number =>
      timed ? (performance.now() - begun) / (limit.seconds * 1000) : done / limit.orders;
    const heat = this.sample(() => share(0) >= 1 || stop());
    let hot = heat;
    let done = 0;
    let warmed = false;
    let at = 0;
    for (;;) {
      if (!timed || done % look === 0) at = share(done);
      if (at >= 1 || (done % look === 0 && stop()) || this.best.built.cost.total <= this.bound + 1e-6) break;
      // A short descent first: what is easily had is had at once.
      if (at >= DESCENT && !warmed) {
        warmed = true;
        // How many orders there is time for is known from those of the descent, once the machine has found its pace.
        const orders = timed ? done / at : limit.orders;
        hot = heat * Math.max(LEAST_HOT, HOT * Math.min(1, orders / n / ENOUGH));
        this.from(this.best);
      }
      const t = warmed ? hot * COOLS_TO ** at : heat * DESCENT;
      done += 1;
      this.tried += 1;
      if (!this.move()) continue;
      // The chance is drawn first: so it is known beforehand what would be taken, and the rest need not be built to its end.
      const most = this.now.cost.total - t * Math.log(1 - this.random());
      this.builder.build(this.trial, this.next, most);
      if (this.next.cost.total <= most) this.take();
    }
    this.from(this.best);
  }

  private take(): void {
    [this.now, this.next] = [this.next, this.now];
    [this.order, this.trial] = [this.trial, this.order];
    this.accepted += 1;
    if (this.c.allPlain) this.sort();
    else if (this.accepted % SORT === 0) this.tidy();
    if (this.now.cost.total >= this.best.built.cost.total - 1e-9) return;
    this.best = { order: this.order.slice(), built: copy(this.c, this.now) };
  }

  /** Sorts the order, unless its plan then is another and a worse one: which hands take what may change by it. */
  private tidy(): void {
    this.trial.set(this.order);
    this.sort();
    this.builder.build(this.order, this.next);
    if (this.next.cost.total <= this.now.cost.total + 1e-9) [this.now, this.next] = [this.next, this.now];
    else [this.order, this.trial] = [this.trial, this.order];
  }

  private from(best: { readonly order: Int32Array }): void {
    this.order.set(best.order);
    this.builder.build(this.order, this.now);
  }

  /** What an average move costs: from that the first temperature comes. */
  private sample(enough: () => boolean): number {
    let sum = 0;
    let n = 0;
    for (let k = 0; k < 30 && !enough(); k += 1) {
      if (!this.move()) continue;
      this.builder.build(this.trial, this.next);
      this.tried += 1;
      const more = Math.abs(this.next.cost.total - this.now.cost.total);
      if (!Number.isFinite(more) || more === 0) continue;
      sum += more;
      n += 1;
    }
    return n === 0 ? 1 : sum / n;
  }

  /** Puts a neighbour of the order into `trial`. False when there was none to be found. */
  private move(): boolean {
    const { random, order, c } = this;
    if (random() < this.alongPath) {
      const pair = this.critical();
      if (pair) return this.after(pair[0], pair[1]);
    }
    if (random() < 0.3) return this.forward(this.costly(), 0.5 + 0.5 * random());
    // Any two of different jobs, near each other or not.
    const n = order.length;
    const i = Math.floor(random() * (n - 1));
    const far = random() < 0.7 ? 12 : n;
    const j = Math.min(n - 1, i + 1 + Math.floor(random() * far));
    return c.jobOf[order[i]!] !== c.jobOf[order[j]!] && this.after(order[i]!, order[j]!);
  }

  /** Two activities, one after the other on what both need, on a path that holds back what costs. */
  private critical(): readonly [number, number] | undefined {
    const { c, now, random } = this;
    let a = this.lastOf(this.costly());
    const links: (readonly [number, number])[] = [];
    let inner = false;
    for (let k = 0; k < 4000; k += 1) {
      const cause = now.cause[a]!;
      if (cause === CAUSE.resource) {
        const by = now.causeBy[a]!;
        // Within a block nothing is won by changing places: only at its borders.
        const first = now.cause[by] !== CAUSE.resource;
        if (!inner || first || random() < 0.1) links.push([by, a]);
        inner = true;
        a = by;
      } else if (cause === CAUSE.step) {
        inner = false;
        a = now.causeBy[a]!;
      } else if (cause === CAUSE.place) {
        inner = false;
        links.push([now.causeBy[a]!, a]);
        a = now.causeBy[a]!;
      } else break;
    }
    if (links.length === 0) return undefined;
    const pick = links[Math.floor(random() * links.length)]!;
    // What a window ties goes where the first of it goes.
    return c.jobOf[pick[0]] === c.jobOf[pick[1]] ? undefined : [c.headOf[pick[0]]!, c.headOf[pick[1]]!];
  }

  /** A job that costs: a late one by its share, else the one that ends last, else any. */
  private costly(): number {
    const { c, now, random } = this;
    if (c.goal.late > 0 && now.cost.late > 0 && random() < 0.99) {
      let at = random() * now.cost.late;
      for (let j = 0; j < c.jobs.length; j += 1) if ((at -= now.lateBy[j]!) <= 0) return j;
    }
    if (c.goal.finish > 0) {
      for (let a = 0; a < now.end.length; a += 1) if (now.end[a] === now.cost.finish) return c.jobOf[a]!;
    }
    return Math.floor(random() * c.jobs.length);
  }

  /** The activity of a job that ends last. */
  private lastOf(job: number): number {
    const { c, now } = this;
    let last = -1;
    for (let a = 0; a < now.end.length; a += 1)
      if (c.jobOf[a] === job && (last < 0 || now.end[a]! >= now.end[last]!)) last = a;
    return Math.max(0, last);
  }

  /**
   * The order with `u` right after `v`, in `trial`: what follows `u` in its own job comes along, since it would only draw `u` back.
   * False when `u` does not stand before `v`.
   */
  private after(u: number, v: number): boolean {
    const { c, order, trial } = this;
    const iu = order.indexOf(u);
    const iv = order.indexOf(v, iu + 1);
    if (iv < 0) return false;
    const job = c.jobOf[u]!;
    const behind = this.behind;
    let at = iu;
    let n = 0;
    for (let i = 0; i < iu; i += 1) trial[i] = order[i]!;
    for (let i = iu; i < iv; i += 1) {
      const a = order[i]!;
      if (c.jobOf[a] === job) behind[n++] = a;
      else trial[at++] = a;
    }
    trial[at++] = v;
    for (let i = 0; i < n; i += 1) trial[at++] = behind[i]!;
    for (let i = at; i < order.length; i += 1) trial[i] = order[i]!;
    return true;
  }

  /** The order with everything of a job that much nearer to the front, in `trial`. */
  private forward(job: number, by: number): boolean {
    const { c, order, trial } = this;
    const n = order.length;
    const to: number[] = [];
    const mine: number[] = [];
    for (let i = 0; i < n; i += 1)
      if (c.jobOf[order[i]!] === job) {
        to.push(Math.floor(i * by));
        mine.push(order[i]!);
      }
    let k = 0;
    let at = 0;
    for (let i = 0; i < n; i += 1) {
      if (c.jobOf[order[i]!] === job) continue;
      while (k < mine.length && to[k]! <= at) trial[at++] = mine[k++]!;
      trial[at++] = order[i]!;
    }
    while (k < mine.length) trial[at++] = mine[k++]!;
    return true;
  }

  /** Puts the order by starts, so that what stands between two activities is what lies between them in time. */
  private sort(): void {
    const { order, now } = this;
    const { start } = now;
    for (let i = 1; i < order.length; i += 1) {
      const a = order[i]!;
      const s = start[a]!;
      let k = i - 1;
      for (; k >= 0 && start[order[k]!]! > s; k -= 1) order[k + 1] = order[k]!;
      order[k + 1] = a;
    }
  }

  /** The best plan so far. */
  plan(): Plan {
    const { c, bound } = this;
    const { built } = this.best;
    const slots: Record<string, Slot> = {};
    const waits: Record<string, WaitsFor> = {};
    const title = (l: number): string => c.problem.resources[c.lanes[l]!.resource]!.id;
    c.activities.forEach((a, i) => {
      const place = c.stayOf[i]! >= 0 ? c.problem.places[built.placeOf[c.stayOf[i]!]!] : undefined;
      const on = Array.from(built.lane.subarray(c.slotAt[i]!, c.slotAt[i + 1]!), title);
      slots[a.id] = { start: built.start[i]!, end: built.end[i]!, on, ...(place === undefined ? {} : { place }) };
      waits[a.id] = waitOf(c, built, i);
    });
    const { cost } = built;
    return {
      slots,
      cost,
      lowerBound: bound,
      gap: cost.total <= bound + 1e-6 ? 0 : (cost.total - bound) / cost.total,
      waits,
      tried: this.tried,
    };
  }

  /** Activities in the order of the best plan, by their ids: what a later plan may begin from. */
  orderOf(): readonly string[] {
    return Array.from(this.best.order, (a) => this.c.activities[a]!.id);
  }
}

/** Plans: a first plan at once, improved until the limit. @throws PlanError as {@link Planner} */
export function plan(problem: PlanProblem, limit: Limit, seed = 1): Plan {
  const planner = new Planner(problem, seed);
  planner.improve(limit);
  return planner.plan();
}

function waitOf(c: Compiled, built: Built, i: number): WaitsFor {
  const by = built.causeBy[i]!;
  switch (built.cause[i]) {
    case CAUSE.step:
      return { for: 'step', activity: c.activities[by]!.id };
    case CAUSE.resource: {
      const lanes = built.lane.subarray(c.slotAt[i]!, c.slotAt[i + 1]!);
      const theirs = built.lane.subarray(c.slotAt[by]!, c.slotAt[by + 1]!);
      const shared = lanes.find((l) => theirs.includes(l)) ?? lanes[0]!;
      return {
        for: 'resource',
        resource: c.problem.resources[c.lanes[shared]!.resource]!.id,
        activity: c.activities[by]!.id,
      };
    }
    case CAUSE.place:
      return { for: 'place', activity: c.activities[by]!.id };
    case CAUSE.time:
      return { for: 'time', until: c.release[i]!, why: c.activities[i]!.notBeforeWhy ?? 'it is released then' };
    case CAUSE.pin:
      return { for: 'pin' };
    default:
      return { for: 'nothing' };
  }
}

const sorted = (by: Float64Array): Int32Array =>
  Int32Array.from(Array.from(by, (_, a) => a).sort((x, y) => by[x]! - by[y]! || x - y));

function copy(c: Compiled, from: Built): Built {
  const to = new Built(c);
  to.start.set(from.start);
  to.end.set(from.end);
  to.lane.set(from.lane);
  to.placeOf.set(from.placeOf);
  to.cause.set(from.cause);
  to.causeBy.set(from.causeBy);
  to.lateBy.set(from.lateBy);
  to.cost = from.cost;
  to.broken = from.broken;
  return to;
}
