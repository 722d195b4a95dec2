import { figuresFor, instrumentFacts, judgeRun, readingsOf, RunError, type Run } from '@jubb/core/bench';
import { formatNumber, formatQuantity } from '@jubb/core/quantities';
import { standOf, type Test } from '@jubb/core/sheet';
import { useQuery } from '@tanstack/react-query';
import { queries } from '../../../api/queries.ts';
import { simulatedUnit } from '../../simulation/simulated-unit.ts';
import type { PanelProps } from '../panel.tsx';
import { TypedReading } from '../reading/typed-reading.tsx';
import { BalancingRounds } from './balancing-rounds.tsx';
import { PlainRun } from './plain-run.tsx';

/** A test that is made on a stand: in one run, or run by run until the rotor is within its grade. */
export function StandPanel({ bench, op }: PanelProps<'test'>): React.JSX.Element {
  const { sheet, state } = bench;
  const test = sheet.tests[op.test]!;
  const stand = test.stand!;
  const view = useQuery(queries.instruments()).data?.find((i) => i.kind === standOf(stand.kind));
  const setup = {
    kind: stand.kind,
    unit: `${simulatedUnit(state)}/${test.id}`,
    figures: { ...figuresFor(test) },
    ...(op.moment === 'as-found' ? { worn: true } : {}),
    mended: state.returns.filter((l) => l.test === test.id).length,
  };
  const keep = (run: Run): boolean =>
    bench.give({ type: 'take-run', op: op.id, run, ...(view ? { instrument: instrumentFacts(view) } : {}) });
  /** A figure typed instead of a run; one that was made all the same stays in the log beside it. */
  const typed = (ran?: Run): React.JSX.Element => (
    <TypedReading
      dimension={test.dimension}
      unit={`${formatNumber(test.accept.low.value)} ${test.accept.low.unit}`}
      label="No stand at hand: type what was read"
      take={(q) => {
        if (!bench.give({ type: 'take-reading', op: op.id, value: q, how: 'hand' })) return false;
        if (ran !== undefined)
          bench.give({
            type: 'note',
            text: `${test.title}: ${ranWords(test, ran)}; ${formatQuantity(q)} was typed by hand instead.`,
          });
        return true;
      }}
    />
  );
  return readingsOf(state, op.id).length === 0 && stand.kind === 'balancing' ? (
    <BalancingRounds
      test={test}
      view={view}
      setup={setup}
      keep={keep}
      place={`${bench.job}/${op.id}`}
      hold={!bench.fresh}
    >
      {typed()}
    </BalancingRounds>
  ) : (
    <PlainRun bench={bench} op={op} test={test} view={view} setup={setup} keep={keep} typed={typed} />
  );
}

/** What a run came to, reckoned when it is asked: what is drawn beside it may not have been judged yet. */
function ranWords(test: Test, run: Run): string {
  try {
    return `the stand had run ${formatQuantity(judgeRun(test, run).value)}`;
  } catch (e) {
    if (e instanceof RunError) return `the stand had run, and its run was not one to keep (${e.says})`;
    throw e;
  }
}
