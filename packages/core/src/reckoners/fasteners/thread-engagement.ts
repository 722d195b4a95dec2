import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { choice, defineReckoner, more, number, optional, quantity, ReckonError, text } from '../shape/index.ts';
import {
  assemblyForceN,
  bearingMean,
  BOLT_SHEAR_RATIO,
  boltStripForceN,
  fullThreadMm,
  INCOMPLETE_ENDS,
  nutStripForceN,
  strengthOf,
  torquePerForceMm,
} from './bolt-mechanics.ts';
import { propertyClassNames } from './tables/property-classes.ts';
import { DOUBTFUL_STRENGTHS, threadMaterialNames, threadMaterials } from './tables/thread-materials.ts';
import { frictionOf, threadStates } from './tables/thread-friction.ts';
import { threadGeometry } from './thread-geometry.ts';
import { leastMaterial } from './thread-limits.ts';

/**
 * How much a length of thread holds, and the torque at which the weakest of bolt, bolt thread and nut thread gives.
 * Shear areas after FED-STD-H28/2B at the sizes of least material, the incomplete ends taken off; valid in clean holes.
 */
export const threadEngagement = defineReckoner({
  id: 'thread-engagement',
  title: 'How much a thread holds',
  subject: 'fasteners',
  asks: ['how deep must it go in', 'will it strip', 'thread insert', 'soft case'],
  formula:
    'nut: τ π d(min) (m′/P)(P/2 + (d(min) − D2(max))/√3);  bolt: 0.6 Rm π D1(max) (m′/P)(P/2 + (d2(min) − D1(max))/√3);  m′ = m − 0.8 P;  bolt breaks at Rm As',
  sources: [
    'VDI 2230-1; FED-STD-H28/2B shear areas; ISO 965-1 limits 6H/6g, ASME B1.1 limits 2B/2A',
    'shear strengths: common practice, from memory; mild steel and bronze are doubtful (handbooks differ by a fifth)',
  ],
  checks: [
    {
      inputs: { thread: 'M8', propertyClass: '8.8', engagement: '16 mm', nutMaterial: 'aluminium' },
      // 150 × π × 7.760 × 15/1.25 × (0.625 + (7.760 − 7.348)/√3)
      gives: { nutStripForce: '37.86 kN', weakest: 'bolt' },
      source: 'by hand from FED-STD-H28/2B; ISO 965-1: d(min) 7.760, D2(max) 7.348',
    },
    {
      inputs: { thread: 'M8', propertyClass: '8.8', engagement: '9 mm', nutMaterial: 'aluminium' },
      gives: { nutStripForce: '20.19 kN', weakest: 'nut-thread' },
      source: 'by hand from FED-STD-H28/2B: the bolt would break at 29.3 kN',
    },
  ],
  dangers: {
    'strips-first': {
      harm: 'The thread pulls out of the case on the last pull, or in service: what it clamps comes loose.',
      fires: { engagement: '12 mm' },
      silent: { engagement: '13 mm' },
    },
    'short-engagement': {
      harm: 'With hardly a full turn engaged the figure is believed and the thread gives way.',
      fires: { engagement: '3.9 mm' },
      silent: { engagement: '4 mm' },
    },
    'doubtful-strength': {
      harm: 'Mild steel and bronze differ by a fifth from one handbook to the next: a thread is trusted that strips.',
      fires: { nutMaterial: 'bronze' },
      silent: { nutMaterial: 'aluminium' },
    },
  },
  inputs: {
    thread: text('Thread', { maxLength: 30, find: 'thread-find' }),
    propertyClass: choice(propertyClassNames, 'Property class of the bolt'),
    engagement: quantity('length', 'Length of thread engaged', { above: 0, max: 500 }),
    nutMaterial: optional(choice(threadMaterialNames, 'What it is screwed into')),
    nutShearStrength: optional(more(quantity('stress', 'Shear strength of that', { above: 0, max: 2000 }))),
    threadState: optional(choice(threadStates, 'What is on the thread')),
    friction: more(optional(number('Friction', { above: 0, max: 1, help: '0.12 when nothing is said' }))),
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
    const mu = frictionOf({ frictionThread: input.friction, threadState: input.threadState }, work);
    const perForce = torquePerForceMm(t, bearingMean(t).meanMm, mu, mu);
    const yields = assemblyForceN(t, strength.rpMPa, mu, 1);
    const limitForce = Math.min(boltStrip, nutStrip, yields);
    const limitTorque = (limitForce * perForce) / 1000;
    const weakest =
      Math.min(boltStrip, nutStrip) >= breaks ? 'bolt' : nutStrip <= boltStrip ? 'nut-thread' : 'bolt-thread';

    work.given('Shear strength of the nut thread', canonical(tau, 'stress'));
    const limits = leastMaterial(t);
    const full = fullThreadMm(t, input.engagementMm);
    work.step(
      'Full thread m′',
      'm − 0.8 P: the ends do not carry',
      `${f(input.engagementMm)} − ${INCOMPLETE_ENDS} × ${f(t.pitchMm)}`,
      canonical(full, 'length'),
    );
    work.given(`Least outside of the bolt (${limits.classes})`, canonical(limits.boltMajorMm, 'length'));
    work.given('Largest pitch diameter of the nut', canonical(limits.nutPitchMm, 'length'));
    work.step(
      'Nut thread strips at',
      'τ π d(min) (m′/P)(P/2 + (d(min) − D2(max))/√3)',
      `${f(tau)} × π × ${f(limits.boltMajorMm, 3)} × ${f(full)}/${f(t.pitchMm)} × (${f(t.pitchMm / 2)} + ${f(limits.boltMajorMm - limits.nutPitchMm, 3)}/√3)`,
      canonical(nutStrip, 'force'),
    );
    work.step(
      'Bolt thread strips at',
      '0.6 Rm π D1(max) (m′/P)(P/2 + (d2(min) − D1(max))/√3)',
      `${BOLT_SHEAR_RATIO} × ${f(strength.rmMPa)} × π × ${f(limits.nutMinorMm, 3)} × ${f(full)}/${f(t.pitchMm)} × (${f(t.pitchMm / 2)} + ${f(limits.boltPitchMm - limits.nutMinorMm, 3)}/√3)`,
      canonical(boltStrip, 'force'),
    );
    work.step('Bolt breaks at', 'Rm As', `${f(strength.rmMPa)} × ${f(t.stressAreaMm2, 2)}`, canonical(breaks, 'force'));
    work.step(
      'Bolt yields, tightened, at',
      'as bolt-torque with ν = 1',
      `Rp ${f(strength.rpMPa)}, μ ${mu}`,
      canonical(yields, 'force'),
    );
    work.step(
      'Limit of torque',
      'T = F (0.16 P + 0.58 d2 μ + ½ DKm μ)',
      `${f(limitForce, 0)} × ${f(perForce, 3)} / 1000`,
      canonical(limitTorque, 'torque'),
    );
    if (weakest !== 'bolt')
      work.warn(
        'strips-first',
        'The thread gives before the bolt breaks: no warning is felt. Take more engagement, or an insert.',
      );
    if (input.engagementMm < 0.5 * t.nominalMm)
      work.warn(
        'short-engagement',
        'Less than half a diameter engaged: chamfers and the first turns count for too much to trust this.',
      );
    if (input.nutMaterial !== undefined && DOUBTFUL_STRENGTHS.includes(input.nutMaterial))
      work.warn(
        'doubtful-strength',
        `The shear strength of ${input.nutMaterial} is doubtful here (handbooks differ by a fifth): leave a margin, or give its figure.`,
      );
    return {
      boltStripForce: canonical(boltStrip, 'force'),
      nutStripForce: canonical(nutStrip, 'force'),
      limitTorque: canonical(limitTorque, 'torque'),
      weakest,
    };
  },
});
