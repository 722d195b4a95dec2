import type { Quantity } from '../../quantities/index.ts';
import { ranOut } from './own-instrument.ts';

/** An instrument as far as a check of it goes. */
export interface Checked {
  readonly unit: string;
  readonly resolution: number;
  /** Expanded, k = 2; null when nobody knows. */
  readonly uncertainty: Quantity | null;
  /** Last day of its calibration, YYYY-MM-DD; null: never calibrated. */
  readonly calibratedTo: string | null;
}
export interface SelfCheckOutcome {
  readonly good: boolean;
  readonly says: readonly string[];
}

/** Readings of one thing at rest may differ by so many times the uncertainty, or by so many steps where it is not known: common practice. */
const UNCERTAINTIES = 2;
const STEPS = 10;

/**
 * Whether an instrument that answers is in date, and repeats: a few readings of one thing at rest, in its own unit.
 * @param today YYYY-MM-DD
 */
export function selfCheck(of: Checked, readings: readonly number[], today: string): SelfCheckOutcome {
  const late = ranOut(of.calibratedTo, today);
  const dated =
    of.calibratedTo === null
      ? 'It was never calibrated'
      : late
        ? `Its calibration ran out on ${of.calibratedTo}`
        : `In date until ${of.calibratedTo}`;
  const spread = readings.length === 0 ? 0 : Math.max(...readings) - Math.min(...readings);
  const most = of.uncertainty ? UNCERTAINTIES * of.uncertainty.value : STEPS * of.resolution;
  const repeats = readings.length < 2 || spread <= most;
  const short = (n: number): string => `${Number(n.toPrecision(2))} ${of.unit}`;
  const within = `${readings.length} readings within ${short(spread)}`;
  return {
    good: repeats && !late && of.calibratedTo !== null,
    says: [
      'It answers',
      dated,
      ...(readings.length < 2
        ? []
        : [repeats ? within : `${within}: more than the ${short(most)} it should repeat to`]),
    ],
  };
}
