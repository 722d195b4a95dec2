import type { Verdict } from '../../reckoners/index.ts';
import { lineFit, normalBelow } from './line-fit.ts';

/** What a fall or a sink will come to when it has run its time, while it still runs. */
export interface Early {
  /** Change over the whole time, in the unit of the points, positive as it is judged. */
  readonly change: number;
  /** Expanded, k = 2. */
  readonly uncertainty: number;
  readonly verdict: Verdict;
  /** How sure the verdict is, 0.5 to 1. */
  readonly confidence: number;
  /** It may be stopped: more time would not change the verdict. */
  readonly stop: boolean;
}
/** Sure enough to stop a test before its time: it is looked at many times over, so more than one look would ask. */
const SURE = 0.999;
/** Fewer points, or less of the time, than this nobody judges by. */
const FEWEST = 8;
const LEAST_SHARE = 0.15;

/**
 * An early verdict on a straight change: points (seconds, value), the whole time in seconds, and the most that the
 * change may come to. Slope and its error by least squares; `floor` is the stand's own uncertainty of a change.
 */
export function earlyVerdict(
  points: readonly (readonly [number, number])[],
  wholeS: number,
  most: number,
  floor: number,
): Early {
  const { slope, slopeError } = lineFit(points);
  const change = slope * wholeS;
  const ranS = points.length === 0 ? 0 : points.at(-1)![0] - points[0]![0];
  const enough = points.length >= FEWEST && ranS >= LEAST_SHARE * wholeS;
  const uncertainty = enough ? Math.hypot(2 * slopeError * wholeS, floor) : Infinity;
  const z = (most - change) / (uncertainty / 2);
  const under = Number.isFinite(z) ? normalBelow(z) : 0.5;
  const confidence = Math.max(under, 1 - under);
  const whole = ranS >= wholeS * 0.999;
  const verdict: Verdict =
    enough && (confidence >= 0.975 || whole)
      ? change + uncertainty <= most
        ? 'within'
        : change - uncertainty > most
          ? 'outside'
          : 'undecided'
      : 'undecided';
  return { change, uncertainty, verdict, confidence, stop: whole || (enough && confidence >= SURE) };
}
