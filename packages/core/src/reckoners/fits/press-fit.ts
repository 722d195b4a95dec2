import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { defaulted, defineReckoner, number, optional, quantity, ReckonError } from '../shape/index.ts';

/** Share of the roughness that is flattened by pressing, DIN 7190 (from memory). */
const FLATTENED = 0.8;

/**
 * Pressure, force and holding torque of a press fit: two thick-walled rings after Lamé.
 * p = δ / (d [ (1/Eh)((D² + d²)/(D² − d²) + νh) + (1/Es)((d² + b²)/(d² − b²) − νs) ]); F = μ p π d L; T = F d/2.
 * Elastic only; past the hub's yield the figure no longer holds (Tresca: hoop stress + pressure).
 */
export const pressFit = defineReckoner({
  id: 'press-fit',
  title: 'Press fit',
  subject: 'fits',
  asks: ['how many tonnes', 'press force', 'interference', 'bush', 'will it hold'],
  formula: 'p = δ / (d [(1/Eh)((D²+d²)/(D²−d²) + νh) + (1/Es)((d²+b²)/(d²−b²) − νs)]);  F = μ p π d L;  T = F d/2',
  sources: ['Lamé; DIN 7190 for roughness (0.8 of it is flattened, from memory)'],
  checks: [
    {
      inputs: { diameter: '50 mm', hubOutside: '100 mm', length: '40 mm', interference: '0.05 mm' },
      gives: { pressure: '77.6 MPa', pressForce: '58.5 kN' },
      source: 'by hand from Lamé',
    },
  ],
  inputs: {
    diameter: quantity('length', 'Diameter of the fit', { above: 0, max: 5000 }),
    hubOutside: quantity('length', 'Outside of the hub', { above: 0, max: 10000 }),
    length: quantity('length', 'Length of the fit', { above: 0, max: 10000 }),
    interference: quantity('length', 'Interference on diameter', { above: 0, max: 50 }),
    shaftBore: defaulted(quantity('length', 'Bore of the shaft', { min: 0, max: 5000 }), '0 mm'),
    hubE: defaulted(quantity('stiffness', 'Stiffness of the hub', { above: 0, max: 1000 }), '207 GPa'),
    shaftE: defaulted(quantity('stiffness', 'Stiffness of the shaft', { above: 0, max: 1000 }), '207 GPa'),
    hubNu: defaulted(number('Poisson’s ratio of the hub', { min: 0, max: 0.5 }), 0.3),
    shaftNu: defaulted(number('Poisson’s ratio of the shaft', { min: 0, max: 0.5 }), 0.3),
    friction: defaulted(number('Friction', { above: 0, max: 1 }), 0.12),
    roughness: optional(quantity('length', 'Roughness Rz of both surfaces, together', { min: 0, max: 1 })),
    hubYield: optional(quantity('stress', 'Yield stress of the hub', { above: 0, max: 5000 })),
  },
  outputs: {
    pressure: { label: 'Pressure', is: 'stress' },
    pressForce: { label: 'Force to press', is: 'force' },
    holdingTorque: { label: 'Torque it holds', is: 'torque' },
    hubHoopStress: { label: 'Hoop stress at the hub’s bore', is: 'stress' },
    verdict: { label: 'Verdict', is: 'word', optional: true },
  },
  compute(input, work) {
    const d = input.diameterMm;
    const D = input.hubOutsideMm;
    const b = input.shaftBoreMm;
    if (D <= d) throw new ReckonError('out-of-range', 'hubOutside', f(D), `more than the diameter, ${f(d)} mm`);
    if (b >= d) throw new ReckonError('out-of-range', 'shaftBore', f(b), `less than the diameter, ${f(d)} mm`);
    const flattened = FLATTENED * (input.roughnessMm ?? 0);
    const delta = input.interferenceMm - flattened;
    if (delta <= 0)
      throw new ReckonError(
        'inconsistent',
        'roughness',
        input.roughnessMm,
        'a roughness that leaves some interference',
      );
    const shape = (D * D + d * d) / (D * D - d * d);
    const hub = (shape + input.hubNu) / (input.hubEGPa * 1000);
    const shaft = ((d * d + b * b) / (d * d - b * b) - input.shaftNu) / (input.shaftEGPa * 1000);
    const p = delta / (d * (hub + shaft));
    const force = input.friction * p * Math.PI * d * input.lengthMm;
    const torque = (force * d) / 2000;
    const hoop = p * shape;
    if (flattened > 0)
      work.step(
        'Interference that is left',
        'δ − 0.8 Rz',
        `${f(input.interferenceMm, 4)} − ${f(flattened, 4)}`,
        canonical(delta, 'length'),
      );
    work.step(
      'Give of the hub',
      '((D² + d²)/(D² − d²) + νh)/Eh',
      `(${f(shape)} + ${input.hubNu})/${f(input.hubEGPa * 1000)}`,
      `${hub.toExponential(3)} 1/MPa`,
    );
    work.step(
      'Give of the shaft',
      '((d² + b²)/(d² − b²) − νs)/Es',
      `(${f((d * d + b * b) / (d * d - b * b))} − ${input.shaftNu})/${f(input.shaftEGPa * 1000)}`,
      `${shaft.toExponential(3)} 1/MPa`,
    );
    work.step(
      'Pressure',
      'p = δ / (d (hub + shaft))',
      `${f(delta, 4)} / (${f(d)} × ${(hub + shaft).toExponential(3)})`,
      canonical(p, 'stress'),
    );
    work.step(
      'Force to press',
      'μ p π d L',
      `${input.friction} × ${f(p)} × π × ${f(d)} × ${f(input.lengthMm)}`,
      canonical(force, 'force'),
    );
    work.step('Torque it holds', 'F d / 2', `${f(force, 0)} × ${f(d / 2000, 4)}`, canonical(torque, 'torque'));
    work.step('Hoop stress', 'p (D² + d²)/(D² − d²)', `${f(p)} × ${f(shape)}`, canonical(hoop, 'stress'));
    let verdict: string | undefined;
    if (input.hubYieldMPa !== undefined) {
      const stress = hoop + p;
      work.step('Held against yield', 'hoop + pressure (Tresca)', `${f(hoop)} + ${f(p)}`, canonical(stress, 'stress'));
      verdict = stress > input.hubYieldMPa ? 'hub-yields' : 'holds';
      if (verdict === 'hub-yields')
        work.warn('The hub yields at its bore: the pressure and the grip will be less than this, and the hub grows.');
    } else work.warn('The hub’s yield stress is not given: whether it yields is not judged.');
    work.warn(
      'Press in line, from the ring that carries the interference, behind a guard: a press stores enough to kill.',
    );
    return {
      pressure: canonical(p, 'stress'),
      pressForce: canonical(force, 'force'),
      holdingTorque: canonical(torque, 'torque'),
      hubHoopStress: canonical(hoop, 'stress'),
      verdict,
    };
  },
});
