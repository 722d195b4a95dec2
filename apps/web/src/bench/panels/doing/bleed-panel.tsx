import { linesOf, opTitle } from '@jubb/core/bench';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { useKeys } from '../../../frame/keys.ts';
import { Go, type PanelProps } from '../panel.tsx';

/** Bleeds until so many strokes in a row came without a bubble; a bubble starts the count again. */
export function BleedPanel({ bench, op }: PanelProps<'bleed'>): React.JSX.Element {
  const wanted = op.strokes ?? 0;
  const [clean, setClean] = useState(0);
  const [bubbles, setBubbles] = useState(0);
  const bubble = (): void => {
    setClean(0);
    setBubbles(bubbles + 1);
  };
  useKeys({ take: () => setClean(clean + 1), bubble });
  return (
    <>
      <div className="op">
        <ul className="lines">
          {linesOf(bench.sheet, bench.state, op).map((l) => (
            <li key={l}>{l}</li>
          ))}
        </ul>
        <div className="counter">
          <div className="big" role="status">
            {clean}
            <span>clean of {wanted}</span>
          </div>
          <div className="answers">
            <Button variant="ink" onClick={() => setClean(clean + 1)}>
              A clean stroke <kbd>space</kbd>
            </Button>
            <Button variant="line" onClick={bubble}>
              A bubble: from nothing <kbd>0</kbd>
            </Button>
          </div>
          {bubbles > 0 && <p className="quiet">Bubbles so far: {bubbles}</p>}
        </div>
      </div>
      <Go
        label={clean >= wanted ? `${opTitle(bench.sheet, op)}: done` : `${wanted - clean} more clean strokes`}
        act={() => bench.give({ type: 'complete', op: op.id, strokes: clean })}
        disabled={clean < wanted}
      />
    </>
  );
}
