import { normal } from '../random.ts';
import { chanceOf } from '../rig.ts';
import { figure, figureOr, goodValue, type StandRun, type StandSetup } from './setup.ts';

const SAMPLE_RATE_HZ = 50_000;
const SECONDS = 1;
const STEPS = 4096;
/** What each fault leaves of the output (common practice: an open diode costs about a quarter, a short more than half). */
const LEAVES: Readonly<Record<string, number>> = {
  'open-diode': 0.74,
  'open-phase': 0.56,
  'shorted-diode': 0.4,
  'uneven-winding': 0.9,
  'worn-brushes': 0.5,
};
const SLIP = 0.14;
/** A regulator lowers its voltage as it warms, V/K of a 14 V set: common practice. */
const REGULATOR_V_PER_K = -0.008;

/** Rectified voltage of a star of three phases behind six diodes into a resistive load, volts, at one instant. */
function bridge(turn: number, fault: string | undefined, which: number, amplitude: number): number {
  const e = [0, 1, 2].map((k) => {
    const weak = fault === 'uneven-winding' && k === which ? 0.84 : 1;
    return amplitude * weak * Math.sin(2 * Math.PI * (turn - k / 3));
  });
  const phases = fault === 'open-phase' ? e.filter((_, k) => k !== which) : e;
  const uppers = fault === 'open-diode' ? phases.filter((_, k) => k !== which) : phases;
  const lowest = Math.min(...phases);
  const open = Math.max(...uppers) - lowest;
  // A diode that conducts both ways holds the rail on its own phase, whatever the others do.
  return fault === 'shorted-diode' ? Math.max(0, 0.65 * (e[which]! - lowest) + 0.05 * open) : Math.max(0, open);
}

/** A sweep up to the test's speed, and a second of the rectified voltage at its end. */
export function runAlternator(setup: StandSetup, fault: string | undefined, random: () => number): StandRun {
  const chance = chanceOf(setup.unit);
  const top = figure(setup, 'speed');
  const amps = figureOr(setup, 'amps', 1) > 0;
  const setV = figureOr(setup, 'volts', amps ? 14.2 : (figure(setup, 'low') + figure(setup, 'high')) / 2);
  // A tired one makes two thirds of what is wanted.
  const good = amps ? goodValue(setup) : 10;
  const whole = (setup.worn ? 0.62 * figureOr(setup, amps ? 'low' : 'never', good) : good) * (LEAVES[fault ?? ''] ?? 1);
  const points: number[][] = [];
  for (let i = 1; i <= 12; i += 1) {
    const driven = (top * (0.2 + 0.9 * (i / 12))) / 1.0;
    const slip = fault === 'slipping-belt' ? SLIP * (i / 12) + 0.01 * normal(random) : 0.004;
    const speed = driven * (1 - slip);
    // Output rises from its cut-in speed and levels off: 1 − e^(−n/n0), made to meet the figure at the test's speed.
    const bend = (n: number): number => Math.max(0, 1 - Math.exp(-(n - 0.16 * top) / (0.3 * top)));
    const wobble = fault === 'worn-brushes' ? 0.06 * normal(random) : 0.004 * normal(random);
    const current = Math.max(0, whole * (bend(speed) / bend(top)) * (1 + wobble));
    const warm = 24 + 2.2 * i;
    const sag = fault === undefined || fault === 'slipping-belt' ? 0 : 0.03 * setV;
    const volts =
      (current < 0.2 ? 0.9 * setV : setV) +
      REGULATOR_V_PER_K * (setV / 14) * (warm - 35) -
      sag -
      (setup.worn && !amps ? 0.06 * setV : 0);
    points.push([driven, speed, current, volts + 0.01 * normal(random), warm]);
  }
  const polePairs = figure(setup, 'pole-pairs');
  const speed = points.at(-1)![1]!;
  const hz = (speed / 60) * polePairs;
  const amplitude = setV / 1.654;
  const which = Math.floor(3 * chance(3)) % 3;
  // One electrical turn, solved once: a second of it is some hundred turns.
  const turn = Array.from({ length: STEPS }, (_, i) => bridge(i / STEPS, fault, which, amplitude));
  const wave = Array.from({ length: SAMPLE_RATE_HZ * figureOr(setup, 'seconds', SECONDS) }, (_, i) => {
    const at = Math.floor((((i * hz) / SAMPLE_RATE_HZ) % 1) * STEPS);
    return Math.round(100 * (turn[at]! + 0.01 * setV * normal(random))) / 100;
  });
  return { points, wave, done: { sampleRateHz: SAMPLE_RATE_HZ, speedRpm: speed } };
}
