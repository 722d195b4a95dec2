import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { anyQuantity, defineReckoner, optional, ReckonError, inOneUnit } from '../shape/index.ts';

/** Tolerance over 2U from which a gauge is good, and usable. */
export const gaugeRatios = { good: 4, usable: 2 } as const;

/** Is a gauge fine enough for a tolerance? Ratio of the tolerance's width to 2U; one-sided: from the nominal to the limit. */
export const gaugeChoice = defineReckoner({
  id: 'gauge-choice',
  title: 'Is this gauge good enough',
  subject: 'metrology',
  asks: ['which gauge', 'caliper or micrometer', 'fine enough'],
  formula: 'ratio = (upper − lower)/2U;  one-sided: |limit − nominal|/U',
  sources: ['good from 4, usable from 2: common practice after ISO 14253-2'],
  checks: [
    {
      inputs: { lower: '59.70 mm', upper: '60.00 mm', uncertainty: '0.01 mm' },
      gives: { ratio: '15', verdict: 'good' },
      source: 'by hand',
    },
    {
      inputs: { lower: '0.03 mm', upper: '0.08 mm', uncertainty: '0.02 mm' },
      gives: { ratio: '1.25', verdict: 'too coarse' },
      source: 'by hand',
    },
  ],
  dangers: {
    'too-coarse': {
      harm: 'A gauge that cannot see the limit passes what it should refuse.',
      fires: { lower: '0.03 mm', upper: '0.08 mm', uncertainty: '0.013 mm' },
      silent: { lower: '0.03 mm', upper: '0.08 mm', uncertainty: '0.0125 mm' },
    },
  },
  inputs: {
    lower: optional(anyQuantity('Lower limit')),
    upper: optional(anyQuantity('Upper limit')),
    nominal: optional(anyQuantity('Nominal, for a one-sided limit')),
    uncertainty: anyQuantity('Uncertainty U of the gauge (k = 2)'),
  },
  outputs: {
    ratio: { label: 'Tolerance over 2U', is: 'ratio' },
    verdict: { label: 'Verdict', is: 'word' },
  },
  compute({ lower, upper, nominal, uncertainty }, work) {
    const ends = [lower ?? nominal, upper ?? nominal];
    if (lower === undefined && upper === undefined)
      throw new ReckonError('missing-field', 'lower', null, 'a lower limit, an upper limit or both');
    if (ends[0] === undefined || ends[1] === undefined)
      throw new ReckonError('missing-field', 'nominal', null, 'the nominal size, for a one-sided limit');
    const [u, a, b] = inOneUnit([uncertainty, ends[0], ends[1]], 'limits') as [number, number, number];
    if (u <= 0) throw new ReckonError('out-of-range', 'uncertainty', uncertainty, 'above nothing');
    if (a >= b) throw new ReckonError('inconsistent', 'lower', ends[0], 'a lower limit below the upper');
    const oneSided = lower === undefined || upper === undefined;
    const ratio = (b - a) / (oneSided ? u : 2 * u);
    work.step(
      'Ratio',
      oneSided ? '|limit − nominal|/U' : '(upper − lower)/2U',
      `(${f(b)} − ${f(a)})/${oneSided ? '' : '(2 × '}${f(u)}${oneSided ? '' : ')'}`,
      canonical(ratio, 'ratio'),
    );
    const verdict =
      ratio >= gaugeRatios.good - 1e-9 ? 'good' : ratio >= gaugeRatios.usable - 1e-9 ? 'usable' : 'too coarse';
    if (verdict === 'too coarse')
      work.warn('too-coarse', 'Most readings would come out undecided: take a finer gauge.');
    return { ratio: canonical(ratio, 'ratio'), verdict };
  },
});
