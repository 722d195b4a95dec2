import { aheadNow, minutesWords } from '@jubb/core/bench';
import type { Bench } from './use-bench.ts';

const WORD = { oven: 'Oven on now', soak: 'Lay in to soak now', tool: 'Fetch', order: 'See that it is here' } as const;

/** What should be made ready now, so that it is ready when its step is reached. */
export function AheadBar({ bench }: { readonly bench: Bench }): React.JSX.Element | null {
  const items = aheadNow(bench.sheet, bench.state);
  if (items.length === 0) return null;
  return (
    <div className="ahead" aria-label="Make ready">
      {items.map((a) => (
        <div key={a.id}>
          <span>
            <b>{WORD[a.kind]}:</b> {a.what}
            <small className="d-block">
              {a.minutes > 0 ? `takes ${minutesWords(a.minutes)}, ` : ''}
              {a.inMinutes > 0 ? `wanted in ${minutesWords(a.inMinutes)} of work` : 'wanted now'}:{' '}
              {a.step.title.toLowerCase()}
            </small>
          </span>
          <button type="button" className="btn-line" onClick={() => bench.give({ type: 'prepare', item: a.id })}>
            {a.kind === 'oven' ? 'It is on' : a.kind === 'soak' ? 'It soaks' : 'It is here'}
          </button>
        </div>
      ))}
    </div>
  );
}
