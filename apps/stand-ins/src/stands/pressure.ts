import { normal } from '../random.ts';
import { chanceOf } from '../rig.ts';
import { figure, goodValue, type StandRun, type StandSetup } from './setup.ts';

const ATMOSPHERE_BAR = 1.01325;
const KELVIN = 273.15;
const POINTS = 120;
/** Air that was just pumped in is warm and cools in this time, s: a small vessel in a draughty shop. */
const COOLS_S = 150;

/** A pressure that is shut in: it leaks and it cools; the gas law joins the two. */
export function runDecay(setup: StandSetup, fault: string | undefined, random: () => number): StandRun {
  const whole = figure(setup, 'time');
  const p0 = figure(setup, 'pressure');
  const high = figure(setup, 'high');
  const chance = chanceOf(setup.unit);
  const leak = fault === 'leak' || setup.worn ? high * (2 + 3 * chance(0)) : high * 0.25 * chance(0);
  const warm = fault === 'cooling' ? 7 + 4 * chance(1) : 1.2 * chance(1);
  const t0 = 20 + warm;
  const points = Array.from({ length: POINTS + 1 }, (_, i) => {
    const s = (whole * i) / POINTS;
    const celsius = 20 + warm * Math.exp(-s / COOLS_S);
    const held = p0 + ATMOSPHERE_BAR - (leak * s) / whole;
    const bar = (held * (celsius + KELVIN)) / (t0 + KELVIN) - ATMOSPHERE_BAR;
    return [
      s,
      Number((bar + 0.0004 * normal(random)).toFixed(4)),
      Number((celsius + 0.03 * normal(random)).toFixed(2)),
    ];
  });
  return { points, done: {} };
}

/** A vacuum that is shut in: straight on is a leak, levelling off is water that boils out. */
export function runVacuum(setup: StandSetup, fault: string | undefined, random: () => number): StandRun {
  const whole = figure(setup, 'time');
  const high = figure(setup, 'high');
  const straight = fault === 'leak' || setup.worn ? 3 * high : 0.2 * high;
  const wet = fault === 'moisture' ? 4 * high : 0;
  const points = Array.from({ length: 41 }, (_, i) => {
    const s = (whole * i) / 40;
    const bar = 0.001 + (straight * s) / whole + wet * (1 - Math.exp((-5 * s) / whole));
    return [s, Number(Math.max(0, bar + 0.00005 * normal(random)).toFixed(6))];
  });
  return { points, done: {} };
}

/** A compressor fills its tank: it slows as the pressure rises, and more so with tired reeds. */
export function runPumpUp(setup: StandSetup, fault: string | undefined, random: () => number): StandRun {
  const to = figure(setup, 'pressure');
  const takes = fault === 'leaky-reeds' || setup.worn ? figure(setup, 'high') * 1.45 : goodValue(setup);
  // p(s) rises as s^0.93: nearly straight, bending over (clearance volume).
  const points = Array.from({ length: POINTS + 1 }, (_, i) => {
    const s = (takes * 1.04 * i) / POINTS;
    return [Number(s.toFixed(2)), Number(Math.max(0, to * (s / takes) ** 0.93 + 0.004 * normal(random)).toFixed(3))];
  });
  return { points, done: {} };
}
