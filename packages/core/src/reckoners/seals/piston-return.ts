import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { defaulted, defineReckoner, number, quantity } from '../shape/index.ts';

/** Young's modulus of rubber from Shore A: E = 0.0981 (56 + 7.66 S) / (0.137505 (254 − 2.54 S)) MPa (Gent 1958). */
export const rubberModulusMPa = (shoreA: number): number =>
  (0.0981 * (56 + 7.66 * shoreA)) / (0.137505 * (254 - 2.54 * shoreA));

/** Line load of a rubber cord squeezed between flats: F/L = d E (1.25 C^1.5 + 50 C^6), C the squeeze (Lindley 1967). */
export const lineLoadNPerMm = (sectionMm: number, modulusMPa: number, squeeze: number): number =>
  sectionMm * modulusMPa * (1.25 * squeeze ** 1.5 + 50 * squeeze ** 6);

/** Will the spring bring a piston back past its ring? Contact force from squeeze and hardness; handbook, from memory. */
export const pistonReturn = defineReckoner({
  id: 'piston-return',
  title: 'Will the piston come back',
  subject: 'seals',
  asks: ['piston sticks', 'return spring', 'o-ring drag', 'clutch does not release'],
  formula: 'friction = μ π D n · w E (1.25 C^1.5 + 50 C^6);  margin = spring − friction − residual pressure · area',
  sources: [
    'Gent 1958 (hardness to stiffness), Lindley 1967 (squeezed cord): from memory',
    'friction of oiled rubber: common practice',
  ],
  checks: [
    {
      inputs: { squeeze: '15 %', section: '3 mm', insideDiameter: '30 mm', springForce: '500 N' },
      gives: { ringFriction: '41.3 N', verdict: 'returns' },
      source: 'by hand: E 5.54 MPa, 1.22 N/mm on π × 36 mm, μ 0.3',
    },
  ],
  dangers: {
    'past-30': {
      harm: 'The ring grips harder than reckoned: the piston stays out and the brake or clutch drags.',
      fires: { squeeze: '30.1 %' },
      silent: { squeeze: '30 %' },
    },
    'sticks-when-old': {
      harm: 'After standing, the first stroke needs twice the force: what returned on the bench hangs on the road.',
      fires: {},
    },
  },
  inputs: {
    squeeze: quantity('percent', 'Squeeze', { min: 0, max: 60 }),
    section: quantity('length', 'Section of the ring', { above: 0, max: 100 }),
    insideDiameter: quantity('length', 'Inside diameter of the ring', { above: 0, max: 3000 }),
    hardness: defaulted(number('Hardness, Shore A', { min: 40, max: 95 }), 70),
    friction: defaulted(number('Friction', { min: 0, max: 2 }), 0.3),
    rings: defaulted(number('Rings', { integer: true, min: 1, max: 10 }), 1),
    springForce: quantity('force', 'Spring force at rest', { min: 0, max: 1e6 }),
    pressureResidual: defaulted(quantity('pressure', 'Pressure that stays, gauge', { min: 0, max: 100 }), '0 bar'),
  },
  outputs: {
    ringFriction: { label: 'Friction of the rings', is: 'force' },
    pressureForce: { label: 'Residual pressure holds it with', is: 'force' },
    margin: { label: 'Left over to move it', is: 'force' },
    verdict: { label: 'Verdict', is: 'word' },
  },
  compute(input, work) {
    const E = rubberModulusMPa(input.hardness);
    const squeeze = input.squeezePercent / 100;
    const perMm = lineLoadNPerMm(input.sectionMm, E, squeeze);
    const outside = input.insideDiameterMm + 2 * input.sectionMm;
    const friction = input.friction * perMm * Math.PI * outside * input.rings;
    // 1 bar = 0.1 N/mm².
    const pressure = input.pressureResidualBar * 0.1 * (Math.PI / 4) * outside ** 2;
    const margin = input.springForceN - friction - pressure;
    work.step(
      'Stiffness of the rubber',
      '0.0981 (56 + 7.66 S)/(0.1375 (254 − 2.54 S))',
      `S ${f(input.hardness)}`,
      canonical(E, 'stress'),
    );
    work.step(
      'Line load',
      'w E (1.25 C^1.5 + 50 C^6)',
      `${f(input.sectionMm)} × ${f(E)} × (1.25 × ${f(squeeze)}^1.5 + 50 × ${f(squeeze)}^6)`,
      canonical(perMm, 'springRate'),
    );
    work.step(
      'Friction of the rings',
      'μ π D n · line load',
      `${f(input.friction)} × π × ${f(outside)} × ${input.rings} × ${f(perMm)}`,
      canonical(friction, 'force'),
    );
    work.step(
      'Residual pressure',
      'p π/4 D²',
      `${f(input.pressureResidualBar)} bar on ${f(outside)} mm`,
      canonical(pressure, 'force'),
    );
    work.step(
      'Left over',
      'spring − friction − pressure',
      `${f(input.springForceN)} − ${f(friction)} − ${f(pressure)}`,
      canonical(margin, 'force'),
    );
    const resisting = friction + pressure;
    // The contact force of a rubber ring is known to about a third: common practice.
    const verdict = margin > resisting / 3 ? 'returns' : margin < -resisting / 3 ? 'sticks' : 'doubtful';
    if (input.squeezePercent > 30)
      work.warn('past-30', 'Squeezed past 30 %: the load rises faster than this formula is sure of.');
    work.warn('sticks-when-old', 'After standing, rubber sticks: the first stroke may need twice this or more.');
    return {
      ringFriction: canonical(friction, 'force'),
      pressureForce: canonical(pressure, 'force'),
      margin: canonical(margin, 'force'),
      verdict,
    };
  },
});
