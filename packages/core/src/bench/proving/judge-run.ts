import type { Test } from '../../sheet/index.ts';
import { judgeAlternator } from './alternator.ts';
import { judgeBalancing } from './balancing.ts';
import { judgeCurve } from './curves/judge-curve.ts';
import type { Run, RunOutcome } from './run.ts';
import { RunError } from './run.ts';

/**
 * What a run on a stand comes to by the figures of its test: the figure, what else was looked at, and what it tells.
 * The same for the bench that shows it, the server that keeps it, and whoever judges a kept run again.
 * @throws RunError when the run is of another kind, or not far enough to be judged
 * @throws ReckonError when the figures cannot be reckoned with
 */
export function judgeRun(test: Test, run: Run): RunOutcome {
  const { stand } = test;
  if (!stand || stand.kind !== run.kind)
    throw new RunError(
      `${test.title} is not made by such a run`,
      stand ? `It wants a ${stand.kind} run` : 'Type what you read',
    );
  switch (run.kind) {
    case 'alternator':
      return judgeAlternator(run, test);
    case 'balancing':
      return judgeBalancing(run, stand);
    default:
      return judgeCurve(run, test);
  }
}
