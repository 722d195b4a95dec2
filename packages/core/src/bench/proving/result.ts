import { canonical, dimensionsOfUnit, inCanonical, limitsOf, type Quantity } from '../../quantities/index.ts';
import { gravest } from '../../reckoners/index.ts';
import type { Test } from '../../sheet/index.ts';
import { judged } from '../measuring/judged.ts';
import type { ReadingResult } from '../log/facts.ts';
import type { RunOutcome } from './run.ts';

/**
 * A run's figure held against what is accepted, with its own uncertainty and the stand's (root sum of squares, GUM), and
 * the gravest of that and of everything else that was looked at.
 */
export function resultOfRun(test: Test, outcome: RunOutcome, stand: Quantity | undefined): ReadingResult {
  const { value, uncertainty, working, checks } = outcome;
  const canonicalOf = (q: Quantity): number => inCanonical(q, test.dimension);
  // From nothing on is no limit: a fall, a sink or an unbalance cannot be less, whatever the stand's uncertainty.
  const limits = limitsOf(test.accept);
  const lower = canonicalOf(test.accept.low) === 0 ? undefined : limits.lower;
  // An alternator stand states its amperes: they say nothing of a voltage.
  const ofStand = stand && dimensionsOfUnit(stand.unit).includes(test.dimension) ? canonicalOf(stand) : 0;
  const gauge = canonical(Math.hypot(canonicalOf(uncertainty), ofStand), test.dimension);
  const result = judged([value], gauge, test.dimension, lower, limits.upper, working);
  return { ...result, verdict: gravest([result.verdict, ...checks.map((c) => c.verdict)]) };
}
