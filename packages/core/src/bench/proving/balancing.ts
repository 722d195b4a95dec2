import { canonical, formatQuantity, inCanonical, type Quantity } from '../../quantities/index.ts';
import { complex, residualUnbalance, twoPlaneBalance, type Complex } from '../../reckoners/index.ts';
import type { Stand } from '../../sheet/index.ts';
import { RunError, type BalancingRun, type BothBearings, type RunOutcome, type Vibration, type Weight } from './run.ts';

const { add, abs, angleDeg, div, mul, polar, sub } = complex;
const vector = (v: Vibration): Complex => polar(v.mmS, v.phaseDeg);
const reading = (c: Complex): Vibration => ({ mmS: abs(c), phaseDeg: angleDeg(c) });

/** Vibration at the two bearings as it is now: after the last correction, or as it came. */
export const shakesNow = (run: BalancingRun): BothBearings => run.rounds.at(-1)?.readings ?? run.initial;

/** Effect of one g·mm in each plane on each bearing, from the two trials: `[plane][bearing]`. */
function influence(run: BalancingRun, radiusMm: number): [[Complex, Complex], [Complex, Complex]] {
  const column = (plane: 1 | 2): [Complex, Complex] => {
    const trial = run.trials.find((t) => t.plane === plane);
    if (!trial)
      throw new RunError(`No trial weight in plane ${plane} yet`, 'Put one in, run it, and take it out again');
    const T = polar(trial.massG * radiusMm, trial.angleDeg);
    const of = (i: 0 | 1): Complex => div(sub(vector(trial.readings[i]), vector(run.initial[i])), T);
    return [of(0), of(1)];
  };
  return [column(1), column(2)];
}

/** Unbalance that is left in each plane, g·mm: H W = V solved by Cramer's rule. */
export function unbalanceLeft(run: BalancingRun, radiusMm: number): readonly [Complex, Complex] {
  const [[a, c], [b, d]] = influence(run, radiusMm);
  const [v1, v2] = shakesNow(run).map(vector) as [Complex, Complex];
  const det = sub(mul(a, d), mul(b, c));
  if (abs(det) < 1e-15)
    throw new RunError('The two trials act alike', 'Move the planes apart, or balance in one plane');
  return [div(sub(mul(d, v1), mul(b, v2)), det), div(sub(mul(a, v2), mul(c, v1)), det)];
}

/** What to add next in each plane, by `two-plane-balance`, from the state after the last correction. */
export function nextCorrection(
  run: BalancingRun,
  stand: Stand,
): {
  readonly add: readonly Weight[];
  /** The same over the places on the rotor that lie on either side, plane by plane; empty where it has none. */
  readonly split: readonly (readonly Weight[])[];
  readonly reckoning: ReturnType<typeof twoPlaneBalance.reckon>;
} {
  const { radius } = stand.figures;
  const now = shakesNow(run);
  const q = (v: Vibration): { amplitude: Quantity; phase: Quantity } => ({
    amplitude: { value: v.mmS, unit: 'mm' },
    phase: { value: v.phaseDeg, unit: 'deg' },
  });
  const places = stand.figures['places']?.value;
  const holes =
    places === undefined ? undefined : Array.from({ length: places }, (_, i) => `${(360 / places) * i} deg`);
  const reckoning = twoPlaneBalance.reckon({
    initial: now.map(q),
    // The trials told how the rotor answers; that stays, whatever has been added since.
    trials: run.trials.map((t) => ({
      plane: t.plane,
      mass: { value: t.massG, unit: 'g' },
      angle: { value: t.angleDeg, unit: 'deg' },
      radius,
      readings: t.readings.map((r, i) => q(reading(add(vector(now[i]!), sub(vector(r), vector(run.initial[i]!)))))),
    })),
    radii: [radius, radius],
    ...(holes ? { holes: [holes, holes] } : {}),
  });
  const corrections = reckoning.results.corrections as readonly { mass: Quantity; angle: Quantity }[];
  const split = (reckoning.results.split ?? []) as readonly (readonly { mass: Quantity; angle: Quantity }[])[];
  return {
    reckoning,
    split: split.map((over, i) =>
      over.map((c) => ({
        plane: (i + 1) as 1 | 2,
        massG: inCanonical(c.mass, 'mass') * 1000,
        angleDeg: inCanonical(c.angle, 'angle'),
      })),
    ),
    add: corrections.map((c, i) => ({
      plane: (i + 1) as 1 | 2,
      massG: inCanonical(c.mass, 'mass') * 1000,
      angleDeg: inCanonical(c.angle, 'angle'),
    })),
  };
}

/** Permissible residual unbalance in each of two planes alike, g·mm (ISO 21940-11). */
export function permissibleGmm(stand: Stand): number {
  const { mass, grade, service } = stand.figures;
  const { perPlane } = residualUnbalance.reckon({ mass, grade: grade!.value, speed: service, planes: 2 }).results;
  return inCanonical((perPlane as readonly Quantity[])[0]!, 'unbalance');
}

/** A vibration smaller than this the stand cannot tell from nothing, mm/s: its own repeatability. */
export const STAND_REPEATS_MM_S = 0.02;
/** A correction that leaves more than this share of what was there did not do what it should. */
const HELPS = 0.7;

/** Would another run still help? Not once what is left is what the stand repeats to, or the last one changed little. */
export function anotherRun(run: BalancingRun, radiusMm: number): { readonly helps: boolean; readonly why: string } {
  const shakes = (both: BothBearings): number => Math.max(...both.map((v) => v.mmS));
  const now = shakes(shakesNow(run));
  if (now < 2 * STAND_REPEATS_MM_S)
    return { helps: false, why: `What is left, ${now.toFixed(2)} mm/s, is no more than the stand repeats to` };
  const before = run.rounds.length === 0 ? undefined : shakes(run.rounds.at(-2)?.readings ?? run.initial);
  if (before !== undefined && now > HELPS * before)
    return {
      helps: false,
      why: `The last correction took it from ${before.toFixed(2)} to ${now.toFixed(2)} mm/s only: look for a loose part or a rub before another`,
    };
  const left = unbalanceLeft(run, radiusMm).map(abs);
  return { helps: true, why: `${left.map((u) => `${u.toFixed(2)} g·mm`).join(' and ')} left` };
}

/** What a balancing run comes to: the larger of what is left in the two planes. @throws RunError while trials are missing */
export function judgeBalancing(run: BalancingRun, stand: Stand): RunOutcome {
  const radiusMm = inCanonical(stand.figures['radius']!, 'length');
  const left = unbalanceLeft(run, radiusMm).map(abs);
  const permissible = permissibleGmm(stand);
  const worst = Math.max(...left);
  const H = influence(run, radiusMm).flat().map(abs);
  const value = canonical(worst, 'unbalance');
  const further = anotherRun(run, radiusMm);
  const limit = canonical(permissible, 'unbalance');
  return {
    value,
    uncertainty: canonical((2 * STAND_REPEATS_MM_S) / Math.max(...H), 'unbalance'),
    checks: [
      {
        name: `Grade G ${stand.figures['grade']!.value}`,
        value,
        band: { low: canonical(0, 'unbalance'), high: limit },
        verdict: worst <= permissible ? 'within' : 'outside',
        says: `${left.map((u, i) => `plane ${i + 1}: ${u.toFixed(2)} g·mm`).join(', ')}; permissible ${formatQuantity(limit, 2)} each (ISO 21940-11)`,
      },
    ],
    tells: worst <= permissible ? [] : ['unbalance'],
    says: further.helps ? [] : [further.why],
    working: [
      ...twoPlaneWorking(run, stand),
      {
        name: 'Permissible in each plane',
        formula: 'U = 9549 G m / n / 2',
        figures: `G ${stand.figures['grade']!.value}, ${formatQuantity(stand.figures['mass']!)}, ${formatQuantity(stand.figures['service']!)}`,
        value: limit,
      },
    ],
  };
}

function twoPlaneWorking(run: BalancingRun, stand: Stand): RunOutcome['working'] {
  // A rotor that is balanced to nothing has nothing to be reckoned any more.
  return shakesNow(run).every((v) => v.mmS < 1e-6) ? [] : nextCorrection(run, stand).reckoning.working;
}
