import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { defineReckoner, optional, quantity, ReckonError } from '../shape/index.ts';

/** Faster than this a seal of an ordinary cylinder wears and stick-slips: common practice. */
const FASTEST_M_PER_S = 0.5;

/** Push, pull and speeds of a cylinder: pressure times area, flow over area. Friction and back pressure left out. */
export const cylinderForce = defineReckoner({
  id: 'cylinder-force',
  title: 'Force of a cylinder',
  subject: 'leaks',
  asks: ['hydraulic cylinder', 'ram', 'how many tonnes does it push', 'rod speed'],
  formula: 'push = p π/4 bore²;  pull = p π/4 (bore² − rod²);  speed = flow / area',
  sources: ['pressure times area'],
  checks: [
    {
      inputs: { bore: '50 mm', rod: '25 mm', pressure: '100 bar', flow: '10 l/min' },
      // 10 l/min over 1963.5 mm²
      gives: { push: '19.63 kN', pull: '14.73 kN', pushSpeed: '0.085 m/s', pullSpeed: '0.113 m/s' },
      source: 'by hand: 10 MPa × 1963.5 and 1472.6 mm²',
    },
  ],
  dangers: {
    'stored-pressure': {
      harm: 'A loose hose under pressure cuts through a glove, and oil under the skin costs the hand.',
      fires: { pressure: '10.1 bar' },
      silent: { pressure: '10 bar' },
    },
    intensifies: {
      harm: 'With the rod side shut the oil there is driven to a multiple of the pressure: the gland or the tube bursts.',
      fires: { rod: '35.5 mm' },
      silent: { rod: '35.2 mm' },
    },
    fast: {
      harm: 'The rod runs out faster than a hand gets away, and slams at its end.',
      fires: { flow: '59 l/min' },
      silent: { flow: '44 l/min' },
    },
  },
  inputs: {
    bore: quantity('length', 'Bore', { above: 0, max: 3000 }),
    rod: quantity('length', 'Rod', { min: 0, max: 3000 }),
    pressure: quantity('pressure', 'Pressure, gauge', { min: 0, max: 3000 }),
    flow: optional(quantity('flow', 'Flow', { above: 0, max: 1e5 })),
  },
  outputs: {
    push: { label: 'Pushes', is: 'force' },
    pull: { label: 'Pulls', is: 'force' },
    pushSpeed: { label: 'Runs out at', is: 'velocity', optional: true },
    pullSpeed: { label: 'Runs in at', is: 'velocity', optional: true },
  },
  compute(input, work) {
    if (input.rodMm >= input.boreMm)
      throw new ReckonError('inconsistent', 'rod', input.rodMm, `less than the bore, ${f(input.boreMm)} mm`);
    const full = (Math.PI / 4) * input.boreMm ** 2;
    const ring = full - (Math.PI / 4) * input.rodMm ** 2;
    const mpa = input.pressureBar / 10;
    work.step('Area of the bore', 'π/4 bore²', `π/4 × ${f(input.boreMm)}²`, canonical(full, 'area'));
    work.step(
      'Area round the rod',
      'π/4 (bore² − rod²)',
      `π/4 × (${f(input.boreMm)}² − ${f(input.rodMm)}²)`,
      canonical(ring, 'area'),
    );
    work.step('Pushes', 'p A', `${f(mpa)} MPa × ${f(full, 1)} mm²`, canonical(mpa * full, 'force'));
    work.step('Pulls', 'p A round the rod', `${f(mpa)} MPa × ${f(ring, 1)} mm²`, canonical(mpa * ring, 'force'));
    // l/min over mm² in m/s: 1 l/min = 1e6/60 mm³/s.
    const speed = (area: number): number | undefined =>
      input.flowLPerMin === undefined ? undefined : (input.flowLPerMin * 1e6) / 60 / area / 1000;
    const [out, back] = [speed(full), speed(ring)];
    if (out !== undefined && back !== undefined) {
      work.step(
        'Runs out at',
        'flow / area',
        `${f(input.flowLPerMin!)} l/min / ${f(full, 1)} mm²`,
        canonical(out, 'velocity'),
      );
      work.step(
        'Runs in at',
        'flow / area round the rod',
        `${f(input.flowLPerMin!)} l/min / ${f(ring, 1)} mm²`,
        canonical(back, 'velocity'),
      );
      if (Math.max(out, back) > FASTEST_M_PER_S)
        work.warn(
          'fast',
          `${f(Math.max(out, back), 2)} m/s: past ${FASTEST_M_PER_S} m/s seals wear and the ends slam. Throttle it on the bench.`,
        );
    }
    if (input.pressureBar > 10)
      work.warn(
        'stored-pressure',
        'Let the pressure off both sides before a hose is touched; never feel for a leak with the hand.',
      );
    if (full / ring > 2)
      work.warn(
        'intensifies',
        `With the rod side shut the pressure there would be ${f(full / ring, 1)} times as high: never block that port.`,
      );
    return {
      push: canonical(mpa * full, 'force'),
      pull: canonical(mpa * ring, 'force'),
      pushSpeed: out === undefined ? undefined : canonical(out, 'velocity'),
      pullSpeed: back === undefined ? undefined : canonical(back, 'velocity'),
    };
  },
});
