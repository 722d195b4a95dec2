import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { Go, type PanelProps } from '../panel.tsx';

/** Rework: with what and how far, then the look after it, then the debris, each ticked before it goes on. */
export function ReworkPanel({ bench, op }: PanelProps<'rework'>): React.JSX.Element {
  const [ticks, setTicks] = useState<readonly string[]>([]);
  const wanted = [
    ...(op.check === undefined ? [] : [{ id: 'check', title: 'Look', says: op.check }]),
    ...(op.clear === undefined ? [] : [{ id: 'clear', title: 'Cleared', says: op.clear }]),
  ];
  const toggle = (id: string): void => setTicks(ticks.includes(id) ? ticks.filter((t) => t !== id) : [...ticks, id]);
  return (
    <>
      <div className="op">
        <p className="lines p-0">
          <b>{op.by}</b>
          {op.until && <> until: {op.until}</>}
        </p>
        {op.note && <p>{op.note}</p>}
        <div className="d-flex flex-column gap-2">
          {wanted.map((w) => (
            <Button
              key={w.id}
              variant="line"
              className="choice"
              aria-pressed={ticks.includes(w.id)}
              onClick={() => toggle(w.id)}
            >
              <span className="tickbox" aria-hidden="true">
                {ticks.includes(w.id) ? '✓' : ''}
              </span>
              <span>
                <b>{w.title}</b>
                <small className="d-block">{w.says}</small>
              </span>
            </Button>
          ))}
        </div>
      </div>
      <Go
        label={ticks.length < wanted.length ? 'Look, and clear, first' : 'Done'}
        act={() => bench.give({ type: 'complete', op: op.id, ticks })}
        disabled={ticks.length < wanted.length}
      />
    </>
  );
}
