import { canonical, convert } from '../../../quantities/index.ts';
import { vacuumHold, type Verdict } from '../../../reckoners/index.ts';
import type { Test } from '../../../sheet/index.ts';
import type { CurveRun, RunOutcome } from '../run.ts';

/** What the gauge is good for in a rise. */
const VACUUM_FLOOR_BAR = 0.0002;

/** A vacuum that is left standing: a leak rises straight on, moisture levels off. */
export function vacuum(run: CurveRun, test: Test): RunOutcome {
  const reckoned = vacuumHold.reckon({
    readings: run.points.map(([s, bar]) => ({
      time: canonical(s!, 'time'),
      pressure: canonical(Math.max(0, bar!), 'pressure'),
    })),
    limit: test.accept.high,
  });
  const says = String(reckoned.results.verdict);
  const verdict: Verdict = says === 'tight' ? 'within' : says === 'cannot-tell' ? 'undecided' : 'outside';
  return {
    // A rise of millibars is said in them, as the sheet does.
    value: convert(reckoned.results.rise, test.accept.high.unit),
    uncertainty: canonical(VACUUM_FLOOR_BAR, 'pressure'),
    checks: [
      {
        name: 'Shape of the rise',
        says:
          says === 'moisture'
            ? 'It levels off: moisture that boils out, not a leak. Draw it down longer'
            : says === 'leak'
              ? 'It rises straight on: a leak'
              : says === 'tight'
                ? 'It holds'
                : 'Leak or moisture: it cannot be told yet',
        verdict,
      },
    ],
    tells: says === 'leak' || says === 'moisture' ? [says] : [],
    says: [],
    working: reckoned.working,
  };
}
