import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { judge } from '../metrology/judge.ts';
import { choice, defaulted, defineReckoner, quantity } from '../shape/index.ts';

/** Least insulation resistance of a winding: 5 MΩ under 1 kV, 100 MΩ from there; older windings kV + 1 MΩ. IEEE 43. */
export const insulation = defineReckoner({
  id: 'insulation',
  title: 'Insulation of a winding',
  subject: 'electrical',
  asks: ['megohms', 'earth fault', 'insulation resistance'],
  formula: 'least = 5 MΩ under 1 kV, 100 MΩ above; old windings (kV + 1) MΩ',
  sources: ['IEEE 43, from memory; at 40 °C after one minute'],
  checks: [
    {
      inputs: { reading: '12 MΩ', ratedVoltage: '230 V' },
      gives: { minimum: '5 MΩ', verdict: 'within' },
      source: 'IEEE 43, from memory',
    },
    {
      inputs: { reading: '1.2 MΩ', ratedVoltage: '400 V', class: 'old-winding' },
      gives: { minimum: '1.4 MΩ', verdict: 'outside' },
      source: 'by hand: 0.4 + 1',
    },
  ],
  inputs: {
    reading: quantity('resistance', 'Reading', { min: 0, max: 1e15 }),
    ratedVoltage: quantity('voltage', 'Rated voltage', { above: 0, max: 1e6 }),
    class: defaulted(choice(['low-voltage', 'old-winding'], 'Kind of winding'), 'low-voltage'),
  },
  outputs: {
    minimum: { label: 'At least', is: 'resistance' },
    verdict: { label: 'Verdict', is: 'word' },
  },
  compute(input, work) {
    const kV = input.ratedVoltageV / 1000;
    const megohm = input.class === 'old-winding' ? kV + 1 : kV < 1 ? 5 : 100;
    work.step(
      'At least',
      input.class === 'old-winding' ? '(kV + 1) MΩ' : 'under 1 kV 5 MΩ, above 100 MΩ',
      `${f(kV)} kV`,
      canonical(megohm * 1e6, 'resistance'),
    );
    work.warn(
      'Isolate, lock off and prove it dead; take diodes and regulator off first. The test voltage bites, and the winding stays charged: discharge it.',
    );
    return {
      minimum: canonical(megohm * 1e6, 'resistance'),
      verdict: judge(input.readingOhm, 0, { lower: megohm * 1e6 }),
    };
  },
});
