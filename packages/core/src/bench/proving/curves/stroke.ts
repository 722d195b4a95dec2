import { canonical, inCanonical } from '../../../quantities/index.ts';
import type { Test } from '../../../sheet/index.ts';
import type { CurveRun, RunOutcome } from '../run.ts';
import { last } from './points.ts';

/** A lever or a pedal: how far to where it bites, and whether it stands there. */
export function stroke(run: CurveRun, test: Test): RunOutcome {
  const bite = inCanonical(test.stand!.figures['bite']!, 'force');
  const at = run.points.findIndex((p) => p[1]! >= bite);
  if (at < 1)
    return {
      value: canonical(last(run.points)[0]!, 'length'),
      uncertainty: canonical(0.5, 'length'),
      checks: [{ name: 'Bite', says: `It never reaches ${bite} N: the lever goes to its stop`, verdict: 'outside' }],
      tells: ['long-stroke'],
      says: [],
      working: [],
    };
  const [x0, f0] = run.points[at - 1]!;
  const [x1, f1] = run.points[at]!;
  const travel = x0! + ((bite - f0!) / (f1! - f0!)) * (x1! - x0!);
  const value = canonical(travel, 'length');
  const held = run.points.slice(at);
  const creep = last(held)[0]! - held[Math.min(held.length - 1, 2)]![0]!;
  const most = test.stand!.figures['creep'];
  const creeps = most !== undefined && creep > inCanonical(most, 'length');
  const tells = [
    ...(creeps ? ['creep'] : []),
    ...(travel > inCanonical(test.accept.high, 'length') ? ['long-stroke'] : []),
    ...(travel < inCanonical(test.accept.low, 'length') ? ['short-stroke'] : []),
  ];
  return {
    value,
    uncertainty: canonical(0.3, 'length'),
    checks:
      most === undefined
        ? []
        : [
            {
              name: 'Creep, held',
              value: canonical(creep, 'length'),
              band: { low: canonical(0, 'length'), high: most },
              says: creeps ? 'The lever sinks under the hand: fluid passes a ring' : 'It stands',
              verdict: creeps ? 'outside' : 'within',
            },
          ],
    tells,
    says: [],
    working: [
      {
        name: 'Stroke to bite',
        formula: `where the force passes ${bite} N`,
        figures: `${run.points.length} points`,
        value,
      },
    ],
  };
}
