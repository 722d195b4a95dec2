import { formatQuantity, inCanonical, whyNotOf, type Dimension, type Quantity } from '../../quantities/index.ts';
import { verdict, type WorkingLine } from '../../reckoners/index.ts';
import type { ReadingResult } from '../log/facts.ts';
import { refuse, type Decision } from '../command/refusal.ts';
import { meanOfReadings } from './repeats.ts';

export function wrongDimension(value: Quantity, dimension: Dimension): Decision | undefined {
  const problem = whyNotOf(value, dimension);
  return problem === undefined
    ? undefined
    : refuse(
        'wrong-value',
        problem,
        `Give it as ${formatQuantity({ value: value.value, unit: '…' })} in a unit of ${dimension}`,
      );
}

/** Mean of the readings in the unit of the last one, held against the limits with the guard of the gauge (k = 2). */
export function judged(
  values: readonly Quantity[],
  gauge: Quantity | undefined,
  dimension: Dimension,
  lower: Quantity | undefined,
  upper: Quantity | undefined,
  before: readonly WorkingLine[] = [],
): ReadingResult {
  const { unit } = values.at(-1)!;
  const canonicalOf = (q: Quantity): number =>
    q.unit === unit ? q.value : inCanonical(q, dimension) / inCanonical({ value: 1, unit }, dimension);
  const gaugeU = gauge ? canonicalOf(gauge) : 0;
  const { mean, uncertainty } = meanOfReadings(values.map(canonicalOf), gaugeU);
  const reckoned = verdict.reckon({
    reading: { value: mean, unit },
    uncertainty: { value: uncertainty, unit },
    lower,
    upper,
  });
  const working =
    values.length > 1
      ? [
          {
            name: `Mean of ${values.length}`,
            formula: 'Σ x / n',
            figures: values.map((v) => formatQuantity(v)).join(' + '),
            value: { value: mean, unit },
          },
          ...reckoned.working,
        ]
      : reckoned.working;
  return {
    mean: { value: mean, unit },
    uncertainty: { value: uncertainty, unit },
    verdict: reckoned.results.verdict,
    working: [...before, ...working],
  };
}
