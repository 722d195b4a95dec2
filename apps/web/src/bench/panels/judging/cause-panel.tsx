import { causeEvidence } from '@jubb/core/bench';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { VerdictMark } from '../../../drawing/verdict-mark.tsx';
import type { PanelProps } from '../panel.tsx';

const MARK = { for: 'outside', against: 'within', 'not sure': 'undecided' } as const;
const WORDS = { for: 'speaks for it', against: 'speaks against it', 'not sure': 'cannot tell' } as const;

/** Why did it fail? Each answer with the readings that speak for it and against it; not knowing is an answer too. */
export function CausePanel({ bench, op }: PanelProps<'cause'>): React.JSX.Element {
  const cause = bench.sheet.causes[op.cause]!;
  const evidence = causeEvidence(bench.sheet, bench.state, cause);
  const [note, setNote] = useState('');
  const answer = (choice: string | null): void => {
    bench.give({ type: 'find-cause', op: op.id, choice, ...(note.trim() ? { note } : {}) });
  };
  return (
    <div className="op d-flex flex-column gap-2">
      <p className="lines p-0">A new part on an old cause comes back. What killed it?</p>
      {cause.choices.map((c) => (
        <Button key={c.id} variant="line" className="choice" onClick={() => answer(c.id)}>
          <span>
            <b>{c.title}</b>
            {c.then && <small className="d-block">Then: {c.then}</small>}
            {evidence[c.id]!.map((e, n) => (
              <small key={`${e.id}-${n}`} className="d-block">
                <VerdictMark verdict={MARK[e.speaks]} says={WORDS[e.speaks]} />: {e.says}
              </small>
            ))}
          </span>
        </Button>
      ))}
      <Button variant="line" className="choice" onClick={() => answer(null)}>
        <span>
          <b>Not known</b>
          <small className="d-block">It goes on record as not known</small>
        </span>
      </Button>
      <Form.Label htmlFor="cause-note" className="mt-2 mb-0">
        What else speaks for it
      </Form.Label>
      <Form.Control id="cause-note" value={note} onChange={(e) => setNote(e.target.value)} maxLength={400} />
    </div>
  );
}
