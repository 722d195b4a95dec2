import { blockers, END_STATEMENTS, openBad, type Blocker } from '@jubb/core/bench';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import { Link } from 'react-router';
import type { Bench } from '../../use-bench.ts';
import { Go } from '../panel.tsx';
import { JudgeAgain } from '../judging/judge-again.tsx';
import { TakeSo } from '../proving/way-on.tsx';

/** Sign-off and hand-over. */
export function ClosePanel({
  bench,
  jobId,
  kind,
}: {
  readonly bench: Bench;
  readonly jobId: string;
  readonly kind: 'sign-off' | 'hand-over' | 'closed';
}): React.JSX.Element {
  const [to, setTo] = useState(bench.state.booked?.customer.name ?? '');
  const left = blockers(bench.sheet, bench.state);
  if (kind === 'closed') {
    return (
      <div className="op">
        <h2>Handed over</h2>
        <p className="lines mt-2">To {bench.state.handedOver?.to}.</p>
        <Link className="btn-ink" to={`/job/${jobId}/record`}>
          The record
        </Link>
      </div>
    );
  }
  if (kind === 'hand-over') {
    return (
      <>
        <div className="op">
          <h2>Signed off by {bench.state.signed?.by.name}</h2>
          <p className="mt-2">
            <Link className="btn-line" to={`/job/${jobId}/record`}>
              Look at the record
            </Link>
          </p>
          <Form.Label htmlFor="to">Who takes the unit</Form.Label>
          <Form.Control
            id="to"
            value={to}
            onChange={(e) => setTo(e.target.value)}
            style={{ maxWidth: 420, fontSize: 20 }}
          />
        </div>
        <Go label="Hand over" act={() => bench.give({ type: 'hand-over', to })} disabled={!to.trim()} />
      </>
    );
  }
  return (
    <>
      <div className="op">
        <h2>Every step is done</h2>
        <p className="lines mt-2">
          {left.length === 0
            ? bench.state.end
              ? END_STATEMENTS[bench.state.end.how]
              : 'Aids are out, parts are back, every pull is recorded. Sign it, and its record is sealed.'
            : 'Something still stands in the way.'}
        </p>
        {left.length > 0 && (
          <ul className="inway">
            {left.map((b) => (
              <li key={`${b.code} ${b.says}`}>
                <b>{b.says}.</b> {b.clears}
                <BadWays bench={bench} blocker={b} />
              </li>
            ))}
          </ul>
        )}
      </div>
      {left.length === 1 && left[0]!.code === 'second-person' ? (
        <Go label="I have looked it over" act={() => bench.give({ type: 'check-over' })} />
      ) : (
        <Go label="Sign off" act={() => bench.give({ type: 'sign-off' })} />
      )}
    </>
  );
}

/** The ways on from something bad that nothing else asks about any more. */
function BadWays({ bench, blocker }: { readonly bench: Bench; readonly blocker: Blocker }): React.JSX.Element | null {
  const bad = openBad(bench.sheet, bench.state).find((b) => b.key === blocker.bad);
  if (!bad) return null;
  const judged = bad.part !== undefined && bench.state.findings[bad.part] !== undefined;
  return (
    <div className="mt-2">
      {judged && <JudgeAgain bench={bench} part={bad.part} />}
      <TakeSo bench={bench} bad={bad} />
    </div>
  );
}
