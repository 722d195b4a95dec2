import { canonical, formatNumber as f, type Quantity } from '../../quantities/index.ts';
import {
  anyQuantity,
  choice,
  defineReckoner,
  list,
  number,
  optional,
  quantity,
  record,
  ReckonError,
  inOneUnit,
} from '../shape/index.ts';
import { abs, add, angleDeg, div, mul, polar, sub, type Complex } from './complex.ts';

/** A trial that changes the vibration by less than this share says nothing: common practice. */
const LEAST_CHANGE = 0.05;
/** A correction beyond this many trials leaves what the trials have shown: common practice. */
const MOST_TRIALS = 5;
/** Above this the two planes cannot be told apart by these trials. */
const MOST_CONDITION = 50;

const vibration = record(
  { amplitude: anyQuantity('Amplitude'), phase: quantity('angle', 'Phase', { min: -720, max: 720 }) },
  'Vibration',
);
const two = { minLength: 2, maxLength: 2 } as const;

/**
 * Correction of a rotor in two planes from three runs: as it is, and with a trial weight in each plane in turn.
 * Influence coefficients H = (R − V)/T, then H W = −V; the trial weights are taken off again.
 * Phases in the sense in which the angles of the weights are counted.
 */
export const twoPlaneBalance = defineReckoner({
  id: 'two-plane-balance',
  title: 'Balancing in two planes',
  subject: 'rotors',
  asks: ['balance a rotor', 'trial weight', 'influence coefficients', 'where to grind'],
  formula: 'H_ij = (R_i(trial j) − V_i)/T_j;  H W = −V;  masses W/r',
  sources: ['influence coefficients, ISO 21940-21 and handbooks'],
  checks: [
    {
      inputs: {
        initial: [
          { amplitude: '8 µm', phase: '30 deg' },
          { amplitude: '6 µm', phase: '200 deg' },
        ],
        trials: [
          {
            plane: 1,
            mass: '10 g',
            angle: '0 deg',
            radius: '100 mm',
            readings: [
              { amplitude: '10.392 µm', phase: '17.28 deg' },
              { amplitude: '5.073 µm', phase: '203.9 deg' },
            ],
          },
          {
            plane: 2,
            mass: '10 g',
            angle: '0 deg',
            radius: '100 mm',
            readings: [
              { amplitude: '8.88 µm', phase: '26.8 deg' },
              { amplitude: '3.1 µm', phase: '221.4 deg' },
            ],
          },
        ],
        radii: ['100 mm', '100 mm'],
      },
      gives: {
        'corrections.0.mass': '34.41 g',
        'corrections.0.angle': '226.9 deg',
        'corrections.1.mass': '27.78 g',
        'corrections.1.angle': '29.6 deg',
      },
      source: 'the 2 × 2 complex system, solved apart from the project',
    },
  ],
  dangers: {
    'over-in-one-place': {
      harm: 'A weight too heavy for its place tears loose at speed.',
      fires: { maxMass: '34 g' },
      silent: { maxMass: '35 g' },
    },
    'far-beyond-the-trials': {
      harm: 'A weight many times the trial is put on at once: if an angle was read wrong, the rotor flies apart.',
      fires: {
        trials: [
          {
            plane: 1,
            mass: '0.5 g',
            angle: '0 deg',
            radius: '100 mm',
            readings: [
              { amplitude: '8.6 µm', phase: '33 deg' },
              { amplitude: '6 µm', phase: '201 deg' },
            ],
          },
          {
            plane: 2,
            mass: '0.5 g',
            angle: '0 deg',
            radius: '100 mm',
            readings: [
              { amplitude: '8.2 µm', phase: '30.5 deg' },
              { amplitude: '6.5 µm', phase: '204 deg' },
            ],
          },
        ],
      },
      silent: { maxMass: '35 g' },
    },
    sense: {
      harm: 'Phase is counted one way and the weights the other: they go on the wrong side and double the unbalance.',
      fires: {},
      silent: { phaseSense: 'against-rotation' },
    },
  },
  inputs: {
    initial: list(vibration, 'As it is, at both bearings', two),
    trials: list(
      record(
        {
          plane: number('Plane', { integer: true, min: 1, max: 2 }),
          mass: quantity('mass', 'Trial weight', { above: 0, max: 1000 }),
          angle: quantity('angle', 'At angle', { min: -720, max: 720, bareUnit: 'deg' }),
          radius: quantity('length', 'At radius', { above: 0, max: 1e5 }),
          readings: list(vibration, 'With it, at both bearings', two),
        },
        'Trial',
      ),
      'Trials, one in each plane',
      two,
    ),
    radii: list(quantity('length', 'Radius', { above: 0, max: 1e5 }), 'Radii of the correction', two),
    holes: optional(
      list(
        list(quantity('angle', 'Hole', { min: -720, max: 720, bareUnit: 'deg' }), 'Holes of a plane', {
          minLength: 2,
          maxLength: 60,
        }),
        'Holes of both planes',
        two,
      ),
    ),
    maxMass: optional(quantity('mass', 'Most in one place', { above: 0, max: 1000 })),
    massStep: optional(
      quantity('mass', 'Finest step of the weight', { above: 0, max: 1, help: 'milligrams for a turbo' }),
    ),
    phaseSense: optional(choice(['with-rotation', 'against-rotation'], 'All angles counted')),
  },
  outputs: {
    corrections: { label: 'Add', is: 'table' },
    removals: { label: 'Or take off at', is: 'table' },
    split: { label: 'Over the holes', is: 'table', optional: true },
    predictedResidual: { label: 'What will be left, at the step of the weight and 1°', is: 'table' },
    condition: { label: 'Condition number', is: 'ratio' },
  },
  compute(input, work) {
    const amplitudes = [...input.initial, ...input.trials.flatMap((t) => t.readings)].map((r) => r.amplitude);
    const values = inOneUnit(amplitudes, 'amplitudes');
    if (values.some((a) => a < 0))
      throw new ReckonError('out-of-range', 'initial', Math.min(...values), 'amplitudes of zero or more');
    const unit = amplitudes[0]!.unit;
    const vector = (r: { amplitude: Quantity; phaseDeg: number }, i: number): Complex => polar(values[i]!, r.phaseDeg);
    const V = input.initial.map((r, i) => vector(r, i)) as [Complex, Complex];
    const order = [1, 2].map((plane) => input.trials.findIndex((t) => t.plane === plane));
    if (order.includes(-1))
      throw new ReckonError(
        'inconsistent',
        'trials',
        input.trials.map((t) => t.plane).join(', '),
        'one trial in plane 1 and one in plane 2',
      );
    const largest = Math.max(abs(V[0]), abs(V[1]), 1e-300);
    // columns: planes; rows: bearings. Per g·mm of unbalance.
    const H = order.map((at) => {
      const t = input.trials[at]!;
      const T = polar(t.massKg * 1000 * t.radiusMm, t.angleDeg);
      const R = t.readings.map((r, i) => vector(r, 2 + at * 2 + i)) as [Complex, Complex];
      const change = R.map((r, i) => sub(r, V[i]!));
      const most = Math.max(...change.map(abs));
      if (most < LEAST_CHANGE * largest)
        throw new ReckonError(
          'ill-conditioned',
          `trials[${at}]`,
          f((most / largest) * 100),
          `a trial that changes the vibration by ${LEAST_CHANGE * 100} % or more`,
          `the trial in plane ${t.plane} changed the vibration by ${f((most / largest) * 100)} % only: take a heavier one, or another place`,
        );
      return change.map((c) => div(c, T)) as [Complex, Complex];
    }) as [[Complex, Complex], [Complex, Complex]];
    const [[a, c], [b, d]] = H;
    const condition = conditionNumber(a, b, c, d);
    work.step(
      'Condition number',
      'largest over least singular value of H',
      '2 × 2',
      canonical(Math.min(condition, 1e12), 'ratio'),
    );
    if (!(condition < MOST_CONDITION))
      throw new ReckonError(
        'ill-conditioned',
        'trials',
        f(Math.min(condition, 1e12)),
        `trials whose effects differ (condition number under ${MOST_CONDITION})`,
        'the two trials act almost alike: balance in one plane, or move the planes apart',
      );
    const det = sub(mul(a, d), mul(b, c));
    // Cramer on H W = −V.
    const W = [div(sub(mul(b, V[1]), mul(d, V[0])), det), div(sub(mul(c, V[0]), mul(a, V[1])), det)] as const;
    const residual = (w: readonly Complex[]): Complex[] => [
      add(V[0], add(mul(a, w[0]!), mul(b, w[1]!))),
      add(V[1], add(mul(c, w[0]!), mul(d, w[1]!))),
    ];
    const corrections = W.map((w, k) => ({
      mass: canonical(abs(w) / input.radiiMm[k]! / 1000, 'mass'),
      angle: canonical(angleDeg(w), 'angle'),
    }));
    const removals = W.map((w, k) => ({
      mass: corrections[k]!.mass,
      angle: canonical((angleDeg(w) + 180) % 360, 'angle'),
    }));
    H.forEach((column, k) =>
      column.forEach((h, i) =>
        work.step(
          `H${i + 1}${k + 1}`,
          '(R − V)/T',
          `bearing ${i + 1}, plane ${k + 1}`,
          `${abs(h).toExponential(3)} ${unit}/(g·mm) at ${f(angleDeg(h))}°`,
        ),
      ),
    );
    W.forEach((w, k) =>
      work.step(
        `Plane ${k + 1}`,
        'H W = −V',
        `${f(abs(w))} g·mm at radius ${f(input.radiiMm[k]!)} mm`,
        corrections[k]!.mass,
      ),
    );
    corrections.forEach((c, k) => work.step(`Plane ${k + 1}, angle`, 'of W', 'H W = −V', c.angle));
    const limit = input.maxMassKg;
    corrections.forEach((m, k) => {
      if (limit !== undefined && m.mass.value > limit)
        work.warn(
          'over-in-one-place',
          `Plane ${k + 1} wants ${f(m.mass.value * 1000)} g, more than ${f(limit * 1000)} g in one place: spread it, or correct in steps.`,
        );
      if (m.mass.value > MOST_TRIALS * Math.max(...input.trials.map((t) => t.massKg)))
        work.warn(
          'far-beyond-the-trials',
          'Many times the trials: put half of it on, run again, and go on from there.',
        );
    });
    const split = input.holes?.map((holes, k) => splitOver(holes, W[k]!, input.radiiMm[k]!));
    const stepG = (input.massStepKg ?? defaultStep(Math.min(...corrections.map((c) => c.mass.value)))) * 1000;
    work.assume(
      'Step of the weight',
      canonical(stepG / 1000, 'mass'),
      input.massStepKg === undefined ? 'about a hundredth of the smaller correction' : 'as given',
    );
    if (input.phaseSense === undefined)
      work.warn('sense', 'Count phases and weights from one mark and in one sense; take the trial weights off again.');
    else work.given('All angles counted', input.phaseSense.replace('-', ' '));
    const rounded = W.map((w, k) => {
      const r = input.radiiMm[k]!;
      const grams = Math.min(Math.round(abs(w) / r / stepG) * stepG, limit === undefined ? Infinity : limit * 1000);
      return polar(grams * r, Math.round(angleDeg(w)));
    });
    return {
      corrections,
      removals,
      split,
      predictedResidual: residual(rounded).map((v) => ({
        amplitude: { value: abs(v), unit },
        phase: canonical(angleDeg(v), 'angle'),
      })),
      condition: canonical(condition, 'ratio'),
    };
  },
});

/** A power of ten, at most a hundredth of a mass, kg; 0.1 g at the most, 0.1 mg at the least (what scales show). */
function defaultStep(massKg: number): number {
  return Math.min(1e-4, Math.max(1e-7, 10 ** Math.floor(Math.log10(Math.max(massKg, 1e-9) / 100) + 1e-9)));
}

/** Ratio of the singular values of a complex 2×2 matrix. */
function conditionNumber(a: Complex, b: Complex, c: Complex, d: Complex): number {
  const fro = abs(a) ** 2 + abs(b) ** 2 + abs(c) ** 2 + abs(d) ** 2;
  const det = abs(sub(mul(a, d), mul(b, c)));
  const root = Math.sqrt(Math.max(0, fro * fro - 4 * det * det));
  const least = fro - root;
  return least <= 0 ? Infinity : Math.sqrt((fro + root) / least);
}

/** A correction over the two holes that lie on either side of it. */
function splitOver(holes: readonly number[], w: Complex, radiusMm: number): { angle: Quantity; mass: Quantity }[] {
  const wanted = angleDeg(w);
  const sorted = [...new Set(holes.map((h) => ((h % 360) + 360) % 360))].sort((x, y) => x - y);
  const after = sorted.findIndex((h) => h >= wanted);
  const hi = sorted[after === -1 ? 0 : after]!;
  const lo = sorted[((after === -1 ? 0 : after) - 1 + sorted.length) % sorted.length]!;
  const rad = (deg: number): number => (deg * Math.PI) / 180;
  const between = (((hi - lo) % 360) + 360) % 360;
  const mass = abs(w) / radiusMm / 1000;
  const q = (angle: number, m: number): { angle: Quantity; mass: Quantity } => ({
    angle: canonical(angle, 'angle'),
    mass: canonical(m, 'mass'),
  });
  if (Math.abs(wanted - hi) < 1e-9 || sorted.length === 1) return [q(hi, mass)];
  if (between >= 180 || between === 0)
    throw new ReckonError(
      'no-split',
      'holes',
      sorted.join(', '),
      'holes less than half a turn apart on either side of the correction',
    );
  const from = (((wanted - lo) % 360) + 360) % 360;
  return [
    q(lo, (mass * Math.sin(rad(between - from))) / Math.sin(rad(between))),
    q(hi, (mass * Math.sin(rad(from))) / Math.sin(rad(between))),
  ];
}
