import { MOST_OF_A_PART } from '@jubb/core/bench';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useKeys } from '../../../frame/keys.ts';
import { Go, type PanelProps } from '../panel.tsx';

/** Counts a part before it goes back. One too few is looked for, or renewed on purpose; it does not just vanish. */
export function CountPanel({ bench, op }: PanelProps<'count'>): React.JSX.Element {
  const { sheet, state } = bench;
  const id = op.part ?? op.what;
  const part = sheet.parts[id];
  const [count, setCount] = useState(0);
  const [reason, setReason] = useState('');
  const uncounted = state.uncounted[id] !== undefined;
  const expected = uncounted ? undefined : part?.count;
  const tried = state.counted.filter((c) => c.op === op.id);
  const last = tried.at(-1);
  const give = (lost?: 'renew'): void => {
    bench.give({
      type: 'count',
      op: op.id,
      count,
      ...(lost ? { lost } : {}),
      ...(reason.trim() ? { reason } : {}),
    });
  };
  useKeys({ more: () => setCount((n) => n + 1), less: () => setCount((n) => Math.max(0, n - 1)) });
  const lying = state.off[id];
  return (
    <>
      <div className="op">
        <p className="lines p-0 m-0">
          {part?.title}
          {lying ? `, tray ${lying.tray}` : ''}
          {expected !== undefined ? `: ${expected} came off` : ': nobody has counted them yet'}
        </p>
        <div className="counter" role="group" aria-label={`Count of ${part?.title ?? id}`}>
          <Button variant="line" onClick={() => setCount(Math.max(0, count - 1))} aria-label="One less">
            −
          </Button>
          <Form.Control
            type="number"
            min={0}
            max={MOST_OF_A_PART}
            value={count}
            aria-label="Count"
            onChange={(e) => setCount(Math.max(0, Math.min(MOST_OF_A_PART, Math.round(Number(e.target.value) || 0))))}
          />
          <Button variant="line" onClick={() => setCount(count + 1)} aria-label="One more">
            +
          </Button>
        </div>
        {last && !last.agrees && (
          <div className="refused mt-2" role="alert">
            <b>
              {last.count} counted, {last.expected} came off.
            </b>{' '}
            {last.count < (last.expected ?? 0)
              ? 'Look in the tray, the rag, the wash, under the bench. Count again.'
              : 'One too many: is it from the other side?'}
            {last.count < (last.expected ?? 0) && (
              <div className="mt-2">
                <Form.Label htmlFor="lost-why">Not found: where was it looked for?</Form.Label>
                <div className="d-flex gap-2">
                  <Form.Control
                    id="lost-why"
                    value={reason}
                    maxLength={400}
                    onChange={(e) => setReason(e.target.value)}
                  />
                  <Button
                    variant="line"
                    className="flex-shrink-0"
                    disabled={!reason.trim() || count === expected}
                    onClick={() => give('renew')}
                  >
                    Renew all of them
                  </Button>
                </div>
              </div>
            )}
          </div>
        )}
      </div>
      <Go label={`${count} counted`} act={() => give()} disabled={uncounted && count === 0} />
    </>
  );
}
