import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { choice, defaulted, defineReckoner, more, number, optional, quantity, text } from '../shape/index.ts';
import { assemblyForceN, bearingMean, strengthOf, torquePerForceMm } from './bolt-mechanics.ts';
import { propertyClassNames } from './tables/property-classes.ts';
import { frictionOf, threadStates } from './tables/thread-friction.ts';
import { threadGeometry } from './thread-geometry.ts';

/** Young's modulus of steel bolts, MPa (VDI 2230-1). */
const BOLT_E = 205_000;
/** Strain past the elastic from which a bolt begins to neck: a careful share of what ISO 898-1 asks (9 to 12 %). */
const MOST_PLASTIC_PERCENT = 1;

/**
 * Clamp force after a snug torque and a turn: the turn stretches the bolt and squeezes the joint, as two springs in a row.
 * F = F(snug) + (angle/360) P / (1/kb + 1/kj), kb = E As / grip. Past yield the force is held at the yield force: the
 * bolt has then been drawn and must be new next time. Source: VDI 2230-1.
 */
export const torqueAngle = defineReckoner({
  id: 'torque-angle',
  title: 'Torque and angle',
  subject: 'fasteners',
  asks: ['plus 90 degrees', 'angle tightening', 'stretch bolts', 'quarter turn'],
  formula: 'F = T/(0.16 P + 0.58 d2 μG + ½ DKm μK) + (angle/360) P / (1/kb + 1/kj);  kb = E As / grip',
  sources: ['VDI 2230-1 (two springs in a row)', 'E = 205 GPa for steel bolts'],
  checks: [
    {
      inputs: { thread: 'M10', propertyClass: '10.9', snugTorque: '20 N·m', angle: '90 deg', gripLength: '60 mm' },
      // 48.3 kN at yield less 12.2 kN from the snug torque
      gives: { clampAdded: '36.1 kN', pastYield: 'yes' },
      source: 'by hand from the formula, capped at the force of yield under torsion',
    },
    {
      inputs: { thread: 'M10', propertyClass: '10.9', snugTorque: '20 N·m', angle: '30 deg', gripLength: '60 mm' },
      gives: { clampAdded: '20.6 kN', pastYield: 'no' },
      source: 'by hand: 30/360 × 1.5 / (1/198.1 + 1/990.6)',
    },
  ],
  dangers: {
    drawn: {
      harm: 'A bolt that has been drawn is put back: it lets go at a load it once held.',
      fires: { angle: '90 deg' },
      silent: { angle: '50 deg' },
    },
    'snug-past-yield': {
      harm: 'The first torque alone breaks the bolt, or leaves it drawn before the turn begins.',
      fires: { snugTorque: '80 N·m' },
      silent: { snugTorque: '79 N·m' },
    },
    'over-drawn': {
      harm: 'So much turn that the bolt necks: it breaks under the wrench or soon after.',
      fires: { angle: '200 deg' },
      silent: { angle: '195 deg' },
    },
    'short-bolt': {
      harm: 'On a short bolt a few degrees are the whole of the clamp: the figure looks finer than the hand is.',
      fires: { gripLength: '29.9 mm' },
      silent: { gripLength: '30 mm' },
    },
  },
  inputs: {
    thread: text('Thread', { maxLength: 30, find: 'thread-find' }),
    propertyClass: choice(propertyClassNames, 'Property class'),
    snugTorque: quantity('torque', 'Snug torque', { above: 0 }),
    angle: quantity('angle', 'Then turn', { min: 0, max: 720 }),
    gripLength: quantity('length', 'Grip: length that stretches', { above: 0, max: 2000 }),
    threadState: optional(choice(threadStates, 'What is on the thread')),
    frictionThread: more(
      optional(number('Friction in the thread μG', { above: 0, max: 1, help: '0.12 when nothing is said' })),
    ),
    frictionHead: more(
      optional(number('Friction under the head μK', { above: 0, max: 1, help: 'as in the thread, when left out' })),
    ),
    jointStiffnessRatio: more(defaulted(number('Joint stiffer than the bolt by', { above: 0, max: 100 }), 5)),
  },
  outputs: {
    clampAfterSnug: { label: 'Clamp force after snug', is: 'force' },
    clampAdded: { label: 'Added by the turn', is: 'force' },
    clampTotal: { label: 'Clamp force', is: 'force' },
    percentOfYield: { label: 'Share of the force at yield', is: 'percent' },
    pastYield: { label: 'Past yield', is: 'word' },
    plasticStretch: { label: 'Drawn past the elastic by', is: 'length' },
    plasticStrain: { label: 'Which is, of the grip', is: 'percent' },
  },
  compute(input, work) {
    const t = threadGeometry(input.thread, 'thread');
    const strength = strengthOf(input.propertyClass, t);
    const muG = frictionOf(input, work);
    const muK = input.frictionHead ?? muG;
    if (input.frictionHead === undefined) work.assume('Friction under the head μK', f(muK), 'as in the thread');
    const perForce = torquePerForceMm(t, bearingMean(t).meanMm, muG, muK);
    const snug = (input.snugTorqueNm * 1000) / perForce;
    const kb = (BOLT_E * t.stressAreaMm2) / input.gripLengthMm;
    const kj = kb * input.jointStiffnessRatio;
    const elastic = ((input.angleDeg / 360) * t.pitchMm) / (1 / kb + 1 / kj);
    const yields = assemblyForceN(t, strength.rpMPa, muG, 1);
    const past = snug + elastic > yields;
    const total = Math.min(snug + elastic, yields);
    const added = Math.max(0, total - snug);
    const share = ((snug + elastic) / yields) * 100;
    work.step(
      'After snug',
      'T / (0.16 P + 0.58 d2 μG + ½ DKm μK)',
      `${f(input.snugTorqueNm * 1000, 0)} / ${f(perForce, 3)}`,
      canonical(snug, 'force'),
    );
    work.step(
      'Stiffness of the bolt',
      'kb = E As / grip',
      `${BOLT_E} × ${f(t.stressAreaMm2, 2)} / ${f(input.gripLengthMm)}`,
      canonical(kb, 'springRate'),
    );
    work.step(
      'The turn would add',
      '(angle/360) P / (1/kb + 1/kj)',
      `${f(input.angleDeg)}/360 × ${f(t.pitchMm)} / (1/${f(kb, 0)} + 1/${f(kj, 0)})`,
      canonical(elastic, 'force'),
    );
    work.step(
      'Force at yield, with torsion',
      'as bolt-torque with ν = 1',
      `Rp ${f(strength.rpMPa)}`,
      canonical(yields, 'force'),
    );
    work.step('Added', 'no more than to yield', `${f(total, 0)} − ${f(snug, 0)}`, canonical(added, 'force'));
    work.step('Clamp force', 'snug + added', `${f(snug, 0)} + ${f(added, 0)}`, canonical(total, 'force'));
    // What the turn travels beyond the point of yield stays in the bolt.
    const plastic = past ? Math.max(0, snug + elastic - Math.max(yields, snug)) * (1 / kb + 1 / kj) : 0;
    const strain = (plastic / input.gripLengthMm) * 100;
    work.step(
      'Drawn past the elastic',
      '(snug + turn − yield) (1/kb + 1/kj)',
      `${f(Math.max(0, snug + elastic - Math.max(yields, snug)), 0)} × (1/${f(kb, 0)} + 1/${f(kj, 0)})`,
      canonical(plastic, 'length'),
    );
    work.step(
      'Of the grip',
      'drawn / grip',
      `${f(plastic, 3)} / ${f(input.gripLengthMm)}`,
      canonical(strain, 'percent'),
    );
    if (past)
      work.warn(
        'drawn',
        `Past yield: drawn by ${f(plastic, 3)} mm, ${f(strain, 2)} % of the grip. It must be new next time.`,
      );
    if (strain > MOST_PLASTIC_PERCENT)
      work.warn(
        'over-drawn',
        `More than ${MOST_PLASTIC_PERCENT} % past the elastic: a bolt necks and breaks from there. Check the angle and the grip against the maker’s figure.`,
      );
    if (snug > yields) work.warn('snug-past-yield', 'The snug torque alone is past yield: check the figure.');
    if (input.gripLengthMm < 3 * t.nominalMm)
      work.warn(
        'short-bolt',
        'A short, stiff bolt: a few degrees matter. Threads and head add stretch that this leaves out.',
      );
    return {
      clampAfterSnug: canonical(snug, 'force'),
      clampAdded: canonical(added, 'force'),
      clampTotal: canonical(total, 'force'),
      percentOfYield: canonical(share, 'percent'),
      pastYield: past ? 'yes' : 'no',
      plasticStretch: canonical(plastic, 'length'),
      plasticStrain: canonical(strain, 'percent'),
    };
  },
});
