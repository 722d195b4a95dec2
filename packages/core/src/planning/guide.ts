import { openFromNow, type Compiled } from './compiled.ts';
import type { Minute } from './types.ts';

/** Hand minutes from one entry of the clock to the next. */
const STEP = 10;
/** A minute that a unit is thought to be done before its part can be here counts so much: it would hold a bench place until then (found by trying). */
const EARLY = 0.3;

/** What is known of a shop's pace: learned from the best plans that were built. */
export interface Pace {
  /** Minutes of work in a minute that a pair of hands is open, all in all. */
  readonly busy: number;
  /** Hand minutes that a whole job ends after the work before it is done, since several are under way at once. */
  readonly lag: number;
}

/** How far the jobs have come. */
export interface Progress {
  /** Hand minutes that are gone. */
  readonly gone: number;
  /** Hand minutes that are left of each job; below nothing when all of it is down. */
  readonly left: Float64Array;
  /** When what is down of each job ends. */
  readonly jobEnd: Float64Array;
}

/**
 * Tells what a plan that is half built will come to: hands do what is left of the jobs by their ranks, at the shop's pace, as if the
 * shop were one machine. No more than a guide, but one that sees next week's promises today.
 */
export class Guide {
  /** Hand minutes of each activity, of each job and in all; a pair of hands open for a minute is one. */
  readonly work: Float64Array;
  readonly jobWork: Float64Array;
  readonly total: number;
  /** Lanes that are hands. */
  readonly hands: readonly number[];
  /** When so many steps of hand minutes from now are over. */
  private readonly clock: Float64Array;
  /** The soonest that each job can end for what it waits for from outside. */
  private readonly soonest: Float64Array;

  constructor(private readonly c: Compiled) {
    this.hands = c.lanes.flatMap((l, i) => (l.hands ? [i] : []));
    this.work = Float64Array.from(c.needs, (list, a) =>
      list.reduce((sum, need) => sum + (c.lanes[need.lanes[0]!]!.hands ? need.count * c.minutes[a]! : 0), 0),
    );
    this.jobWork = new Float64Array(c.jobs.length);
    this.work.forEach((m, a) => (this.jobWork[c.jobOf[a]!]! += m));
    this.total = this.jobWork.reduce((a, b) => a + b, 0);
    this.soonest = new Float64Array(c.jobs.length).fill(-Infinity);
    c.release.forEach((r, a) => {
      const end = r + c.minutes[a]! + c.tails[a]!;
      if (end > this.soonest[c.jobOf[a]!]!) this.soonest[c.jobOf[a]!] = end;
    });
    this.clock = this.clockOf();
  }

  /** Hand minutes from now to a moment, all pairs of hands together. */
  handMinutesOfAll(t: Minute): number {
    return this.hands.reduce((sum, lane) => sum + openFromNow(this.c, lane, t), 0);
  }

  /**
   * Weighted minutes by which what is not done yet will be late, see {@link lateOf}.
   * @param ranked jobs in the order in which they are thought to be done
   * @param count so many of them
   */
  late(ranked: ArrayLike<number>, count: number, progress: Progress, pace: Pace): number {
    let at = progress.gone;
    let sum = 0;
    for (let i = 0; i < count; i += 1) {
      const j = ranked[i]!;
      at += this.takes(j, progress, pace);
      sum += this.lateOf(j, at, progress, pace);
    }
    return sum;
  }

  /** Hand minutes that go by for what is left of a job. */
  takes(j: number, { left }: Progress, pace: Pace): number {
    const mine = left[j]!;
    return mine > 0 ? mine / pace.busy : 0;
  }

  /**
   * Weighted minutes by which a job will be late, when the work of all jobs up to it is done after so many hand minutes; and what it
   * counts that it is thought to be done before its part can be here.
   */
  lateOf(j: number, at: number, { left, jobEnd }: Progress, pace: Pace): number {
    const { clock, soonest } = this;
    const mine = left[j]!;
    let end = jobEnd[j]!;
    let early = 0;
    if (mine >= 0) {
      const last = clock.length - 1;
      const k = (at + (mine > 0 ? (pace.lag * mine) / this.jobWork[j]! : 0)) / STEP;
      const then = clock[k < last ? Math.floor(k) : last]!;
      if (then > end) end = then;
      if (soonest[j]! > end) {
        early = EARLY * (soonest[j]! - end);
        end = soonest[j]!;
      }
    }
    const by = end - this.c.due[j]!;
    return by > 0 ? by * this.c.weight[j]! + early : early;
  }

  /** The clock by hand minutes, all pairs of hands together, far enough for the work at half the pace. */
  private clockOf(): Float64Array {
    const { now } = this.c.problem;
    const clock = new Float64Array(2 + Math.ceil((2 * this.total + 2000) / STEP));
    const turns: (readonly [at: Minute, hands: number])[] = [];
    for (const lane of this.hands) {
      const calendar = this.c.lanes[lane]!.calendar;
      if (!calendar) turns.push([now, 1]);
      else
        for (let i = 0; i < calendar.to.length; i += 1)
          if (calendar.to[i]! > now) turns.push([Math.max(now, calendar.from[i]!), 1], [calendar.to[i]!, -1]);
    }
    turns.sort((a, b) => a[0] - b[0]);
    let gone = 0;
    let open = 0;
    let k = 0;
    for (const [i, [at, by]] of turns.entries()) {
      open += by;
      if (open === 0) continue;
      const until = turns[i + 1]?.[0] ?? Infinity;
      for (; k < clock.length && k * STEP <= gone + open * (until - at); k += 1)
        clock[k] = at + (k * STEP - gone) / open;
      gone += open * (until - at);
    }
    // After the last hours that are known time goes on as if always open: such a plan is refused when it is built.
    for (; k < clock.length; k += 1) clock[k] = (k > 0 ? clock[k - 1]! : now) + STEP;
    return clock;
  }
}
