import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { materialNames, materials } from '../materials/materials.ts';
import { choice, defaulted, defineReckoner, more, number, optional, quantity, ReckonError } from '../shape/index.ts';

interface Side {
  readonly E: number;
  readonly nu: number;
  readonly yieldMPa: number | undefined;
}
/** Share of the roughness that is flattened by pressing, DIN 7190 (from memory). */
const FLATTENED = 0.8;

/**
 * Pressure, force and holding torque of a press fit: two thick-walled rings after Lamé.
 * p = δ / (d [ (1/Eh)((D² + d²)/(D² − d²) + νh) + (1/Es)((d² + b²)/(d² − b²) − νs) ]); F = μ p π d L; T = F d/2.
 * At the bore of the shaft: hoop stress −2 p d²/(d² − b²), and the bore closes by 2 p d² b/(Es (d² − b²)).
 * Elastic only; past the yield of either the figure no longer holds (Tresca: hoop + pressure in the hub, hoop in the bush).
 */
export const pressFit = defineReckoner({
  id: 'press-fit',
  title: 'Press fit',
  subject: 'fits',
  asks: ['how many tonnes', 'press force', 'interference', 'bush', 'will it hold'],
  formula: 'p = δ / (d [(1/Eh)((D²+d²)/(D²−d²) + νh) + (1/Es)((d²+b²)/(d²−b²) − νs)]);  F = μ p π d L;  T = F d/2',
  sources: [
    'Lamé; DIN 7190 for roughness (0.8 of it is flattened, from memory)',
    'stiffness and yield by material: handbook figures, from memory; yield of mild steel and bronze is doubtful',
  ],
  checks: [
    {
      inputs: { diameter: '50 mm', hubOutside: '100 mm', length: '40 mm', interference: '0.05 mm' },
      gives: { pressure: '77.6 MPa', pressForce: '58.5 kN' },
      source: 'by hand from Lamé',
    },
    {
      inputs: {
        diameter: '30 mm',
        hubOutside: '100 mm',
        length: '25 mm',
        interference: '0.05 mm',
        shaftBore: '26 mm',
        hubMaterial: 'steel',
        shaftMaterial: 'bronze',
      },
      gives: { pressure: '24.5 MPa', innerStress: '-196.6 MPa', boreCloses: '0.0465 mm', verdict: 'shaft-yields' },
      source: 'by hand from Lamé: bronze E 110 GPa, ν 0.34',
    },
  ],
  dangers: {
    'hub-yields': {
      harm: 'The hub has stretched: it grips less than reckoned and walks off, and it is larger ever after.',
      fires: { hubYield: '206 MPa' },
      silent: { hubYield: '207 MPa' },
    },
    'shaft-yields': {
      harm: 'The bush is crushed past its yield: it works loose, and its bore is anything.',
      fires: { shaftBore: '30 mm', shaftYield: '170 MPa' },
      silent: { shaftBore: '30 mm', shaftYield: '171 MPa' },
    },
    'yield-unknown': {
      harm: 'Nobody has said what the parts are made of: a hub is split, or a bush crushed, that the figure calls held.',
      fires: {},
      silent: { hubYield: '400 MPa', shaftYield: '400 MPa' },
    },
    'bore-closes': {
      harm: 'The bush closes on its shaft: it seizes the first time it turns.',
      fires: { shaftBore: '20 mm' },
      silent: { shaftBore: '0 mm' },
    },
    press: {
      harm: 'A press under load throws a part that cants like a shot.',
      fires: {},
    },
  },
  inputs: {
    diameter: quantity('length', 'Diameter of the fit', { above: 0, max: 5000 }),
    hubOutside: quantity('length', 'Outside of the hub', { above: 0, max: 10000 }),
    length: quantity('length', 'Length of the fit', { above: 0, max: 10000 }),
    interference: quantity('length', 'Interference on diameter', { above: 0, max: 50 }),
    shaftBore: defaulted(quantity('length', 'Bore of the shaft or bush', { min: 0, max: 5000 }), '0 mm'),
    hubMaterial: optional(choice(materialNames, 'Hub made of')),
    shaftMaterial: optional(choice(materialNames, 'Shaft or bush made of')),
    hubE: more(optional(quantity('stiffness', 'Stiffness of the hub', { above: 0, max: 1000 }))),
    shaftE: more(optional(quantity('stiffness', 'Stiffness of the shaft', { above: 0, max: 1000 }))),
    hubNu: more(optional(number('Poisson’s ratio of the hub', { min: 0, max: 0.5 }))),
    shaftNu: more(optional(number('Poisson’s ratio of the shaft', { min: 0, max: 0.5 }))),
    friction: more(defaulted(number('Friction', { above: 0, max: 1 }), 0.12)),
    roughness: more(optional(quantity('length', 'Roughness Rz of both surfaces, together', { min: 0, max: 1 }))),
    hubYield: more(optional(quantity('stress', 'Yield stress of the hub', { above: 0, max: 5000 }))),
    shaftYield: more(optional(quantity('stress', 'Yield stress of the shaft or bush', { above: 0, max: 5000 }))),
  },
  outputs: {
    pressure: { label: 'Pressure', is: 'stress' },
    pressForce: { label: 'Force to press', is: 'force' },
    holdingTorque: { label: 'Torque it holds', is: 'torque' },
    hubHoopStress: { label: 'Hoop stress at the hub’s bore', is: 'stress' },
    innerStress: { label: 'Hoop stress in the shaft or bush', is: 'stress' },
    boreCloses: { label: 'Its bore closes by', is: 'length', optional: true },
    verdict: { label: 'Verdict', is: 'word', optional: true },
  },
  compute(input, work) {
    const d = input.diameterMm;
    const D = input.hubOutsideMm;
    const b = input.shaftBoreMm;
    if (D <= d) throw new ReckonError('out-of-range', 'hubOutside', f(D), `more than the diameter, ${f(d)} mm`);
    if (b >= d) throw new ReckonError('out-of-range', 'shaftBore', f(b), `less than the diameter, ${f(d)} mm`);
    const side = (name: 'hub' | 'shaft'): Side => {
      const material = input[`${name}Material`];
      const E = input[`${name}EGPa`] ?? materials[material ?? 'steel'].stiffnessGPa;
      const nu = input[`${name}Nu`] ?? materials[material ?? 'steel'].poisson;
      const yieldMPa = input[`${name}YieldMPa`] ?? (material === undefined ? undefined : materials[material].yieldMPa);
      const what = name === 'hub' ? 'Hub' : 'Shaft';
      if (input[`${name}EGPa`] === undefined)
        work.assume(`${what}, stiffness`, canonical(E, 'stiffness'), material ? `of ${material}` : 'steel, not given');
      if (input[`${name}YieldMPa`] === undefined && yieldMPa !== undefined)
        work.assume(`${what}, yields at`, canonical(yieldMPa, 'stress'), `a careful figure for ${material!}`);
      return { E: E * 1000, nu, yieldMPa };
    };
    const hubSide = side('hub');
    const shaftSide = side('shaft');
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
    const hub = (shape + hubSide.nu) / hubSide.E;
    const shaft = ((d * d + b * b) / (d * d - b * b) - shaftSide.nu) / shaftSide.E;
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
      `(${f(shape)} + ${hubSide.nu})/${f(hubSide.E)}`,
      `${hub.toExponential(3)} 1/MPa`,
    );
    work.step(
      'Give of the shaft',
      '((d² + b²)/(d² − b²) − νs)/Es',
      `(${f((d * d + b * b) / (d * d - b * b))} − ${shaftSide.nu})/${f(shaftSide.E)}`,
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
    // A solid shaft is pressed alike all through; at a bore nothing presses from inside, and the hoop carries it all.
    const inner = b > 0 ? (-2 * p * d * d) / (d * d - b * b) : -p;
    work.step(
      b > 0 ? 'Hoop stress at its bore' : 'Stress in the shaft',
      b > 0 ? '−2 p d²/(d² − b²)' : '−p, alike all through',
      b > 0 ? `−2 × ${f(p)} × ${f(d * d)}/(${f(d * d)} − ${f(b * b)})` : f(-p),
      canonical(inner, 'stress'),
    );
    const closes = b > 0 ? (2 * p * d * d * b) / (shaftSide.E * (d * d - b * b)) : undefined;
    if (closes !== undefined) {
      work.step(
        'Its bore closes by',
        '2 p d² b/(Es (d² − b²))',
        `2 × ${f(p)} × ${f(d * d)} × ${f(b)}/(${f(shaftSide.E)} × ${f(d * d - b * b)})`,
        canonical(closes, 'length'),
      );
      work.warn(
        'bore-closes',
        `Pressed in, its bore is ${f(closes, 3)} mm smaller on diameter: measure it then, and ream or hone if the shaft wants it.`,
      );
    }
    const hubStress = hoop + p;
    const shaftStress = Math.abs(inner);
    const hubGoes = hubSide.yieldMPa !== undefined && hubStress > hubSide.yieldMPa;
    const shaftGoes = shaftSide.yieldMPa !== undefined && shaftStress > shaftSide.yieldMPa;
    if (hubSide.yieldMPa !== undefined)
      work.step(
        'Hub against yield',
        'hoop + pressure (Tresca)',
        `${f(hoop)} + ${f(p)}`,
        canonical(hubStress, 'stress'),
      );
    if (shaftSide.yieldMPa !== undefined)
      work.step('Shaft against yield', 'hoop (Tresca)', f(shaftStress), canonical(shaftStress, 'stress'));
    const judged = hubSide.yieldMPa !== undefined || shaftSide.yieldMPa !== undefined;
    const verdict = !judged
      ? undefined
      : hubGoes && shaftGoes
        ? 'both-yield'
        : hubGoes
          ? 'hub-yields'
          : shaftGoes
            ? 'shaft-yields'
            : 'holds';
    if (hubGoes)
      work.warn(
        'hub-yields',
        `The hub yields at its bore (${f(hubStress, 0)} of ${f(hubSide.yieldMPa, 0)} MPa): beyond elastic these figures no longer hold; it grips less, and the hub grows.`,
      );
    if (shaftGoes)
      work.warn(
        'shaft-yields',
        `The shaft or bush yields at its bore (${f(shaftStress, 0)} of ${f(shaftSide.yieldMPa, 0)} MPa): beyond elastic these figures no longer hold; it is crushed and works loose. Less interference, or a thicker wall.`,
      );
    const unjudged = [
      ...(hubSide.yieldMPa === undefined ? ['hub'] : []),
      ...(shaftSide.yieldMPa === undefined ? ['shaft'] : []),
    ];
    if (unjudged.length > 0)
      work.warn(
        'yield-unknown',
        `What the ${unjudged.join(' and the ')} is made of is not given: whether it yields is not judged.`,
      );
    work.warn(
      'press',
      'Press in line, from the ring that carries the interference, behind a guard: a press stores enough to kill.',
    );
    return {
      pressure: canonical(p, 'stress'),
      pressForce: canonical(force, 'force'),
      holdingTorque: canonical(torque, 'torque'),
      hubHoopStress: canonical(hoop, 'stress'),
      innerStress: canonical(inner, 'stress'),
      boreCloses: closes === undefined ? undefined : canonical(closes, 'length'),
      verdict,
    };
  },
});
