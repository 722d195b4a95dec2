import { canonical, inCanonical } from '../../../quantities/index.ts';
import type { Test } from '../../../sheet/index.ts';
import { RunError, type CurveRun, type RunOutcome } from '../run.ts';
import { last, mean } from './points.ts';

/** Slip torque that swings more than this about its mean grabs. */
const GRABS = 0.2;

/** A clutch or a limiter that is slipped round. */
export function slip(run: CurveRun, test: Test): RunOutcome {
  const whole = inCanonical(test.stand!.figures['turn']!, 'angle');
  if (last(run.points)[0]! < whole * 0.98)
    throw new RunError('It has not slipped round yet', `Turn it on to ${whole} deg`);
  const steady = run.points.filter((p) => p[0]! > whole * 0.4).map((p) => p[1]!);
  const torque = mean(steady);
  const swing = (Math.max(...steady) - Math.min(...steady)) / 2 / torque;
  const value = canonical(torque, 'torque');
  return {
    value,
    uncertainty: canonical(0.03 * torque, 'torque'),
    checks: [
      {
        name: 'Evenness',
        value: { value: swing * 100, unit: '%' },
        says: swing > GRABS ? 'It grabs and lets go' : 'It slips evenly',
        verdict: swing > GRABS ? 'outside' : 'within',
      },
    ],
    tells: [
      ...(torque < inCanonical(test.accept.low, 'torque') ? ['slips'] : []),
      ...(swing > GRABS || torque > inCanonical(test.accept.high, 'torque') ? ['grabs'] : []),
    ],
    says: [],
    working: [
      { name: 'Torque, slipping', formula: 'mean after it has broken away', figures: `${steady.length} points`, value },
    ],
  };
}
