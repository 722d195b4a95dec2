import { normal } from '../random.ts';
import { chanceOf } from '../rig.ts';
import { figure, type StandRun, type StandSetup } from './setup.ts';

const RAD = Math.PI / 180;
const NOISE_MM_S = 0.008;
type Vector = [number, number];
const polar = (size: number, deg: number): Vector => [size * Math.cos(deg * RAD), size * Math.sin(deg * RAD)];
const plus = (a: Vector, b: Vector): Vector => [a[0] + b[0], a[1] + b[1]];
const times = (a: Vector, b: Vector): Vector => [a[0] * b[0] - a[1] * b[1], a[0] * b[1] + a[1] * b[0]];

/** What a g·mm in each plane shakes at each bearing, mm/s at the stand's speed: `[plane][bearing]`, fixed for a unit. */
function answers(setup: StandSetup): Vector[][] {
  const chance = chanceOf(setup.unit);
  // A light rotor at speed answers more; soft pedestals lag behind.
  const scale = (0.35 / Math.max(0.05, figure(setup, 'mass'))) * (figure(setup, 'speed') / 3000) * 0.18;
  return [
    [polar(scale * (0.9 + 0.2 * chance(1)), 20 + 20 * chance(2)), polar(scale * 0.35, 40 + 20 * chance(3))],
    [polar(scale * 0.3, 60 + 20 * chance(4)), polar(scale * (0.85 + 0.2 * chance(5)), 25 + 20 * chance(6))],
  ];
}

/** One run up: vibration at both bearings with the weights that are on the rotor now. */
export function runBalancing(setup: StandSetup, fault: string | undefined, random: () => number): StandRun {
  const chance = chanceOf(setup.unit);
  const radius = figure(setup, 'radius');
  // Unbalance as it is, g·mm: several times what is permitted.
  const own = [polar(3 + 4 * chance(0), 360 * chance(1)), polar(2 + 4 * chance(2), 360 * chance(3))];
  const left = own.map((u, i) =>
    (setup.weights ?? [])
      .filter((w) => w.plane === i + 1)
      .reduce<Vector>((sum, w) => plus(sum, polar(w.massG * radius, w.angleDeg)), u),
  );
  const H = answers(setup);
  const loose = fault === 'loose-wheel' ? 0.5 : 0;
  const readings = [0, 1].map((bearing) => {
    const v = left.reduce<Vector>((sum, u, plane) => plus(sum, times(H[plane]![bearing]!, u)), [0, 0]);
    const x = v[0] + (NOISE_MM_S + loose) * normal(random);
    const y = v[1] + (NOISE_MM_S + loose) * normal(random);
    const deg = Math.atan2(y, x) / RAD;
    return { mmS: Number(Math.hypot(x, y).toFixed(4)), phaseDeg: Number(((deg + 360) % 360).toFixed(1)) };
  });
  const top = figure(setup, 'speed');
  // The run-up, so that it is seen to turn: rpm and mm/s.
  const points = Array.from({ length: 24 }, (_, i) => {
    const share = 1 - Math.exp(-(i + 1) / 6);
    return [top * share, readings[0]!.mmS * share * share, readings[1]!.mmS * share * share];
  });
  return { points, done: { readings } };
}
