import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { judge } from '../metrology/judge.ts';
import { choice, defaulted, defineReckoner, optional, quantity } from '../shape/index.ts';

/** Where the minimum is stated, °C, and how much warmer halves the reading, K. IEEE 43, from memory. */
const REFERENCE_C = 40;
const HALVES_IN_K = 10;

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
    {
      inputs: { reading: '12 MΩ', ratedVoltage: '230 V', temperature: '20 °C' },
      gives: { at40: '3.0 MΩ', verdict: 'outside' },
      source: 'by hand: halved twice over 20 K',
    },
  ],
  dangers: {
    isolate: {
      harm: 'The test voltage bites, and a charged winding kills after the meter is off.',
      fires: {},
    },
    'wet-or-cold': {
      harm: 'A cold winding reads well and fails when warm: the frame is live.',
      fires: {},
      silent: { temperature: '20 °C' },
    },
    below: {
      harm: 'The winding leaks to the frame: somebody touches it.',
      fires: { reading: '4.9 MΩ' },
      silent: { reading: '5 MΩ' },
    },
  },
  inputs: {
    reading: quantity('resistance', 'Reading', { min: 0, max: 1e15 }),
    ratedVoltage: quantity('voltage', 'Rated voltage', { above: 0, max: 1e6 }),
    temperature: optional(quantity('temperature', 'Temperature of the winding', { min: -40, max: 200 })),
    class: defaulted(choice(['low-voltage', 'old-winding'], 'Kind of winding'), 'low-voltage'),
  },
  outputs: {
    at40: { label: 'Reading, brought to 40 °C', is: 'resistance', optional: true },
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
    // Halved for each 10 K warmer (IEEE 43, thermoplastic insulation; from memory).
    const at40 =
      input.temperatureC === undefined
        ? undefined
        : input.readingOhm * 2 ** ((input.temperatureC - REFERENCE_C) / HALVES_IN_K);
    if (at40 !== undefined)
      work.step(
        'Brought to 40 °C',
        'R · 2^((t − 40)/10)',
        `${f(input.readingOhm / 1e6)} MΩ × 2^((${f(input.temperatureC!)} − 40)/10)`,
        canonical(at40, 'resistance'),
      );
    else
      work.warn(
        'wet-or-cold',
        'The temperature was not given: insulation halves with each 10 K, so a cold winding reads better than it is.',
      );
    const verdict = judge(at40 ?? input.readingOhm, 0, { lower: megohm * 1e6 });
    if (verdict === 'outside')
      work.warn('below', 'Below what a winding must have: dry it, clean it, test again; it is not put back like this.');
    work.warn(
      'isolate',
      'Isolate, lock off and prove it dead; take diodes and regulator off first. The test voltage bites, and the winding stays charged: discharge it.',
    );
    return {
      at40: at40 === undefined ? undefined : canonical(at40, 'resistance'),
      minimum: canonical(megohm * 1e6, 'resistance'),
      verdict,
    };
  },
});
