import { canonical, formatNumber as f } from '../../quantities/index.ts';
import {
  anyQuantity,
  choice,
  defineReckoner,
  inOneUnit,
  optional,
  quantity,
  record,
  ReckonError,
} from '../shape/index.ts';
import { abs, angleDeg, div, mul, polar, sub, type Complex } from './complex.ts';

/** A trial that changes the vibration by less than this share says nothing: common practice. */
const LEAST_CHANGE = 0.05;
/** A trial that changes it by less than this share is thin: common practice. */
const THIN_CHANGE = 0.25;
/** A correction beyond this many trials leaves what the trial has shown. */
const MOST_TRIALS = 5;

const vibration = (label: string) =>
  record(
    {
      amplitude: anyQuantity('Amplitude'),
      phase: quantity('angle', 'Phase', { min: -720, max: 720, bareUnit: 'deg' }),
    },
    label,
  );

/**
 * Correction of a narrow rotor in one plane from two runs, as it is and with a trial weight:
 * C = −W · O/(R − O), as vectors, all angles counted in one sense. Influence coefficient of one plane (ISO 21940-21).
 */
export const singlePlaneBalance = defineReckoner({
  id: 'single-plane-balance',
  title: 'Balancing in one plane',
  subject: 'rotors',
  asks: ['balance a fan', 'flywheel balance', 'trial weight', 'one plane', 'where to put the weight'],
  formula: 'C = −W · O/(R − O), vectors; take off on the opposite side',
  sources: ['influence coefficient, ISO 21940-21 and handbooks'],
  checks: [
    {
      inputs: {
        initial: { amplitude: 8.6, phase: '63 deg' },
        trial: { mass: '10 g', angle: '270 deg' },
        withTrial: { amplitude: 5.9, phase: '123 deg' },
      },
      gives: { mass: '11.29 g', angle: '312.1 deg', removalAngle: '132.1 deg' },
      source: 'complex arithmetic apart from the project',
    },
  ],
  dangers: {
    'thin-trial': {
      harm: 'The trial hardly shows: noise is corrected, and the rotor is worse than before.',
      fires: { withTrial: { amplitude: 8.6, phase: '76 deg' } },
      silent: { withTrial: { amplitude: 8.6, phase: '79 deg' } },
    },
    'far-beyond-the-trial': {
      harm: 'A weight many times the trial is put on at once: if an angle was read wrong, the rotor flies apart.',
      fires: { withTrial: { amplitude: 8.6, phase: '73 deg' } },
      silent: { withTrial: { amplitude: 8.6, phase: '79 deg' } },
    },
    sense: {
      harm: 'Phase is counted one way and the weight the other: it is put on the wrong side and doubles the unbalance.',
      fires: {},
      silent: { phaseSense: 'against-rotation' },
    },
    'two-planes': {
      harm: 'A long rotor is balanced in one plane: it rocks, and its bearings go.',
      fires: {},
    },
  },
  inputs: {
    initial: vibration('As it is'),
    trial: record(
      {
        mass: quantity('mass', 'Trial weight', { above: 0, max: 1000 }),
        angle: quantity('angle', 'At angle', { min: -720, max: 720, bareUnit: 'deg' }),
      },
      'Trial',
    ),
    withTrial: vibration('With the trial weight'),
    phaseSense: optional(choice(['with-rotation', 'against-rotation'], 'All angles counted')),
  },
  outputs: {
    mass: { label: 'Add', is: 'mass' },
    angle: { label: 'At', is: 'angle' },
    removalAngle: { label: 'Or take off at', is: 'angle' },
    effect: { label: 'What the trial changed, of the vibration', is: 'percent' },
  },
  compute(input, work) {
    const [before, after] = inOneUnit([input.initial.amplitude, input.withTrial.amplitude], 'amplitude');
    if (before! < 0 || after! < 0)
      throw new ReckonError(
        'out-of-range',
        'initial.amplitude',
        Math.min(before!, after!),
        'amplitudes of zero or more',
      );
    const O: Complex = polar(before!, input.initial.phaseDeg);
    const R: Complex = polar(after!, input.withTrial.phaseDeg);
    const change = sub(R, O);
    const share = abs(change) / Math.max(before!, after!, 1e-300);
    if (!(share >= LEAST_CHANGE))
      throw new ReckonError(
        'ill-conditioned',
        'withTrial',
        f(share * 100),
        `a trial that changes the vibration by ${LEAST_CHANGE * 100} % or more`,
        `withTrial: the trial changed the vibration by ${f(share * 100)} % only: take a heavier one, or another place`,
      );
    const W = polar(input.trial.massKg, input.trial.angleDeg);
    const C = mul(W, div(sub({ re: 0, im: 0 }, O), change));
    const angle = angleDeg(C);
    work.step(
      'What the trial did',
      'R − O',
      `${f(after!)} at ${f(input.withTrial.phaseDeg)}° − ${f(before!)} at ${f(input.initial.phaseDeg)}°`,
      `${f(abs(change))} at ${f(angleDeg(change))}°`,
    );
    work.step(
      'Of the vibration',
      '|R − O| / the larger',
      `${f(abs(change))} / ${f(Math.max(before!, after!))}`,
      canonical(share * 100, 'percent'),
    );
    work.step(
      'Weight',
      'W · O/|R − O|',
      `${f(input.trial.massKg * 1000)} g × ${f(before!)} / ${f(abs(change))}`,
      canonical(abs(C), 'mass'),
    );
    work.step(
      'Angle',
      'angle W + 180° + angle O − angle (R − O)',
      `${f(input.trial.angleDeg)} + 180 + ${f(input.initial.phaseDeg)} − ${f(angleDeg(change))}`,
      canonical(angle, 'angle'),
    );
    const removal = (angle + 180) % 360;
    work.step('Or take off', 'on the opposite side', `${f(angle)} + 180`, canonical(removal, 'angle'));
    if (share < THIN_CHANGE)
      work.warn(
        'thin-trial',
        `The trial changed the vibration by ${f(share * 100, 0)} % only: a heavier one gives a surer answer.`,
      );
    if (abs(C) > MOST_TRIALS * input.trial.massKg)
      work.warn('far-beyond-the-trial', 'Many times the trial: put half of it on, run again, and go on from there.');
    if (input.phaseSense === undefined)
      work.warn('sense', 'Count phase and weight from one mark and in one sense; take the trial weight off again.');
    else work.given('All angles counted', input.phaseSense.replace('-', ' '));
    work.warn('two-planes', 'For a narrow rotor. One that is longer than half its diameter wants two planes.');
    return {
      mass: canonical(abs(C), 'mass'),
      angle: canonical(angle, 'angle'),
      removalAngle: canonical(removal, 'angle'),
      effect: canonical(share * 100, 'percent'),
    };
  },
});
