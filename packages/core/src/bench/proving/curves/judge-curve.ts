import type { Test } from '../../../sheet/index.ts';
import { RunError, type CurveRun, type RunOutcome } from '../run.ts';
import { damper } from './damper.ts';
import { fill } from './fill.ts';
import { slip } from './slip.ts';
import { spin } from './spin.ts';
import { stroke } from './stroke.ts';
import { vacuum } from './vacuum.ts';
import { decay, drift } from './waits.ts';

/** What a curve of a stand comes to. @throws RunError for one that is too short to be judged */
export function judgeCurve(run: CurveRun, test: Test): RunOutcome {
  if (run.points.length < 2) throw new RunError('Nothing has run yet', 'Start the run');
  switch (run.kind) {
    case 'decay':
      return decay(run, test);
    case 'drift':
      return drift(run, test);
    case 'vacuum':
      return vacuum(run, test);
    case 'pump-up':
      return fill(run, test);
    case 'spin':
      return spin(run, test);
    case 'stroke':
      return stroke(run, test);
    case 'damper':
      return damper(run, test);
    case 'slip':
      return slip(run, test);
  }
}
