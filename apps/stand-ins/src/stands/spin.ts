import { normal } from '../random.ts';
import { chanceOf } from '../rig.ts';
import { figure, figureOr, goodValue, type StandRun, type StandSetup } from './setup.ts';

const POINTS = 120;
/** Fresh grease is pushed aside in about this share of the run. */
const SETTLES = 0.12;

/** A bearing that is spun: its drag as the grease settles, and the lines of its noise. */
export function runSpin(setup: StandSetup, fault: string | undefined, random: () => number): StandRun {
  const whole = figure(setup, 'time');
  const [low, high] = [figure(setup, 'low'), figure(setup, 'high')];
  const settled =
    fault === 'tight' ? high * 1.5 : fault === 'loose' || (setup.worn && low > 0) ? low * 0.55 : goodValue(setup);
  const points = Array.from({ length: POINTS + 1 }, (_, i) => {
    const s = (whole * i) / POINTS;
    const nm = settled * (1 + 0.9 * Math.exp(-s / (SETTLES * whole)));
    return [Number(s.toFixed(2)), Number((nm * (1 + 0.012 * normal(random))).toFixed(4))];
  });
  return {
    points,
    done: { ...noise(setup, setup.worn && fault === undefined ? 'outer-race' : fault, random), floor: 1 },
  };
}

/** Lines of the noise: once a turn, and those of a spot on a race or a ball (they slip by about a per cent). */
function noise(
  setup: StandSetup,
  fault: string | undefined,
  random: () => number,
): { tones: { hz: number; level: number }[] } {
  const turn = figure(setup, 'speed') / 60;
  const tones = [{ hz: turn, level: 2 + random() }];
  const [n, d, D] = [figureOr(setup, 'balls', 0), figureOr(setup, 'ball', 0), figureOr(setup, 'pitch', 0)];
  if (n > 0 && d > 0 && D > 0) {
    const r = d / D;
    const slip = 0.99 + 0.004 * random();
    const lines: Readonly<Record<string, number>> = {
      'outer-race': (n / 2) * turn * (1 - r),
      'inner-race': (n / 2) * turn * (1 + r),
      ball: (turn / r) * (1 - r * r),
    };
    for (const [name, hz] of Object.entries(lines))
      tones.push({
        hz: Number((hz * slip).toFixed(2)),
        level: name === fault ? 9 + 6 * chanceOf(setup.unit)(4) : 1.3 + 0.6 * random(),
      });
  }
  return { tones };
}
