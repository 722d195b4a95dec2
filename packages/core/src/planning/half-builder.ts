import type { Builder } from './builder.ts';
import { Built } from './built.ts';
import { openFromNow, type Compiled } from './compiled.ts';
import type { Fitter, Stretch } from './fitter.ts';
import { Guide, type Progress } from './guide.ts';
import type { Minute } from './types.ts';

/** A plan that is half built. */
export interface Half {
  readonly block: Float64Array;
  reserved: (readonly Stretch[])[];
  /** Activities that are down, and how many could come next. */
  count: number;
  opens: number;
  /** Hand minutes of what is down, and minutes moved against the plan in force. */
  worked: number;
  moved: number;
  /** How often hands went to another job. */
  changes: number;
  /** Which activities are down, whatever their order. */
  mark: number;
  /** The ranking by which what could come next is sorted. */
  ranking: number;
}

/** Builds plans piece by piece; one that is half built can be kept, and taken up again. */
export class HalfBuilder {
  readonly c: Compiled;
  private readonly fitter: Fitter;
  readonly guide: Guide;
  private readonly mine: Built;
  /** All that is kept of a half, and which half the workshop is just now. */
  private readonly memory: Float64Array;
  private at: Half | undefined;
  private readonly pool: Half[] = [];
  /** What could come next, by rank of its job: the first `opens`. */
  readonly open: Int32Array;
  opens = 0;
  /** Hand minutes and pieces that are left of each job. */
  readonly left: Float64Array;
  readonly piecesLeft: Int32Array;
  handWork = 0;
  moved = 0;
  mark = 0;
  readonly marks: Uint32Array;
  private readonly pieces: Int32Array;
  private readonly rank: Int32Array;
  private ranking = 0;

  constructor(readonly builder: Builder) {
    const { c, fitter } = builder;
    this.c = c;
    this.fitter = fitter;
    const { block } = fitter;
    this.guide = new Guide(c);
    this.mine = new Built(c, block);
    this.open = block.indices(c.activities.length);
    this.left = block.numbers(c.jobs.length);
    this.piecesLeft = block.indices(c.jobs.length);
    this.memory = block.all();
    this.rank = new Int32Array(c.jobs.length);
    this.marks = marks(c.activities.length);
    this.pieces = new Int32Array(c.jobs.length);
    for (const j of c.jobOf) this.pieces[j]! += 1;
  }

  /**
   * An empty workshop, and in it the first pieces of a plan.
   * @param ranked jobs in the order in which they should be done
   * @returns whether they can be put down so
   */
  putFirst(pieces: ArrayLike<number>, ranked: ArrayLike<number>): boolean {
    const { c } = this;
    this.rankBy(ranked);
    this.builder.out = this.mine;
    this.mine.broken = this.fitter.brokenPins;
    if (this.fitter.brokenPins !== '') return false;
    this.builder.anew();
    this.builder.begin();
    this.piecesLeft.set(this.pieces);
    this.left.set(this.guide.jobWork);
    this.opens = 0;
    this.handWork = 0;
    this.moved = 0;
    this.mark = 0;
    for (let a = 0; a < this.builder.placed.length; a += 1) if (c.preds[a]!.length === 0) this.opened(a);
    for (let i = 0; i < pieces.length; i += 1)
      if (this.builder.placed[pieces[i]!] === 0 && !this.add(pieces[i]!)) return false;
    return true;
  }

  /** From now on jobs are ranked so. */
  rankBy(ranked: ArrayLike<number>): void {
    for (let i = 0; i < ranked.length; i += 1) this.rank[ranked[i]!] = i;
    this.ranking += 1;
    // What could come next is sorted when the half is taken up.
    this.at = undefined;
  }

  /** How far the jobs have come when these pieces are down; nothing when they cannot be. */
  progress(pieces: ArrayLike<number> = []): Progress | undefined {
    if (!this.putFirst(pieces, [])) return undefined;
    return { gone: this.gone(), left: this.left.slice(), jobEnd: this.builder.jobEnd.slice() };
  }

  /** Puts a piece down, with what a window ties to it. False when that cannot be, and the workshop is as no half is. */
  add(a: number): boolean {
    const { c, guide } = this;
    this.at = undefined;
    const known = this.builder.count;
    if (this.builder.process(a) !== 'put' || this.builder.count === known) return false;
    for (let k = known; k < this.builder.count; k += 1) {
      const put = this.builder.put[k]!;
      const j = c.jobOf[put]!;
      this.left[j]! -= guide.work[put]!;
      if ((this.piecesLeft[j]! -= 1) === 0) this.left[j] = -1;
      this.handWork += guide.work[put]!;
      this.moved += this.movedBy(put, this.builder.out.start[put]!);
      this.mark = (this.mark ^ this.marks[put]!) >>> 0;
      let to = 0;
      for (let i = 0; i < this.opens; i += 1) if (this.open[i] !== put) this.open[to++] = this.open[i]!;
      this.opens = to;
    }
    for (let k = known; k < this.builder.count; k += 1)
      for (const next of c.succs[this.builder.put[k]!]!)
        if (this.builder.placed[next] === 0 && this.allBefore(next)) this.opened(next);
    return true;
  }

  /** Minutes, an hour at most, by which an activity moves against the plan in force. */
  movedBy(a: number, start: Minute): number {
    const was = this.c.inForce[a]!;
    return Number.isNaN(was) ? 0 : Math.min(60, Math.abs(start - was));
  }

  /** Hand minutes that are gone: all pairs of hands up to where each is free. */
  gone(): number {
    let gone = 0;
    for (const lane of this.guide.hands) gone += openFromNow(this.c, lane, this.fitter.free[lane]!);
    return gone;
  }

  /** The workshop as it is now, to be taken up again. */
  keep(): Half {
    const half = this.pool.pop() ?? {
      block: new Float64Array(this.memory.length),
      reserved: [],
      count: 0,
      opens: 0,
      worked: 0,
      moved: 0,
      changes: 0,
      mark: 0,
      ranking: 0,
    };
    half.block.set(this.memory);
    half.reserved = this.fitter.reserved.slice();
    half.count = this.builder.count;
    half.opens = this.opens;
    half.worked = this.handWork;
    half.moved = this.moved;
    half.changes = 0;
    half.mark = this.mark;
    half.ranking = this.ranking;
    this.at = half;
    return half;
  }

  takeUp(half: Half): void {
    if (this.at === half) return;
    this.at = half;
    this.memory.set(half.block);
    for (let l = 0; l < this.fitter.reserved.length; l += 1) this.fitter.reserved[l] = half.reserved[l]!;
    this.builder.count = half.count;
    this.opens = half.opens;
    this.handWork = half.worked;
    this.moved = half.moved;
    this.mark = half.mark;
    this.builder.anew();
    if (half.ranking !== this.ranking) this.sortOpen();
  }

  /** Halves whose memory may be used for others. */
  letGo(halves: Half[]): void {
    this.pool.push(...halves);
    halves.length = 0;
  }

  private sortOpen(): void {
    const { open, opens } = this;
    this.opens = 0;
    for (let i = 0; i < opens; i += 1) this.opened(open[i]!);
  }

  private opened(a: number): void {
    const { c, open, rank } = this;
    const mine = rank[c.jobOf[a]!]!;
    let i = this.opens;
    for (; i > 0 && rank[c.jobOf[open[i - 1]!]!]! > mine; i -= 1) open[i] = open[i - 1]!;
    open[i] = a;
    this.opens += 1;
  }

  private allBefore(a: number): boolean {
    for (const p of this.c.preds[a]!) if (this.builder.placed[p.of] === 0) return false;
    return true;
  }
}

/** A number by chance for each of so many, always the same ones. */
function marks(n: number): Uint32Array {
  let x = 0x2545f491;
  return Uint32Array.from({ length: n }, () => {
    x ^= x << 13;
    x ^= x >>> 17;
    x ^= x << 5;
    return x >>> 0;
  });
}
