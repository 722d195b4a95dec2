import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { defaulted, defineReckoner, number, quantity, ReckonError } from '../shape/index.ts';

/** Frequencies at which faults of a rolling bearing knock. Kinematics of rolling without slip (ISO 15243 uses the same). */
export const bearingTones = defineReckoner({
  id: 'bearing-tones',
  title: 'The tones of a bearing',
  subject: 'bearings',
  asks: ['what frequency', 'noise', 'vibration', 'which part is rough'],
  formula: 'outer = n/2 · f (1 − d/D cos α);  inner = n/2 · f (1 + d/D cos α);  spin = D/2d · f (1 − (d/D cos α)²)',
  sources: ['kinematics of rolling; real ones slip 1 to 2 %'],
  checks: [
    {
      inputs: { balls: 9, ballDiameter: '7.94 mm', pitchDiameter: '39.04 mm', speed: '1797 rpm' },
      gives: {
        outerRace: '107.4 Hz',
        innerRace: '162.2 Hz',
        ballSpin: '70.6 Hz',
        ballDefect: '141.2 Hz',
        cage: '11.9 Hz',
      },
      source: 'worked example of an open bearing data set (6205 geometry at 1797 rpm)',
    },
  ],
  inputs: {
    balls: number('Rolling elements', { integer: true, min: 3, max: 500 }),
    ballDiameter: quantity('length', 'Ball or roller diameter d', { above: 0, max: 1000 }),
    pitchDiameter: quantity('length', 'Pitch diameter D', { above: 0, max: 5000 }),
    contactAngle: defaulted(quantity('angle', 'Contact angle α', { min: 0, max: 80 }), '0 deg'),
    speed: quantity('speed', 'Speed of the inner ring', { above: 0, max: 1e6 }),
  },
  outputs: {
    outerRace: { label: 'Outer race', is: 'frequency' },
    innerRace: { label: 'Inner race', is: 'frequency' },
    ballSpin: { label: 'Ball spin', is: 'frequency' },
    ballDefect: { label: 'A spot on a ball', is: 'frequency' },
    cage: { label: 'Cage', is: 'frequency' },
  },
  compute({ balls, ballDiameterMm: d, pitchDiameterMm: D, contactAngleDeg, speedRpm }, work) {
    if (d >= D) throw new ReckonError('out-of-range', 'ballDiameter', d, `less than the pitch diameter, ${f(D)} mm`);
    const turn = speedRpm / 60;
    const r = (d / D) * Math.cos((contactAngleDeg * Math.PI) / 180);
    const outer = (balls / 2) * turn * (1 - r);
    const inner = (balls / 2) * turn * (1 + r);
    const spin = (D / (2 * d)) * turn * (1 - r * r);
    const cage = (turn / 2) * (1 - r);
    work.step('Turns a second f', 'rpm / 60', `${f(speedRpm)} / 60`, canonical(turn, 'frequency'));
    work.step('Ratio', 'd/D cos α', `${f(d)} / ${f(D)} × cos ${f(contactAngleDeg)}°`, canonical(r, 'ratio'));
    work.step(
      'Outer race',
      'n/2 · f (1 − r)',
      `${balls}/2 × ${f(turn)} × (1 − ${f(r, 4)})`,
      canonical(outer, 'frequency'),
    );
    work.step(
      'Inner race',
      'n/2 · f (1 + r)',
      `${balls}/2 × ${f(turn)} × (1 + ${f(r, 4)})`,
      canonical(inner, 'frequency'),
    );
    work.step(
      'Ball spin',
      'D/2d · f (1 − r²)',
      `${f(D)}/(2 × ${f(d)}) × ${f(turn)} × (1 − ${f(r, 4)}²)`,
      canonical(spin, 'frequency'),
    );
    work.step(
      'A spot on a ball',
      'twice the spin: it strikes both races',
      `2 × ${f(spin)}`,
      canonical(2 * spin, 'frequency'),
    );
    work.step('Cage', 'f/2 (1 − r)', `${f(turn)}/2 × (1 − ${f(r, 4)})`, canonical(cage, 'frequency'));
    const hz = (v: number): ReturnType<typeof canonical> => canonical(v, 'frequency');
    return { outerRace: hz(outer), innerRace: hz(inner), ballSpin: hz(spin), ballDefect: hz(2 * spin), cage: hz(cage) };
  },
});
