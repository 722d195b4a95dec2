import { CAUSE, type Built } from './built.ts';
import type { Compiled } from './compiled.ts';

/** Share of moves along a path that holds back what costs: where only the last end counts nearly all. */
const ALONG_PATH_FINISH = 0.99;
const ALONG_PATH = 0.6;
/** Of a week's moves, those in which two jobs change their turns, and those in which a whole job is moved to another time. */
const EXCHANGES = 0.1;
const SHIFTS = 0.1;
/** How far a whole job is moved, as a share of all places. */
const SHIFT_FAR = 0.3;
/** Of the rest, those that bring a job nearer to the front. */
const FORWARD = 0.3;
/** When nothing is late any more: half of the moves look at who keeps the hands at work the longest. */
const LAST_AT_WORK = 0.5;

/**
 * Neighbours of an order. A move takes an activity that holds the late ones back, at a border of its block on what it waits for, and
 * puts it after the one that it held back (neighbourhood of Nowicki and Smutnicki 1996); or it moves whole jobs.
 */
export class Moves {
  private readonly behind: Int32Array;
  private order!: Int32Array;
  private trial!: Int32Array;
  private now!: Built;

  constructor(
    private readonly c: Compiled,
    private readonly random: () => number,
  ) {
    this.behind = new Int32Array(c.activities.length);
  }

  /** Puts a neighbour of an order, whose plan is `now`, into `trial`. False when there was none to be found. */
  make(order: Int32Array, now: Built, trial: Int32Array): boolean {
    this.order = order;
    this.now = now;
    this.trial = trial;
    const { c, random } = this;
    const week = c.goal.late > 0;
    if (week && random() < EXCHANGES) return this.exchange();
    if (week && random() < SHIFTS) return this.shift(Math.floor(random() * c.jobs.length));
    if (random() < (c.goal.finish > 0 ? ALONG_PATH_FINISH : ALONG_PATH)) {
      const pair = this.critical();
      if (pair) return this.after(pair[0], pair[1]);
    }
    if (random() < FORWARD) return this.forward(this.costly(), 0.5 + 0.5 * random());
    // Any two of different jobs, near each other or not.
    const n = order.length;
    const i = Math.floor(random() * (n - 1));
    const far = random() < 0.7 ? 12 : n;
    const j = Math.min(n - 1, i + 1 + Math.floor(random() * far));
    return c.jobOf[order[i]!] !== c.jobOf[order[j]!] && this.after(order[i]!, order[j]!);
  }

  /** Two activities, one after the other on what both need, on a path that holds back what costs. */
  private critical(): readonly [number, number] | undefined {
    const { c, random } = this;
    const now = this.now;
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
    if (c.goal.late > 0 && now.cost.late === 0 && random() < LAST_AT_WORK) return this.lastAtWork();
    if (c.goal.finish > 0) {
      for (let a = 0; a < now.end.length; a += 1) if (now.end[a] === now.cost.finish) return c.jobOf[a]!;
    }
    return Math.floor(random() * c.jobs.length);
  }

  /** The job that keeps a pair of hands at work the longest: idle hands are those that wait for it. */
  private lastAtWork(): number {
    const { c, random } = this;
    const now = this.now;
    const hands = c.lanes.flatMap((l, i) => (l.hands ? [i] : []));
    if (hands.length === 0) return Math.floor(random() * c.jobs.length);
    const lane = hands[Math.floor(random() * hands.length)]!;
    let last = 0;
    for (let a = 0; a < now.end.length; a += 1)
      for (let k = c.slotAt[a]!; k < c.slotAt[a + 1]!; k += 1)
        if (now.lane[k] === lane && now.end[a]! > now.end[last]!) last = a;
    return c.jobOf[last]!;
  }

  /** The activity of a job that ends last. */
  private lastOf(job: number): number {
    const { c } = this;
    const now = this.now;
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

  /** Two jobs change their turns: the one's pieces stand where the other's stood. */
  private exchange(): boolean {
    const { c, order, trial, random } = this;
    if (c.jobs.length < 2) return false;
    const a = this.costly();
    let b = Math.floor(random() * c.jobs.length);
    if (a === b) b = (b + 1) % c.jobs.length;
    const mine: number[] = [];
    const theirs: number[] = [];
    for (const x of order)
      if (c.jobOf[x] === a) mine.push(x);
      else if (c.jobOf[x] === b) theirs.push(x);
    // As each stood, the other stands now, as far as it goes.
    let [m, t] = [0, 0];
    order.forEach((x, i) => {
      const job = c.jobOf[x];
      if (job !== a && job !== b) trial[i] = x;
      else if (job === a ? t < theirs.length : m >= mine.length) trial[i] = theirs[t++]!;
      else trial[i] = mine[m++]!;
    });
    return true;
  }

  /** A whole job moved to another time: all of its pieces by as many places. */
  private shift(job: number): boolean {
    const { c, order, trial, random } = this;
    const by = Math.floor((2 * random() - 1) * SHIFT_FAR * order.length);
    const key = (i: number): number => (c.jobOf[order[i]!] === job ? i + by + 0.5 : i);
    Array.from(order, (_, i) => i)
      .sort((x, y) => key(x) - key(y))
      .forEach((i, k) => (trial[k] = order[i]!));
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
}
