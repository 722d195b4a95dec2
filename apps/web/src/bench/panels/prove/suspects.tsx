import { comesUndone, suspectsOf, type PastCauses } from '@jubb/core/bench';
import type { Test } from '@jubb/core/sheet';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import { queries } from '../../../api/queries.ts';
import type { Bench } from '../../use-bench.ts';

const NONE: PastCauses = {};

/** A test that failed: what could be behind it, most likely first, and the way back to it. */
export function Suspects({
  bench,
  test,
  op,
}: {
  readonly bench: Bench;
  readonly test: Test;
  readonly op: string;
}): React.JSX.Element {
  const past = useQuery(queries.pastCauses(bench.sheet.id)).data?.[test.id] ?? NONE;
  const [why, setWhy] = useState('');
  const suspects = suspectsOf(bench.sheet, bench.state, test, past);
  return (
    <section className="suspects" aria-label="What could be behind it">
      <h3>What could be behind it</h3>
      {suspects.map((s) => {
        const undone = comesUndone(bench.sheet, bench.state, s.id, op);
        return (
          <div key={s.id} className="suspect">
            <span className="share" style={{ width: `${Math.round(s.share * 100)}%` }} aria-hidden="true" />
            <div>
              <b>{s.title}</b> <span className="quiet">{Math.round(s.share * 100)} of 100</span>
              <small className="d-block">
                {s.why.join('. ')}
                {undone ? `. ${undone.steps.length} steps come undone` : ''}
              </small>
            </div>
            <button
              type="button"
              className="btn-line"
              disabled={!undone}
              onClick={() => bench.give({ type: 'lead-back', op, suspect: s.id })}
            >
              {undone ? `Back to ${(s.step?.title ?? s.title).toLowerCase()}` : 'No step puts it in'}
            </button>
          </div>
        );
      })}
      <Form.Label htmlFor="handed-so" className="mt-2 mb-0">
        Or handed over so, because
      </Form.Label>
      <div className="d-flex gap-2">
        <Form.Control id="handed-so" value={why} maxLength={400} onChange={(e) => setWhy(e.target.value)} />
        <button
          type="button"
          className="btn-line"
          disabled={!why.trim()}
          onClick={() => bench.give({ type: 'complete', op, reason: why })}
        >
          Keep it so
        </button>
      </div>
    </section>
  );
}
