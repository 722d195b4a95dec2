import { canonical, formatNumber as f } from '../../quantities/index.ts';
import {
  choice,
  defaulted,
  defineReckoner,
  more,
  number,
  optional,
  quantity,
  ReckonError,
  text,
} from '../shape/index.ts';
import { assemblyForceN, bearingMean, strengthOf, stressDiameterMm, torquePerForceMm } from './bolt-mechanics.ts';
import { propertyClassNames } from './tables/property-classes.ts';
import { tighteningFactors, tighteningMethods } from './tables/tightening-factors.ts';
import { seatLimits, seatNames } from './tables/seat-pressure.ts';
import { frictionOf, threadStates } from './tables/thread-friction.ts';
import { threadGeometry } from './thread-geometry.ts';

/** Friction that VDI 2230-1 table A5 covers, from memory. */
const FRICTION_TABLE = { from: 0.04, to: 0.35 };

/**
 * Tightening torque and clamp force of a bolt from thread, class and friction.
 * F = A0 ν Rp / √(1 + 3[1.5 (d2/d0)(P/(π d2) + 1.155 μG)]²); T = F (0.16 P + 0.58 d2 μG + ½ DKm μK).
 * Source: VDI 2230-1, ISO 16047. Valid for steel bolts with a plain head face, tightened by turning, below yield.
 */
export const boltTorque = defineReckoner({
  id: 'bolt-torque',
  title: 'Bolt torque and clamp force',
  subject: 'fasteners',
  asks: ['how tight', 'what torque', 'no figure in the book', 'clamp force'],
  formula: 'F = A0 ν Rp / √(1 + 3[1.5 (d2/d0)(P/(π d2) + 1.155 μG)]²);  T = F (0.16 P + 0.58 d2 μG + ½ DKm μK)',
  sources: ['VDI 2230-1; ISO 16047', 'ISO 898-1, ISO 3506-1, SAE J429 strengths', 'ISO 4014 head, ISO 273 medium hole'],
  checks: [
    {
      inputs: { thread: 'M8', propertyClass: '8.8' },
      gives: { torque: '24.6 N·m', clampForce: '18.6 kN' },
      source: 'VDI 2230-1 table A1',
    },
    {
      inputs: { thread: 'M10', propertyClass: '8.8' },
      gives: { torque: '48 N·m', clampForce: '29.6 kN' },
      source: 'VDI 2230-1 table A1',
    },
    { inputs: { thread: 'M12', propertyClass: '10.9' }, gives: { torque: '123 N·m' }, source: 'VDI 2230-1 table A1' },
    { inputs: { thread: 'M16', propertyClass: '8.8' }, gives: { torque: '206 N·m' }, source: 'VDI 2230-1 table A1' },
  ],
  dangers: {
    'unknown-head': {
      harm: 'The face that rubs is a guess: the bolt ends up looser or tighter than the figure says.',
      fires: { thread: 'M15x1.5' },
      silent: { thread: 'M16x1.5' },
    },
    'friction-off-table': {
      harm: 'A friction nobody measures: too slippery and the bolt is pulled past yield, too rough and it never clamps.',
      fires: { frictionThread: 0.36 },
      silent: { frictionThread: 0.35, frictionHead: 0.35 },
    },
    'scatter-to-yield': {
      harm: 'The wrench clicks, and the bolt has been drawn: it lets go later.',
      fires: { method: 'torque-wrench', utilisation: 0.9 },
      silent: { method: 'torque-wrench', utilisation: 0.7 },
    },
    galling: {
      harm: 'Stainless on stainless seizes in mid-pull: the wrench clicks on a joint that is not clamped, and the stud shears.',
      fires: { propertyClass: 'A2-70' },
      silent: { propertyClass: '8.8' },
    },
    'head-sinks-in': {
      harm: 'The head sinks into what is under it and the clamp is gone after a day.',
      fires: { seat: 'aluminium' },
      silent: { seat: 'steel' },
    },
    'odd-pitch': {
      harm: 'The pitch was read wrong: a wrong bolt is forced in, and its torque is a wrong one as well.',
      fires: { thread: 'M8x0.5' },
      silent: { thread: 'M8x0.75' },
    },
  },
  inputs: {
    thread: text('Thread', { maxLength: 30, find: 'thread-find' }),
    propertyClass: choice(propertyClassNames, 'Property class'),
    threadState: optional(choice(threadStates, 'What is on the thread')),
    frictionThread: more(
      optional(number('Friction in the thread μG', { above: 0, max: 1, help: '0.12 when nothing is said' })),
    ),
    frictionHead: more(
      optional(number('Friction under the head μK', { above: 0, max: 1, help: 'as in the thread, when left out' })),
    ),
    utilisation: more(defaulted(number('Share of yield used ν', { above: 0, max: 1 }), 0.9)),
    bearingDiameter: more(optional(quantity('length', 'Bearing diameter under the head', { above: 0, max: 500 }))),
    holeDiameter: more(optional(quantity('length', 'Hole diameter', { above: 0, max: 500 }))),
    seat: optional(choice(seatNames, 'What the head sits on')),
    method: defaulted(choice(tighteningMethods, 'How it is tightened'), 'torque-wrench'),
  },
  outputs: {
    torque: { label: 'Torque', is: 'torque' },
    clampForce: { label: 'Clamp force', is: 'force' },
    proofLoad: { label: 'Proof load', is: 'force' },
    yieldForce: { label: 'Force at yield', is: 'force' },
    clampLow: { label: 'Least clamp force', is: 'force' },
    clampHigh: { label: 'Most clamp force', is: 'force' },
    headPressure: { label: 'Pressure under the head', is: 'stress' },
  },
  compute(input, work) {
    const t = threadGeometry(input.thread, 'thread');
    const strength = strengthOf(input.propertyClass, t);
    const muG = frictionOf(input, work);
    const muK = input.frictionHead ?? muG;
    if (input.frictionHead === undefined) work.assume('Friction under the head μK', f(muK), 'as in the thread');
    const face = bearingMean(t, input.bearingDiameterMm, input.holeDiameterMm);
    if (face.innerMm >= face.outerMm) {
      throw new ReckonError(
        'out-of-range',
        'holeDiameter',
        f(face.innerMm),
        `a hole smaller than the bearing diameter ${f(face.outerMm)} mm`,
      );
    }
    const d0 = stressDiameterMm(t);
    const force = assemblyForceN(t, strength.rpMPa, muG, input.utilisation);
    const perForce = torquePerForceMm(t, face.meanMm, muG, muK);
    const torque = (force * perForce) / 1000;
    const alpha = tighteningFactors[input.method];
    // αA = Fmax/Fmin about the mean F at the friction given.
    const low = (2 * force) / (1 + alpha.to);
    const high = alpha.to * low;
    const yieldForce = strength.rpMPa * t.stressAreaMm2;

    work.given('Pitch P', canonical(t.pitchMm, 'length'));
    work.given('Pitch diameter d2', canonical(t.pitchDiameterMm, 'length'));
    work.step(
      'Stress diameter',
      'd0 = (d2 + d3)/2',
      `(${f(t.pitchDiameterMm, 3)} + ${f(t.rootMm, 3)})/2`,
      canonical(d0, 'length'),
    );
    work.given('Least yield stress Rp', canonical(strength.rpMPa, 'stress'));
    work.step(
      'Clamp force',
      'F = π/4 d0² ν Rp / √(1 + 3[1.5 (d2/d0)(P/(π d2) + 1.155 μG)]²)',
      `π/4 × ${f(d0, 3)}² × ${input.utilisation} × ${f(strength.rpMPa)} / √(1 + 3 × [1.5 × ${f(t.pitchDiameterMm / d0, 4)} × (${f(t.pitchMm, 3)}/(π × ${f(t.pitchDiameterMm, 3)}) + 1.155 × ${muG})]²)`,
      canonical(force, 'force'),
    );
    work.step(
      'Mean rubbing diameter',
      'DKm = (head + hole)/2',
      `(${f(face.outerMm, 2)} + ${f(face.innerMm, 2)})/2`,
      canonical(face.meanMm, 'length'),
    );
    work.step(
      'Torque',
      'T = F (0.16 P + 0.58 d2 μG + ½ DKm μK)',
      `${f(force, 0)} × (0.16 × ${f(t.pitchMm, 3)} + 0.58 × ${f(t.pitchDiameterMm, 3)} × ${muG} + ½ × ${f(face.meanMm, 3)} × ${muK}) / 1000`,
      canonical(torque, 'torque'),
    );
    work.step(
      'Clamp force reached, least',
      'Fmin = 2 F/(1 + αA)',
      `2 × ${f(force, 0)}/(1 + ${alpha.to})`,
      canonical(low, 'force'),
    );
    work.step('Clamp force reached, most', 'Fmax = αA Fmin', `${alpha.to} × ${f(low, 0)}`, canonical(high, 'force'));
    const headArea = (Math.PI / 4) * (face.outerMm ** 2 - face.innerMm ** 2);
    const headPressure = force / headArea;
    work.step(
      'Pressure under the head',
      'F / (π/4 (head² − hole²))',
      `${f(force, 0)} / (π/4 × (${f(face.outerMm, 2)}² − ${f(face.innerMm, 2)}²))`,
      canonical(headPressure, 'stress'),
    );
    if (input.seat !== undefined && headPressure > seatLimits[input.seat])
      work.warn(
        'head-sinks-in',
        `${f(headPressure, 0)} MPa under the head, and ${input.seat} takes about ${seatLimits[input.seat]} (VDI 2230-1 table A9, from memory): use a hard washer or a flanged bolt.`,
      );
    if (input.propertyClass.startsWith('A'))
      work.warn(
        'galling',
        'Stainless galls: paste on thread and under the head, turn slowly, and judge it with the friction of the paste.',
      );
    if (t.unusualPitch)
      work.warn(
        'odd-pitch',
        `${t.designation} is not a diameter and pitch that ISO 261 lists together: see that the pitch was read right.`,
      );
    if (face.assumed)
      work.warn(
        'unknown-head',
        `No standard head is tabulated for ${t.designation}: 1.45 d is taken for the bearing face. Give the bearing diameter.`,
      );
    if (Math.min(muG, muK) < FRICTION_TABLE.from || Math.max(muG, muK) > FRICTION_TABLE.to) {
      work.warn(
        'friction-off-table',
        `Friction outside ${FRICTION_TABLE.from} to ${FRICTION_TABLE.to}, the range that the tables cover.`,
      );
    }
    if (high > yieldForce)
      work.warn(
        'scatter-to-yield',
        'With this method the scatter can reach yield: measure the friction, or tighten less.',
      );
    return {
      torque: canonical(torque, 'torque'),
      clampForce: canonical(force, 'force'),
      proofLoad: canonical(strength.spMPa * t.stressAreaMm2, 'force'),
      yieldForce: canonical(yieldForce, 'force'),
      clampLow: canonical(low, 'force'),
      clampHigh: canonical(high, 'force'),
      headPressure: canonical(headPressure, 'stress'),
    };
  },
});
