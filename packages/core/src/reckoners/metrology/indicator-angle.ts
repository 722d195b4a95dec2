import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { defineReckoner, quantity } from '../shape/index.ts';

/** Past this a lever indicator's reading is corrected; past the second it is set again. Common practice. */
const CORRECT_FROM_DEG = 10;
const SET_AGAIN_DEG = 60;

/** What a lever indicator truly moved when its tip stands at an angle to the face: reading × cos φ. */
export const indicatorAngle = defineReckoner({
  id: 'indicator-angle',
  title: 'Indicator at an angle',
  subject: 'metrology',
  asks: ['cosine error', 'lever indicator', 'finger indicator', 'tip angle'],
  formula: 'true = reading × cos φ, φ between the tip and the face',
  sources: ['geometry of the lever (makers’ correction tables use the same)'],
  checks: [
    {
      inputs: { reading: '0.20 mm', tipAngle: '30 deg' },
      gives: { true: '0.1732 mm' },
      source: 'by hand: 0.2 × 0.8660',
    },
    { inputs: { reading: '0.20 mm', tipAngle: '0 deg' }, gives: { true: '0.20 mm' }, source: 'by hand' },
  ],
  dangers: {
    'reads-too-much': {
      harm: 'The tip stands askew and reads more than there is: a good shaft is scrapped, a right float is shimmed away.',
      fires: { tipAngle: '10.1 deg' },
      silent: { tipAngle: '10 deg' },
    },
    'too-steep': {
      harm: 'So steep that the angle is half of the answer: a degree read wrong is a hundredth.',
      fires: { tipAngle: '60.1 deg' },
      silent: { tipAngle: '60 deg' },
    },
    'plunger-tilts': {
      harm: 'A plunger indicator that stands aslant reads the other way: this figure is then wrong twice over.',
      fires: {},
    },
  },
  inputs: {
    reading: quantity('length', 'Reading', { min: -100, max: 100 }),
    tipAngle: quantity('angle', 'Angle of the tip to the face', { min: 0, max: 85, bareUnit: 'deg' }),
  },
  outputs: { true: { label: 'Truly', is: 'length' } },
  compute({ readingMm, tipAngleDeg }, work) {
    const moved = readingMm * Math.cos((tipAngleDeg * Math.PI) / 180);
    work.step('Truly', 'reading × cos φ', `${f(readingMm, 4)} × cos ${f(tipAngleDeg)}°`, canonical(moved, 'length'));
    if (tipAngleDeg > CORRECT_FROM_DEG)
      work.warn(
        'reads-too-much',
        `At ${f(tipAngleDeg)}° it shows ${f((1 / Math.cos((tipAngleDeg * Math.PI) / 180) - 1) * 100, 0)} % too much: lay the tip along the face where you can.`,
      );
    if (tipAngleDeg > SET_AGAIN_DEG) work.warn('too-steep', 'Too steep to correct: set the indicator again.');
    work.warn('plunger-tilts', 'For a lever tip. A plunger must stand square to the face, whatever this says.');
    return { true: canonical(moved, 'length') };
  },
});
