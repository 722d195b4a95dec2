import { canonical, formatQuantity, inCanonical } from '../../../quantities/index.ts';
import { pumpUp } from '../../../reckoners/index.ts';
import type { Test } from '../../../sheet/index.ts';
import { RunError, type CurveRun, type RunOutcome } from '../run.ts';

/** A tank that is pumped up: the time, and the free air that it takes. */
export function fill(run: CurveRun, test: Test): RunOutcome {
  const { volume, pressure } = test.stand!.figures;
  const to = inCanonical(pressure!, 'pressure');
  const at = run.points.findIndex((p) => p[1]! >= to);
  if (at < 1)
    throw new RunError(
      `It has not reached ${formatQuantity(pressure!)} yet`,
      'Let it run on; if it never does, type how long you waited',
    );
  const [t0, p0] = run.points[at - 1]!;
  const [t1, p1] = run.points[at]!;
  const seconds = t0! + ((to - p0!) / (p1! - p0!)) * (t1! - t0!) - run.points[0]![0]!;
  const value = canonical(seconds, 'time');
  const reckoned = pumpUp.reckon({
    tankVolume: volume!,
    pressureStart: canonical(run.points[0]![1]!, 'pressure'),
    pressureEnd: pressure!,
    time: value,
  });
  const slow = seconds > inCanonical(test.accept.high, 'time');
  return {
    value,
    uncertainty: canonical(Math.max(0.5, t1! - t0!), 'time'),
    checks: [{ name: 'Free air', value: reckoned.results.freeAirDelivery, verdict: slow ? 'outside' : 'within' }],
    tells: slow ? ['slow'] : [],
    says: [],
    working: reckoned.working,
  };
}
