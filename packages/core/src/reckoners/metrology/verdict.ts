import {
  dimensionsOfUnit,
  formatNumber as f,
  formatQuantity,
  inCanonical,
  type Dimension,
  type Quantity,
} from '../../quantities/index.ts';
import { anyQuantity, choice, defaulted, defineReckoner, more, number, optional, ReckonError } from '../shape/index.ts';
import { judge } from './judge.ts';

/**
 * Is a reading within its limits, given the uncertainty of the gauge?
 * guarded: within only if inside by g·U, outside only if beyond by g·U, else undecided (ISO 14253-1; g = 1 is the full
 * guard of the older editions, the 2017 edition's default guard for acceptance is smaller: choose with guardFactor).
 * simple: the limit alone decides. shared: the limit decides and the risk is shared between the two sides, so the answer
 * says when it is near a toss-up.
 */
export const verdict = defineReckoner({
  id: 'verdict',
  title: 'Within, outside or undecided',
  subject: 'metrology',
  asks: ['is it worn', 'within limits', 'too near the limit', 'reuse or renew'],
  formula: 'within: lower + gU ≤ x ≤ upper − gU;  outside: x < lower − gU or x > upper + gU;  else undecided',
  sources: ['ISO 14253-1 (guard g·U; g = 1 is the full guard of the older editions)'],
  checks: [
    {
      inputs: { reading: '0.095 mm', upper: '0.10 mm', uncertainty: '0.01 mm' },
      gives: { verdict: 'undecided', marginUpper: '0.005 mm' },
      source: 'ISO 14253-1, full guard',
    },
    {
      inputs: { reading: '59.85 mm', lower: '59.70 mm', uncertainty: '0.01 mm' },
      gives: { verdict: 'within', marginLower: '0.15 mm' },
      source: 'ISO 14253-1, full guard',
    },
  ],
  dangers: {
    'too-near': {
      harm: 'A part on the limit is passed on a reading that cannot tell.',
      fires: {},
      silent: { reading: '0.089 mm' },
    },
    'toss-up': {
      harm: 'With shared risk a part at its limit is passed by the toss of a coin, and nobody sees that it was one.',
      fires: { rule: 'shared' },
      silent: { rule: 'shared', reading: '0.08 mm' },
    },
    'no-reading-passes': {
      harm: 'Everything is refused, or the rule is dropped to get work out.',
      fires: { lower: '0.085 mm' },
      silent: { lower: '0.07 mm' },
    },
  },
  inputs: {
    reading: anyQuantity('Reading'),
    uncertainty: optional(anyQuantity('Uncertainty U (k = 2)', { help: '0 when left out' })),
    lower: optional(anyQuantity('Lower limit')),
    upper: optional(anyQuantity('Upper limit')),
    rule: defaulted(choice(['guarded', 'simple', 'shared'], 'Rule'), 'guarded'),
    guardFactor: more(defaulted(number('Guard factor g', { min: 0, max: 2 }), 1)),
  },
  outputs: {
    verdict: { label: 'Verdict', is: 'word' },
    marginLower: { label: 'Above the lower limit by', is: 'own unit', optional: true },
    marginUpper: { label: 'Below the upper limit by', is: 'own unit', optional: true },
  },
  compute(input, work) {
    if (!input.lower && !input.upper)
      throw new ReckonError(
        'missing-field',
        'lower',
        null,
        'a lower limit, an upper limit or both',
        'lower: a limit is needed, lower or upper',
      );
    const unit = input.reading.unit;
    const dimension = sharedDimension(input.reading, [
      ['uncertainty', input.uncertainty],
      ['lower', input.lower],
      ['upper', input.upper],
    ]);
    const base = { value: 0, unit };
    // All in the reading's own unit, so that margins read like the gauge does.
    const scale = inCanonical({ value: 1, unit }, dimension) - inCanonical(base, dimension);
    const canonicalOf = (q: Quantity): number =>
      q.unit === unit ? q.value : (inCanonical(q, dimension) - inCanonical(base, dimension)) / scale;
    const x = input.reading.value;
    const u = input.uncertainty ? spread(input.uncertainty, unit, dimension, scale) : 0;
    if (!input.uncertainty) work.assume('Uncertainty U', '0', 'default, not given');
    if (u < 0) throw new ReckonError('out-of-range', 'uncertainty', input.uncertainty, 'zero or more');
    const lower = input.lower && canonicalOf(input.lower);
    const upper = input.upper && canonicalOf(input.upper);
    if (lower !== undefined && upper !== undefined && lower > upper)
      throw new ReckonError(
        'inconsistent',
        'lower',
        input.lower,
        `a lower limit at or below the upper ${formatQuantity(input.upper!)}`,
      );
    const guard = input.rule === 'guarded' ? input.guardFactor * u : 0;
    const result = judge(x, guard, { lower, upper });

    const q = (value: number): Quantity => ({ value, unit });
    work.given('Reading', input.reading);
    if (input.rule === 'guarded') work.step('Guard', 'g · U', `${input.guardFactor} × ${f(u)}`, q(guard));
    if (lower !== undefined) work.step('Above the lower limit by', 'x − lower', `${f(x)} − ${f(lower)}`, q(x - lower));
    if (upper !== undefined) work.step('Below the upper limit by', 'upper − x', `${f(upper)} − ${f(x)}`, q(upper - x));
    work.step('Verdict', 'held against the limits and the guard', input.rule, result);
    const nearest = Math.min(...[lower, upper].filter((l) => l !== undefined).map((l) => Math.abs(x - l)));
    if (result === 'undecided')
      work.warn('too-near', 'Too near the limit for this gauge: read again with a finer one, or judge it as outside.');
    if (input.rule === 'shared' && nearest < u)
      work.warn('toss-up', 'Nearer to the limit than the uncertainty: with shared risk this is close to a toss-up.');
    if (lower !== undefined && upper !== undefined && guard > 0 && upper - lower < 2 * guard)
      work.warn('no-reading-passes', 'The gauge is too coarse: no reading could be accepted between these limits.');
    return {
      verdict: result,
      marginLower: lower === undefined ? undefined : q(x - lower),
      marginUpper: upper === undefined ? undefined : q(upper - x),
    };
  },
});

function sharedDimension(reading: Quantity, others: readonly (readonly [string, Quantity | undefined])[]): Dimension {
  let candidates = dimensionsOfUnit(reading.unit);
  for (const [field, q] of others) {
    if (!q) continue;
    const narrowed = candidates.filter((d) => dimensionsOfUnit(q.unit).includes(d));
    if (narrowed.length === 0) {
      throw new ReckonError(
        'wrong-dimension',
        field,
        q,
        `a quantity of the same kind as the reading (${reading.unit})`,
      );
    }
    candidates = narrowed;
  }
  return candidates[0]!;
}

/** An uncertainty is a difference: no offset of °F or K goes into it. */
function spread(q: Quantity, unit: string, dimension: Dimension, scale: number): number {
  if (q.unit === unit) return q.value;
  return (inCanonical(q, dimension) - inCanonical({ value: 0, unit: q.unit }, dimension)) / scale;
}
