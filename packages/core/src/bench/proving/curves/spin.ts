import { canonical, inCanonical } from '../../../quantities/index.ts';
import { bearingTones } from '../../../reckoners/index.ts';
import type { Test } from '../../../sheet/index.ts';
import { RunError, type Check, type CurveRun, type RunOutcome } from '../run.ts';
import { last, mean } from './points.ts';

/** A bearing's own line stands out when it is this much above the floor, within this share of its place. */
const TONE_OVER_FLOOR = 4;
const TONE_PLACE = 0.025;
/** The last part of a spin that is taken, and how much it may still change there. */
const SETTLED_SHARE = 0.2;
const STILL_SETTLING = 0.06;

/** Drag of what turns, once its grease has settled, and the tones of its bearing. */
export function spin(run: CurveRun, test: Test): RunOutcome {
  const { time, speed, balls, ball, pitch } = test.stand!.figures;
  const whole = inCanonical(time!, 'time');
  const ran = last(run.points)[0]! - run.points[0]![0]!;
  if (ran < whole * 0.98)
    throw new RunError(
      `It has spun ${Math.round(ran)} s of ${Math.round(whole)}`,
      'The grease settles as it turns: let it run on',
    );
  const tail = run.points.filter((p) => p[0]! >= last(run.points)[0]! - SETTLED_SHARE * whole).map((p) => p[1]!);
  const half = tail.length >> 1;
  const settled = mean(tail);
  const moves = (mean(tail.slice(half)) - mean(tail.slice(0, half))) / settled;
  const value = canonical(settled, 'torque');
  const tells: string[] = [];
  const checks: Check[] = [
    {
      name: 'Settled',
      value: { value: moves * 100, unit: '%' },
      says: Math.abs(moves) > STILL_SETTLING ? 'It still changes: let it turn longer' : 'It has settled',
      verdict: Math.abs(moves) > STILL_SETTLING ? 'undecided' : 'within',
    },
  ];
  if (settled > inCanonical(test.accept.high, 'torque')) tells.push('drag-high');
  if (settled < inCanonical(test.accept.low, 'torque')) tells.push('drag-low');
  const working = [
    {
      name: 'Drag, settled',
      formula: `mean of the last ${SETTLED_SHARE * 100} %`,
      figures: `${tail.length} points`,
      value,
    },
  ];
  if (run.tones && run.floor !== undefined && balls && ball && pitch) {
    const tones = bearingTones.reckon({ balls: balls.value, ballDiameter: ball, pitchDiameter: pitch, speed: speed! });
    const lines = { 'outer-race': 'outerRace', 'inner-race': 'innerRace', ball: 'ballDefect' } as const;
    const names = { 'outer-race': 'the outer race', 'inner-race': 'the inner race', ball: 'a ball' } as const;
    const found = (Object.keys(lines) as (keyof typeof lines)[]).flatMap((tell) => {
      const hz = inCanonical(tones.results[lines[tell]], 'frequency');
      const line = run.tones!.find(
        (t) => Math.abs(t.hz / hz - 1) < TONE_PLACE && t.level > TONE_OVER_FLOOR * run.floor!,
      );
      return line ? [{ tell, hz: line.hz, over: line.level / run.floor! }] : [];
    });
    tells.push(...found.map((x) => x.tell));
    checks.push({
      name: 'Tones',
      says:
        found.length === 0
          ? 'None of the bearing’s own tones stands out'
          : found
              .map((x) => `${x.hz.toFixed(1)} Hz, ${x.over.toFixed(0)} times the floor: ${names[x.tell]}`)
              .join('; '),
      verdict: found.length === 0 ? 'within' : 'outside',
    });
    return {
      value,
      uncertainty: canonical(0.02 * settled, 'torque'),
      checks,
      tells,
      says: [],
      working: [...working, ...tones.working],
    };
  }
  return { value, uncertainty: canonical(0.02 * settled, 'torque'), checks, tells, says: [], working };
}
