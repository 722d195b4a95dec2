import type { Guide, Pace, Progress } from './guide.ts';

/** A job is tried at so many turns before and after its own: all of them in a usual shop. */
const FAR = 80;

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
): { readonly ranked: Int32Array; readonly late: number } {
  const n = ranked.length;
  const order = Int32Array.from(ranked);
  const trial = new Int32Array(n);
  const late = (of: Int32Array): number => guide.late(of, n, progress, pace);
  let least = late(order);
  for (let since = 0, at = 0; since < n && least > 0 && goOn(); since += 1, at = (at + 1) % n) {
    const job = order[at]!;
    if (progress.left[job]! < 0) continue;
    const first = Math.max(0, at - FAR);
    let to = at;
    // The job goes along from the front to the end, one turn at a time.
    move(trial, order, at, first);
    for (let k = first; k < n && k <= at + FAR; k += 1) {
      if (k > first) {
        trial[k - 1] = trial[k]!;
        trial[k] = job;
      }
      const cost = k === at ? least : late(trial);
      if (cost >= least - 1e-6) continue;
      least = cost;
      to = k;
    }
    if (to === at) continue;
    move(trial, order, at, to);
    order.set(trial);
    since = -1;
  }
  return { ranked: order, late: least };
}

/** An order with one job at another turn, in `out`. */
function move(out: Int32Array, order: Int32Array, from: number, to: number): void {
  out.set(order);
  if (to < from) out.copyWithin(to + 1, to, from);
  else out.copyWithin(from, from + 1, to + 1);
  out[to] = order[from]!;
}
