import type { Guide, Pace, Progress } from './guide.ts';

/** An order of whole jobs, and what it is thought to come to: see {@link Guide.late}. */
export interface JobOrder {
  readonly ranked: Int32Array;
  readonly late: number;
}

/** So many jobs change their turns by chance before an order is looked for again. */
const KICK = 4;

/**
 * Which job before which, as if the shop were one machine at its pace: each is moved to the turn at which the lateness of all is the
 * least, until nothing is won by it (insertion neighbourhood, common in the literature on total weighted tardiness).
 * @param ranked an order to begin with
 * @param progress how far the jobs have come
 * @param goOn is asked before each job that is looked at
 */
export function bestOrder(
  guide: Guide,
  ranked: ArrayLike<number>,
  progress: Progress,
  pace: Pace,
  goOn: () => boolean = () => true,
): JobOrder {
  const n = ranked.length;
  const order = Int32Array.from(ranked);
  // Lateness of the others from a turn on, once the job that is moved stands before them.
  const behind = new Float64Array(n + 1);
  let least = guide.late(order, n, progress, pace);
  for (let since = 0, at = 0; since < n && least > 0 && goOn(); since += 1, at = (at + 1) % n) {
    const job = order[at]!;
    if (progress.left[job]! < 0) continue;
    order.copyWithin(at, at + 1);
    const mine = guide.takes(job, progress, pace);
    let all = progress.gone + mine;
    for (let k = 0; k < n - 1; k += 1) all += guide.takes(order[k]!, progress, pace);
    for (let k = n - 2, end = all; k >= 0; k -= 1) {
      behind[k] = behind[k + 1]! + guide.lateOf(order[k]!, end, progress, pace);
      end -= guide.takes(order[k]!, progress, pace);
    }
    let to = at;
    let before = 0;
    let gone = progress.gone;
    for (let k = 0; k < n; k += 1) {
      const cost = before + guide.lateOf(job, gone + mine, progress, pace) + behind[k]!;
      if (cost < least - 1e-6) {
        least = cost;
        to = k;
      }
      if (k === n - 1) break;
      gone += guide.takes(order[k]!, progress, pace);
      before += guide.lateOf(order[k]!, gone, progress, pace);
    }
    order.copyWithin(to + 1, to, n - 1);
    order[to] = job;
    if (to !== at) since = -1;
  }
  return { ranked: order, late: least };
}

/**
 * Goes on from an order by chance: some jobs change their turns and it is looked for again, so many times; what is no better is left.
 * @param times how often
 */
export function betterOrder(
  guide: Guide,
  from: JobOrder,
  progress: Progress,
  pace: Pace,
  { times, random, goOn }: { readonly times: number; readonly random: () => number; readonly goOn: () => boolean },
): JobOrder {
  let best = from;
  for (let k = 0; k < times && best.late > 0 && goOn(); k += 1) {
    const other = bestOrder(guide, kicked(best.ranked, random), progress, pace, goOn);
    if (other.late <= best.late) best = other;
  }
  return best;
}

/** The order with some jobs at other turns, by chance. */
export function kicked(ranked: Int32Array, random: () => number): Int32Array {
  const order = Array.from(ranked);
  for (let k = 0; k < KICK; k += 1) {
    const [job] = order.splice(Math.floor(random() * order.length), 1);
    order.splice(Math.floor(random() * (order.length + 1)), 0, job!);
  }
  return Int32Array.from(order);
}
