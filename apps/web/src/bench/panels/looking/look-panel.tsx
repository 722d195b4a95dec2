import { openBad } from '@jubb/core/bench';
import Button from 'react-bootstrap/Button';
import { VerdictMark } from '../../../drawing/verdict-mark.tsx';
import type { PanelProps } from '../panel.tsx';
import { WayOn } from '../proving/way-on.tsx';

const SHAPE = { good: 'within', bad: 'outside', unsure: 'undecided' } as const;
const BY: Readonly<Record<string, string>> = { ear: 'By ear', eye: 'By eye', hand: 'By hand', nose: 'By nose' };

/** A check by sense: two or three plain, described choices, beside what it was when the unit came. */
export function LookPanel({ bench, op }: PanelProps<'look'>): React.JSX.Element {
  const look = bench.sheet.looks[op.look]!;
  const before = bench.state.looks.find((l) => l.look === look.id && l.moment === 'as-found');
  const bad = openBad(bench.sheet, bench.state).find((b) => b.op === op.id);
  return (
    <div className="op d-flex flex-column gap-2">
      <p className="lines p-0">
        <small className="d-block fw-bold">{BY[look.by] ?? look.by}</small>
        {look.ask}
      </p>
      {bad && (
        <p className="refused m-0" role="alert">
          <b>{bad.says}.</b> Put it right and look again, go back to what is behind it, or take it so.
        </p>
      )}
      {op.moment === 'now' && before && (
        <p className="past m-0">
          As found: <b>{before.title}</b>
        </p>
      )}
      <div className={look.pattern ? 'tooth' : 'd-flex flex-column gap-2'}>
        {look.pattern && (
          <div className="ends" aria-hidden="true">
            <span>toe</span>
            <span>{look.pattern} flank</span>
            <span>heel</span>
          </div>
        )}
        {look.choices.map((c) => (
          <Button
            key={c.id}
            variant="line"
            className="choice"
            onClick={() => bench.give({ type: 'look', op: op.id, choice: c.id })}
          >
            <span>
              <b>{c.title}</b>
              {c.says && <small className="d-block">{look.pattern ? c.says.split(':')[0] : c.says}</small>}
            </span>
            <VerdictMark verdict={SHAPE[c.verdict]} />
          </Button>
        ))}
      </div>
      {bad && <WayOn bench={bench} failed={look} bad={bad} />}
    </div>
  );
}
