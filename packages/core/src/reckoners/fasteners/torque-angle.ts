import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { choice, defaulted, defineReckoner, number, quantity, text } from '../shape/index.ts';
import { assemblyForceN, bearingMean, strengthOf, torquePerForceMm } from './bolt-mechanics.ts';
import { propertyClassNames } from './tables/property-classes.ts';
import { threadGeometry } from './thread-geometry.ts';

/** Young's modulus of steel bolts, MPa (VDI 2230-1). */
const BOLT_E = 205_000;

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
  inputs: {
    thread: text('Thread', { maxLength: 30 }),
    propertyClass: choice(propertyClassNames, 'Property class'),
    snugTorque: quantity('torque', 'Snug torque', { above: 0 }),
    angle: quantity('angle', 'Then turn', { min: 0, max: 720 }),
    gripLength: quantity('length', 'Grip: length that stretches', { above: 0, max: 2000 }),
    frictionThread: defaulted(number('Friction in the thread μG', { above: 0, max: 1 }), 0.12),
    frictionHead: defaulted(number('Friction under the head μK', { above: 0, max: 1 }), 0.12),
    jointStiffnessRatio: defaulted(number('Joint stiffer than the bolt by', { above: 0, max: 100 }), 5),
  },
  outputs: {
    clampAfterSnug: { label: 'Clamp force after snug', is: 'force' },
    clampAdded: { label: 'Added by the turn', is: 'force' },
    clampTotal: { label: 'Clamp force', is: 'force' },
    percentOfYield: { label: 'Share of the force at yield', is: 'percent' },
    pastYield: { label: 'Past yield', is: 'word' },
  },
  compute(input, work) {
    const t = threadGeometry(input.thread, 'thread');
    const strength = strengthOf(input.propertyClass, t);
    const perForce = torquePerForceMm(t, bearingMean(t).meanMm, input.frictionThread, input.frictionHead);
    const snug = (input.snugTorqueNm * 1000) / perForce;
    const kb = (BOLT_E * t.stressAreaMm2) / input.gripLengthMm;
    const kj = kb * input.jointStiffnessRatio;
    const elastic = ((input.angleDeg / 360) * t.pitchMm) / (1 / kb + 1 / kj);
    const yields = assemblyForceN(t, strength.rpMPa, input.frictionThread, 1);
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
    if (past) work.warn('Past yield: the bolt has been drawn. It must be new next time.');
    if (snug > yields) work.warn('The snug torque alone is past yield: check the figure.');
    if (input.gripLengthMm < 3 * t.nominalMm)
      work.warn('A short, stiff bolt: a few degrees matter. Threads and head add stretch that this leaves out.');
    return {
      clampAfterSnug: canonical(snug, 'force'),
      clampAdded: canonical(added, 'force'),
      clampTotal: canonical(total, 'force'),
      percentOfYield: canonical(share, 'percent'),
      pastYield: past ? 'yes' : 'no',
    };
  },
});
