import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { choice, defaulted, defineReckoner, number, quantity, ReckonError } from '../shape/index.ts';

/** Frequencies at which faults of a rolling bearing knock. Kinematics of rolling without slip (ISO 15243 uses the same). */
export const bearingTones = defineReckoner({
  id: 'bearing-tones',
  title: 'The tones of a bearing',
  subject: 'bearings',
  asks: ['what frequency', 'noise', 'vibration', 'which part is rough'],
  formula:
    'outer = n/2 · f (1 − d/D cos α);  inner = n/2 · f (1 + d/D cos α);  spin = D/2d · f (1 − (d/D cos α)²);  cage = f/2 (1 ∓ d/D cos α)',
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
  dangers: {
    slip: {
      harm: 'A line a little off the reckoned one is taken for another fault: a good bearing is pulled, the bad one stays.',
      fires: {},
    },
    'outer-turns': {
      harm: 'On a hub the outer ring turns, and the cage tone is another one: a broken cage is not seen, and the wheel locks.',
      fires: { turning: 'outer' },
      silent: { turning: 'inner' },
    },
  },
  inputs: {
    balls: number('Rolling elements', { integer: true, min: 3, max: 500 }),
    ballDiameter: quantity('length', 'Ball or roller diameter d', { above: 0, max: 1000 }),
    pitchDiameter: quantity('length', 'Pitch diameter D', { above: 0, max: 5000 }),
    contactAngle: defaulted(quantity('angle', 'Contact angle α', { min: 0, max: 80 }), '0 deg'),
    speed: quantity('speed', 'Speed of the ring that turns', { above: 0, max: 1e6 }),
    turning: defaulted(choice(['inner', 'outer'], 'Which ring turns'), 'inner'),
  },
  outputs: {
    outerRace: { label: 'Outer race', is: 'frequency' },
    innerRace: { label: 'Inner race', is: 'frequency' },
    ballSpin: { label: 'Ball spin', is: 'frequency' },
    ballDefect: { label: 'A spot on a ball', is: 'frequency' },
    cage: { label: 'Cage', is: 'frequency' },
  },
  compute({ balls, ballDiameterMm: d, pitchDiameterMm: D, contactAngleDeg, speedRpm, turning }, work) {
    if (d >= D) throw new ReckonError('out-of-range', 'ballDiameter', d, `less than the pitch diameter, ${f(D)} mm`);
    const turn = speedRpm / 60;
    const r = (d / D) * Math.cos((contactAngleDeg * Math.PI) / 180);
    const outer = (balls / 2) * turn * (1 - r);
    const inner = (balls / 2) * turn * (1 + r);
    const spin = (D / (2 * d)) * turn * (1 - r * r);
    // The cage follows the ring that turns: (1 − r) of half when that is the inner one, (1 + r) when it is the outer.
    const sign = turning === 'inner' ? -1 : 1;
    const cage = (turn / 2) * (1 + sign * r);
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
    const pm = sign < 0 ? '−' : '+';
    work.step('Cage', `f/2 (1 ${pm} r)`, `${f(turn)}/2 × (1 ${pm} ${f(r, 4)})`, canonical(cage, 'frequency'));
    work.warn('slip', 'Real bearings slip: look for the lines within 2 % of these, and for their multiples.');
    if (turning === 'outer')
      work.warn(
        'outer-turns',
        'The outer ring turns, as on a hub: a fault of the inner ring stays where the load is and is steady; one of the outer ring comes and goes once a turn.',
      );
    const hz = (v: number): ReturnType<typeof canonical> => canonical(v, 'frequency');
    return { outerRace: hz(outer), innerRace: hz(inner), ballSpin: hz(spin), ballDefect: hz(2 * spin), cage: hz(cage) };
  },
});
