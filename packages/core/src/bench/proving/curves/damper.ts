import { canonical, inCanonical } from '../../../quantities/index.ts';
import type { Test } from '../../../sheet/index.ts';
import { RunError, type CurveRun, type RunOutcome } from '../run.ts';

/** The steady height of one side of a stroke: the middle of its highest third, so that one spike says nothing. */
function plateau(forces: readonly number[]): number {
  const high = [...forces].sort((a, b) => b - a).slice(0, Math.max(1, Math.ceil(forces.length / 3)));
  return high[high.length >> 1]!;
}

/** A damper moved both ways. */
export function damper(run: CurveRun, test: Test): RunOutcome {
  const out = run.points.map((p) => p[1]!).filter((f) => f > 0);
  const press = run.points.map((p) => -p[1]!).filter((f) => f > 0);
  if (out.length < 3 || press.length < 3)
    throw new RunError('It has not been moved both ways', 'Run a whole stroke, out and in');
  const rebound = plateau(out);
  const inward = plateau(press);
  const value = canonical(rebound, 'force');
  const band = test.stand!.bands['press'];
  const weak = band !== undefined && inward < inCanonical(band.low, 'force');
  const hard = band !== undefined && inward > inCanonical(band.high, 'force');
  return {
    value,
    uncertainty: canonical(0.02 * rebound, 'force'),
    checks: [
      {
        name: 'On the way in',
        value: canonical(inward, 'force'),
        ...(band ? { band } : {}),
        verdict: weak || hard ? 'outside' : 'within',
      },
    ],
    tells: [
      ...(rebound < inCanonical(test.accept.low, 'force') ? ['weak-out'] : []),
      ...(weak ? ['weak-in'] : []),
      ...(hard ? ['uneven'] : []),
    ],
    says: [],
    working: [
      { name: 'Force on the way out', formula: 'middle of the highest third', figures: `${out.length} points`, value },
    ],
  };
}
