import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { choice, defaulted, defineReckoner, number, optional, quantity, ReckonError, text } from '../shape/index.ts';
import {
  assemblyForceN,
  bearingMean,
  BOLT_SHEAR_RATIO,
  boltStripForceN,
  nutStripForceN,
  strengthOf,
  torquePerForceMm,
} from './bolt-mechanics.ts';
import { propertyClassNames } from './tables/property-classes.ts';
import { threadMaterialNames, threadMaterials } from './tables/thread-materials.ts';
import { threadGeometry } from './thread-geometry.ts';

/**
 * How much a length of thread holds, and the torque at which the weakest of bolt, bolt thread and nut thread gives.
 * Shear areas after VDI 2230-1 and FED-STD-H28 without the small corrections; valid for full threads in clean holes.
 */
export const threadEngagement = defineReckoner({
  id: 'thread-engagement',
  title: 'How much a thread holds',
  subject: 'fasteners',
  asks: ['how deep must it go in', 'will it strip', 'thread insert', 'soft case'],
  formula: 'nut: τ π d (m/P)(P/2 + (d − d2)/√3);  bolt: 0.6 Rm π D1 (m/P)(P/2 + (d2 − D1)/√3);  bolt breaks at Rm As',
  sources: ['VDI 2230-1; FED-STD-H28 shear areas', 'shear strengths: common practice, from memory'],
  checks: [
    {
      inputs: { thread: 'M8', propertyClass: '8.8', engagement: '16 mm', nutMaterial: 'aluminium' },
      // 150 × π × 8 × 16/1.25 × (0.625 + 0.8119/√3)
      gives: { nutStripForce: '52.78 kN', weakest: 'bolt' },
      source: 'by hand from the formula',
    },
    {
      inputs: { thread: 'M8', propertyClass: '8.8', engagement: '6 mm', nutMaterial: 'aluminium' },
      gives: { weakest: 'nut-thread' },
      source: 'by hand from the formula',
    },
  ],
  inputs: {
    thread: text('Thread', { maxLength: 30 }),
    propertyClass: choice(propertyClassNames, 'Property class of the bolt'),
    engagement: quantity('length', 'Length of thread engaged', { above: 0, max: 500 }),
    nutMaterial: optional(choice(threadMaterialNames, 'What it is screwed into')),
    nutShearStrength: optional(quantity('stress', 'Shear strength of that', { above: 0, max: 2000 })),
    friction: defaulted(number('Friction', { above: 0, max: 1 }), 0.12),
  },
  outputs: {
    boltStripForce: { label: 'Bolt thread strips at', is: 'force' },
    nutStripForce: { label: 'Nut thread strips at', is: 'force' },
    limitTorque: { label: 'Torque at which the weakest gives', is: 'torque' },
    weakest: { label: 'Weakest', is: 'word' },
  },
  compute(input, work) {
    const t = threadGeometry(input.thread, 'thread');
    const strength = strengthOf(input.propertyClass, t);
    if ((input.nutMaterial === undefined) === (input.nutShearStrengthMPa === undefined)) {
      throw new ReckonError(
        input.nutMaterial === undefined ? 'missing-field' : 'inconsistent',
        'nutMaterial',
        input.nutMaterial ?? null,
        'either nutMaterial or nutShearStrength',
      );
    }
    const tau = input.nutShearStrengthMPa ?? threadMaterials[input.nutMaterial!];
    const boltStrip = boltStripForceN(t, input.engagementMm, strength.rmMPa);
    const nutStrip = nutStripForceN(t, input.engagementMm, tau);
    const breaks = strength.rmMPa * t.stressAreaMm2;
    const perForce = torquePerForceMm(t, bearingMean(t).meanMm, input.friction, input.friction);
    const yields = assemblyForceN(t, strength.rpMPa, input.friction, 1);
    const limitForce = Math.min(boltStrip, nutStrip, yields);
    const limitTorque = (limitForce * perForce) / 1000;
    const weakest =
      Math.min(boltStrip, nutStrip) >= breaks ? 'bolt' : nutStrip <= boltStrip ? 'nut-thread' : 'bolt-thread';

    work.given('Shear strength of the nut thread', canonical(tau, 'stress'));
    work.step(
      'Nut thread strips at',
      'τ π d (m/P)(P/2 + (d − d2)/√3)',
      `${f(tau)} × π × ${f(t.nominalMm)} × ${f(input.engagementMm)}/${f(t.pitchMm)} × (${f(t.pitchMm / 2)} + ${f(t.nominalMm - t.pitchDiameterMm, 3)}/√3)`,
      canonical(nutStrip, 'force'),
    );
    work.step(
      'Bolt thread strips at',
      '0.6 Rm π D1 (m/P)(P/2 + (d2 − D1)/√3)',
      `${BOLT_SHEAR_RATIO} × ${f(strength.rmMPa)} × π × ${f(t.minorMm, 3)} × ${f(input.engagementMm)}/${f(t.pitchMm)} × (${f(t.pitchMm / 2)} + ${f(t.pitchDiameterMm - t.minorMm, 3)}/√3)`,
      canonical(boltStrip, 'force'),
    );
    work.step('Bolt breaks at', 'Rm As', `${f(strength.rmMPa)} × ${f(t.stressAreaMm2, 2)}`, canonical(breaks, 'force'));
    work.step(
      'Bolt yields, tightened, at',
      'as bolt-torque with ν = 1',
      `Rp ${f(strength.rpMPa)}, μ ${input.friction}`,
      canonical(yields, 'force'),
    );
    work.step(
      'Limit of torque',
      'T = F (0.16 P + 0.58 d2 μ + ½ DKm μ)',
      `${f(limitForce, 0)} × ${f(perForce, 3)} / 1000`,
      canonical(limitTorque, 'torque'),
    );
    if (weakest !== 'bolt')
      work.warn('The thread gives before the bolt breaks: no warning is felt. Take more engagement, or an insert.');
    if (input.engagementMm < 0.5 * t.nominalMm)
      work.warn('Less than half a diameter engaged: chamfers and the first turns count for too much to trust this.');
    return {
      boltStripForce: canonical(boltStrip, 'force'),
      nutStripForce: canonical(nutStrip, 'force'),
      limitTorque: canonical(limitTorque, 'torque'),
      weakest,
    };
  },
});
