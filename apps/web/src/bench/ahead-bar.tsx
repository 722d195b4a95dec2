import { aheadNow, kitsAwaited, minutesWords, wantingFor } from '@jubb/core/bench';
import type { LadderStep } from '@jubb/core/sheet';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { Link } from 'react-router';
import type { Bench } from './use-bench.ts';

/** So many things to make ready are shown at first: the move keeps the screen. */
const SHOWN = 1;
const WORD = { oven: 'Oven on now', soak: 'Lay in to soak now', tool: 'Fetch', order: 'See that it is here' } as const;

/** What should be made ready now, so that it is ready when its step is reached, and the kits that this step hangs on. */
export function AheadBar({
  bench,
  step,
}: {
  readonly bench: Bench;
  readonly step: LadderStep;
}): React.JSX.Element | null {
  const [all, setAll] = useState(false);
  const items = aheadNow(bench.sheet, bench.state);
  const kits = kitsAwaited(step, bench.state);
  const title = (part: string): string => bench.sheet.parts[part]?.title ?? part;
  // What is to be made ready has its own line and its own button.
  const wanting = wantingFor(bench.sheet, step, bench.state).filter((w) => w.code !== 'oven' && w.code !== 'tool');
  if (items.length + kits.length + wanting.length === 0) return null;
  return (
    <div className="ahead" aria-label="Make ready">
      {wanting.map((w) => (
        <div key={w.says} className="wanting">
          <span>
            <b>Missing for this step</b>
            <small className="d-block">{w.says}</small>
          </span>
          {w.code === 'part' && (
            <Link className="btn-line" to="/parts">
              To Parts
            </Link>
          )}
        </div>
      ))}
      {kits.map((k) => (
        <div key={k.line}>
          <span>
            <b>{k.lacks === 'not-here' ? `${k.title} is not here yet` : `${k.title} came short`}</b>
            <small className="d-block">
              {k.lacks === 'not-here'
                ? `Nobody has looked into it. Once out: ${k.parts.map(title).join(', ').toLowerCase()}`
                : `Not in it: ${k.lacks.map(title).join(', ').toLowerCase()}`}
            </small>
          </span>
          <Link className="btn-line" to="/parts">
            Check the kit
          </Link>
        </div>
      ))}
      {(all ? items : items.slice(0, SHOWN)).map((a) => (
        <div key={a.id}>
          <span>
            <b>{WORD[a.kind]}:</b> {a.what}
            <small className="d-block">
              {a.minutes > 0 ? `takes ${minutesWords(a.minutes)}, ` : ''}
              {a.inMinutes > 0 ? `wanted in ${minutesWords(a.inMinutes)} of work` : 'wanted now'}:{' '}
              {a.step.title.toLowerCase()}
            </small>
          </span>
          <Button variant="line" onClick={() => bench.give({ type: 'prepare', item: a.id })}>
            {a.kind === 'oven' ? 'It is on' : a.kind === 'soak' ? 'It soaks' : 'It is here'}
          </Button>
        </div>
      ))}
      {!all && items.length > SHOWN && (
        <Button variant="line" onClick={() => setAll(true)}>
          {items.length - SHOWN} more to make ready
        </Button>
      )}
    </div>
  );
}
