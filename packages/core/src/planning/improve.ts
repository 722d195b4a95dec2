import { lowerBound } from './bound.ts';
import { beamFor, type Beam } from './beam.ts';
import type { Builder } from './builder.ts';
import type { Guide } from './guide.ts';
import { Built } from './built.ts';
import { seeded } from './chance.ts';
import { compile, type Compiled } from './compiled.ts';
import { Moves } from './moves.ts';
import { refuse } from './plan-error.ts';
import { readPlan } from './read-plan.ts';
import type { Plan, PlanProblem } from './types.ts';
import { byPromise, usualPace, WholeJobs } from './whole-jobs.ts';

/** How long to go on: by the clock, or by a number of orders, which gives the same plan every time. */
export type Limit = { readonly seconds: number } | { readonly orders: number };

/** Activities put down between two looks at the clock: some milliseconds' work at most. */
const LOOK = 1000;
/** Of a week: the share of the time in which whole plans are searched for before pieces are moved; of a large shop there are too many pieces (found by trying). */
const WHOLE_JOBS = 0.8;
const WHOLE_JOBS_LARGE = 0.95;
/** A search that found nothing counts as so many pieces: even where none can, it ends. */
const MEANWHILE = 1;
/** Of a week: what an order of pieces may cost above the best, as a share of that, at first and at last. */
const WEEK_HOT = 0.005;
const WEEK_COOL = 0.0005;
/**
 * Of a makespan: the first temperature, against the cost of an average move, when there is time for {@link ENOUGH} orders an activity;
 * with less time it is lower in proportion, down to the last. It ends at an eighth of where it began.
 */
const HOT = 1.2;
const LEAST_HOT = 0.01;
const ENOUGH = 2000;
const COOLS_TO = 0.12;
/** With time for more orders an activity than this it is heated again: an unlucky search does not get better by being long. */
const ROUND = 1500;
/** Share of the time, and of the heat, that goes into a first descent. */
const DESCENT = 0.05;
/** A shop of more activities is large. */
const LARGE = 300;
/** Accepted moves after which an order is sorted by its starts again. */
const SORT = 25;

/**
 * A plan that is good at once and gets better: plans of whole jobs are searched for side by side, see {@link WholeJobs}, then the order
 * of the best one's pieces is annealed (van Laarhoven, Aarts and Lenstra 1992) by the moves of {@link Moves}.
 */
export class Planner {
  private readonly c: Compiled;
  private readonly beam: Beam;
  private readonly builder: Builder;
  private readonly guide: Guide;
  private readonly moves: Moves;
  private now: Built;
  private next: Built;
  private order: Int32Array;
  private trial: Int32Array;
  private best: { readonly order: Int32Array; readonly built: Built };
  private readonly random: () => number;
  private readonly bound: number;
  private jobs: WholeJobs | undefined;
  private tried = 0;
  private accepted = 0;

  /**
   * Builds the first plan.
   * @throws PlanError when the problem cannot be planned, or its pins cannot be kept
   */
  constructor(problem: PlanProblem, seed = 1) {
    this.c = compile(problem);
    this.beam = beamFor(this.c);
    this.builder = this.beam.builder;
    this.guide = this.beam.half.guide;
    this.random = seeded(seed);
    this.moves = new Moves(this.c, this.random);
    this.now = new Built(this.c);
    this.next = new Built(this.c);
    this.order = this.first();
    this.trial = new Int32Array(this.order.length);
    this.tidy();
    this.best = { order: this.order.slice(), built: this.now.copy(this.c) };
    this.bound = lowerBound(this.c);
    if (this.now.broken !== '')
      refuse('cannot-be-kept', 'pins', problem.pins, 'pins and windows that can be kept together', this.now.broken);
  }

  /** The best of several ways to begin: as in force, by the latest start that keeps the promise, by what is left to do, and by whole jobs. */
  private first(): Int32Array {
    const { c, beam, builder, guide } = this;
    const left = Float64Array.from(c.minutes, (m, a) => m + c.tails[a]!);
    const latest = left.map((t, a) => {
      const j = c.jobOf[a]!;
      return (c.due[j] === Infinity ? c.problem.now + 1e6 : c.due[j]!) - t / Math.max(0.1, c.weight[j]!);
    });
    const inForce = c.problem.inForce && c.inForce.map((s, a) => (Number.isNaN(s) ? latest[a]! : s));
    const small = c.activities.length <= LARGE;
    let chosen: Int32Array | undefined;
    let cost = Infinity;
    const look = (order: Int32Array | undefined): void => {
      if (!order) return;
      builder.build(order, this.next);
      this.tried += 1;
      if (chosen && this.next.cost.total >= cost) return;
      chosen = order;
      cost = this.next.cost.total;
      [this.now, this.next] = [this.next, this.now];
    };
    if (inForce) look(sorted(inForce));
    // A large shop must be there at once: the plan in force has to do, or one that whole jobs are put down to.
    if (small || !this.wholeJobs) {
      look(sorted(latest));
      look(sorted(left.map((t) => -t)));
    }
    if (this.wholeJobs && (small || !chosen)) look(beam.search(byPromise(c), { pace: usualPace(c, guide), width: 1 }));
    if (!chosen) look(sorted(latest));
    return chosen!;
  }

  /** Orders of whole jobs say something: there are several, and hands that do them. */
  private get wholeJobs(): boolean {
    return this.c.goal.late > 0 && this.c.jobs.length > 1 && this.guide.total > 0;
  }

  /**
   * Goes on improving until the limit, or until nothing can be better.
   * @param stop is asked now and then; the best so far stays
   */
  improve(limit: Limit, stop: () => boolean = () => false): void {
    if (this.order.length < 2) return;
    const timed = 'seconds' in limit;
    const begun = performance.now();
    const share = (done: number): number =>
      timed ? (performance.now() - begun) / (limit.seconds * 1000) : done / limit.orders;
    if (this.c.goal.late > 0) this.improveWeek(share, timed ? undefined : limit.orders, stop);
    else this.improveFinish(share, timed ? undefined : limit.orders, stop);
    this.from(this.best);
  }

  /** A week: whole jobs first, then their pieces. What is allowed is a share of the cost, whose size changes as promises come to hold. */
  private improveWeek(share: (done: number) => number, limit: number | undefined, stop: () => boolean): void {
    let done = 0;
    const n = this.order.length;
    if (this.wholeJobs) {
      // Gone on with when it is improved again: what was learned stays.
      this.jobs ??= new WholeJobs(this.c, this.beam, this.random);
      const { jobs } = this;
      jobs.goOnFrom(this.best.order, this.best.built);
      const goOn = (looked: number): boolean => {
        done += looked / n;
        return share(done) < (n > LARGE ? WHOLE_JOBS_LARGE : WHOLE_JOBS) && !this.over(stop);
      };
      while (goOn(MEANWHILE)) {
        const order = jobs.search(goOn);
        if (!order) continue;
        this.tried += 1;
        this.trial.set(order);
        this.builder.build(order, this.next);
        if (this.next.cost.total < this.best.built.cost.total) {
          this.swap();
          jobs.goOnFrom(this.order, this.now);
        }
      }
      this.from(this.best);
    }
    const from = share(done);
    const look = Math.max(1, Math.floor(LOOK / n));
    // A small shop has time to be looked through as a makespan is: from what an average move costs.
    const tried = this.tried;
    const heat = n > LARGE ? 0 : this.sample(() => share(done) >= 1 || stop());
    let at = share(done);
    const orders = (1 - from) * (limit ?? (this.tried - tried) / Math.max(1e-6, at - from));
    const hot = HOT * Math.min(1, orders / n / ENOUGH) * heat;
    for (let k = 0; at < 1; k += 1) {
      if (k % look === 0) {
        at = share(done + k);
        if (this.over(stop)) return;
      }
      const cooled = (at - from) / Math.max(1e-9, 1 - from);
      const least = WEEK_HOT * (WEEK_COOL / WEEK_HOT) ** cooled * this.best.built.cost.total;
      this.step(Math.max(least, hot * COOLS_TO ** cooled));
    }
  }

  /** The last end alone: annealed from what an average move costs. */
  private improveFinish(share: (done: number) => number, orders: number | undefined, stop: () => boolean): void {
    const n = this.order.length;
    const look = Math.max(1, Math.floor(LOOK / n));
    const heat = this.sample(() => share(0) >= 1 || stop());
    let hot = heat;
    let warmed = false;
    let rounds = 1;
    let round = 0;
    let at = 0;
    for (let done = 0; ; done += 1) {
      if (orders !== undefined || done % look === 0) at = share(done);
      if (at >= 1 || (done % look === 0 && this.over(stop))) return;
      // A short descent first: what is easily had is had at once.
      if (at >= DESCENT && !warmed) {
        warmed = true;
        // How many orders there is time for is known from those of the descent, once the machine has found its pace.
        const each = (orders ?? done / at) / n;
        hot = heat * Math.max(LEAST_HOT, HOT * Math.min(1, each / ENOUGH));
        rounds = Math.max(1, Math.floor(each / ROUND));
        this.from(this.best);
      }
      // Each round goes on from the best so far, not from where the one before it cooled down.
      if (warmed && Math.floor(at * rounds) > round) {
        round = Math.floor(at * rounds);
        this.from(this.best);
      }
      this.step(warmed ? hot * COOLS_TO ** ((at * rounds) % 1) : heat * DESCENT);
    }
  }

  /** Nothing can be better, or it is to stop. */
  private over(stop: () => boolean): boolean {
    return this.best.built.cost.total <= this.bound + 1e-6 || stop();
  }

  /** Tries one neighbour; it is gone on from when it costs less, or by chance no more than the temperature allows. */
  private step(temperature: number): void {
    this.tried += 1;
    if (!this.moves.make(this.order, this.now, this.trial)) return;
    // The chance is drawn first: so it is known beforehand what would be taken, and the rest need not be built to its end.
    const most = this.now.cost.total - temperature * Math.log(1 - this.random());
    this.builder.build(this.trial, this.next, most);
    if (this.next.cost.total > most) return;
    this.swap();
    this.accepted += 1;
    if (this.c.allPlain) this.sort();
    else if (this.accepted % SORT === 0) {
      this.tidy();
      this.keep();
    }
  }

  /** What was tried is what is gone on from. */
  private swap(): void {
    [this.now, this.next] = [this.next, this.now];
    [this.order, this.trial] = [this.trial, this.order];
    this.keep();
  }

  private keep(): void {
    if (this.now.cost.total >= this.best.built.cost.total - 1e-9) return;
    this.best = { order: this.order.slice(), built: this.now.copy(this.c) };
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
      if (!this.moves.make(this.order, this.now, this.trial)) continue;
      this.builder.build(this.trial, this.next);
      this.tried += 1;
      const more = Math.abs(this.next.cost.total - this.now.cost.total);
      if (!Number.isFinite(more) || more === 0) continue;
      sum += more;
      n += 1;
    }
    return n === 0 ? 1 : sum / n;
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
    return readPlan(this.c, this.best.built, this.bound, this.tried);
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

const sorted = (by: Float64Array): Int32Array =>
  Int32Array.from(Array.from(by, (_, a) => a).sort((x, y) => by[x]! - by[y]! || x - y));
