import { normal } from '../random.ts';
import { chanceOf } from '../rig.ts';
import { figure, figureOr, goodValue, type StandRun, type StandSetup } from './setup.ts';

/** A brake lever is pulled to its bite and held: travel, force, and whether it sinks. */
export function runStroke(setup: StandSetup, fault: string | undefined, random: () => number): StandRun {
  const bite = figure(setup, 'bite');
  const takes = setup.worn ? figure(setup, 'high') * 1.25 : goodValue(setup);
  const points: number[][] = [];
  for (let i = 0; i <= 60; i += 1) {
    const mm = (takes * 1.02 * i) / 60;
    // Free travel, then the springs, then it stands: steep at the end.
    const n = bite * (0.15 * (mm / takes) + 0.85 * (mm / takes) ** 9);
    points.push([Number(mm.toFixed(2)), Number(Math.max(0, n + 0.3 * normal(random)).toFixed(2)), i * 0.05]);
  }
  const sinks =
    fault === 'creep' || setup.worn ? figureOr(setup, 'creep', 1) * (2.5 + 2 * chanceOf(setup.unit)(2)) : 0.08;
  const end = points.at(-1)![0]!;
  for (let i = 1; i <= 40; i += 1)
    points.push([
      Number((end + (sinks * i) / 40).toFixed(2)),
      Number((bite * 1.15 + 0.3 * normal(random)).toFixed(2)),
      3 + i * 0.25,
    ]);
  return { points, done: {} };
}

/** A damper is moved out and in at a steady speed: its force both ways, positive pulled out. */
export function runDamper(setup: StandSetup, fault: string | undefined, random: () => number): StandRun {
  const out = fault === 'weak-out' || setup.worn ? figure(setup, 'low') * 0.6 : goodValue(setup);
  const [pl, ph] = [figureOr(setup, 'press-low', out * 0.3), figureOr(setup, 'press-high', out * 0.5)];
  const press = pl + (ph - pl) * (0.35 + 0.3 * chanceOf(setup.unit)(1));
  const points = Array.from({ length: 121 }, (_, i) => {
    const turn = (2 * Math.PI * i) / 120;
    const v = Math.sin(turn);
    const n = v >= 0 ? out * Math.min(1, v * 2.2) : -press * Math.min(1, -v * 2.2);
    return [Number((-30 * Math.cos(turn)).toFixed(2)), Number((n * (1 + 0.01 * normal(random))).toFixed(2)), i * 0.02];
  });
  return { points, done: {} };
}

/** A clutch pack is turned against its housing until it slips: torque over the turn. */
export function runSlip(setup: StandSetup, fault: string | undefined, random: () => number): StandRun {
  const whole = figure(setup, 'turn');
  const holds = fault === 'slips' || setup.worn ? figure(setup, 'low') * 0.7 : goodValue(setup);
  const grabs = fault === 'grabs' ? 0.35 : 0.03;
  const points = Array.from({ length: 101 }, (_, i) => {
    const deg = (whole * i) / 100;
    const rise = Math.min(1, deg / (0.12 * whole));
    const stick = 1 + 0.12 * Math.exp(-((deg - 0.13 * whole) ** 2) / (0.02 * whole) ** 2);
    const nm = holds * rise * stick * (1 + grabs * Math.sin(deg / 2.1) + 0.008 * normal(random));
    return [Number(deg.toFixed(1)), Number(Math.max(0, nm).toFixed(2))];
  });
  return { points, done: {} };
}

/** A cylinder holds its load: how far it sinks. */
export function runDrift(setup: StandSetup, fault: string | undefined, random: () => number): StandRun {
  const whole = figure(setup, 'time');
  const high = figure(setup, 'high');
  const sinks =
    fault === 'drift' || setup.worn
      ? high * (2 + 2 * chanceOf(setup.unit)(0))
      : high * (0.1 + 0.3 * chanceOf(setup.unit)(0));
  const points = Array.from({ length: 121 }, (_, i) => {
    const s = (whole * i) / 120;
    return [s, Number(((sinks * s) / whole + 0.03 * normal(random)).toFixed(3))];
  });
  return { points, done: {} };
}
