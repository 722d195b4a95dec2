import { canonical, formatNumber as f } from '../../quantities/index.ts';
import {
  anyQuantity,
  defaulted,
  defineReckoner,
  inOneUnit,
  list,
  more,
  quantity,
  ReckonError,
} from '../shape/index.ts';

/** Spread of three phases, (max − min)/mean. Resistance, current or voltage alike. */
export const phaseBalance = defineReckoner({
  id: 'phase-balance',
  title: 'Balance of three phases',
  subject: 'electrical',
  asks: ['stator phases', 'three windings', 'balanced'],
  formula: 'spread = (largest − least)/mean',
  sources: ['2 % balanced, past 5 % a fault: common practice'],
  checks: [
    {
      inputs: { readings: ['0.102 Ω', '0.101 Ω', '0.100 Ω'] },
      gives: { spread: '1.98 %', verdict: 'balanced' },
      source: 'by hand: 0.002/0.101',
    },
    {
      inputs: { readings: ['0.10 Ω', '0.10 Ω', '0.08 Ω'] },
      gives: { verdict: 'unbalanced' },
      source: 'by hand: 0.02/0.0933',
    },
  ],
  dangers: {
    'read-again': {
      harm: 'A dirty clip is read as a burnt winding: a good stator is thrown out.',
      fires: { readings: ['0.100 Ω', '0.102 Ω', '0.103 Ω'] },
      silent: { readings: ['0.100 Ω', '0.101 Ω', '0.1015 Ω'] },
    },
  },
  inputs: {
    readings: list(anyQuantity('Phase'), 'Readings of the three phases', { minLength: 3, maxLength: 3 }),
    balancedWithin: more(defaulted(quantity('percent', 'Balanced up to', { above: 0, max: 100 }), '2 %')),
  },
  outputs: {
    spread: { label: 'Spread', is: 'percent' },
    verdict: { label: 'Verdict', is: 'word' },
  },
  compute({ readings, balancedWithinPercent }, work) {
    const values = inOneUnit(readings, 'readings');
    const mean = values.reduce((a, b) => a + b, 0) / 3;
    if (values.some((v) => v < 0) || mean <= 0)
      throw new ReckonError('out-of-range', 'readings', values.join(', '), 'readings above nothing');
    const spread = ((Math.max(...values) - Math.min(...values)) / mean) * 100;
    work.step('Mean', 'mean', values.map((v) => f(v)).join(', '), `${f(mean)} ${readings[0]!.unit}`);
    work.step(
      'Spread',
      '(largest − least)/mean',
      `(${f(Math.max(...values))} − ${f(Math.min(...values))})/${f(mean)}`,
      canonical(spread, 'percent'),
    );
    const verdict =
      spread <= balancedWithinPercent + 1e-9
        ? 'balanced'
        : spread <= 2.5 * balancedWithinPercent
          ? 'suspect'
          : 'unbalanced';
    if (verdict === 'suspect')
      work.warn(
        'read-again',
        'Read again with clean, tight clips and all phases equally cold before blaming the winding.',
      );
    return { spread: canonical(spread, 'percent'), verdict };
  },
});
