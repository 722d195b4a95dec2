import { findings } from '@jubb/core/sheet';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import { Go, type PanelProps } from './panel.tsx';

/** Each part gets its finding and the reason for it. */
export function JudgePanel({ bench, op }: PanelProps<'judge'>): React.JSX.Element {
  const { sheet, state } = bench;
  const due = op.parts.find((p) => state.findings[p] === undefined);
  const [reason, setReason] = useState('');
  return (
    <>
      <div className="op">
        {op.parts
          .filter((p) => state.findings[p])
          .map((p) => (
            <p key={p} className="m-0" style={{ fontSize: 18 }}>
              <b>{sheet.parts[p]?.title}</b>: {state.findings[p]}, {state.findingNotes[p]?.reason}
            </p>
          ))}
        {due && (
          <div className="mt-3">
            <h3 style={{ fontSize: 24 }}>{sheet.parts[due]?.title}</h3>
            <Form.Label htmlFor="reason" className="mt-2">
              What was seen or measured
            </Form.Label>
            <Form.Control
              id="reason"
              value={reason}
              onChange={(e) => setReason(e.target.value)}
              style={{ fontSize: 18 }}
            />
            <div className="answers mt-2">
              {findings.map((f) => (
                <button
                  key={f}
                  type="button"
                  className="btn-line"
                  onClick={() => {
                    if (bench.give({ type: 'judge', op: op.id, part: due, finding: f, reason })) setReason('');
                  }}
                >
                  {f.charAt(0).toUpperCase() + f.slice(1)}
                </button>
              ))}
            </div>
          </div>
        )}
      </div>
      <Go label="All judged" act={() => bench.give({ type: 'complete', op: op.id })} disabled={due !== undefined} />
    </>
  );
}
