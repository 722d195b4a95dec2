import { VerdictMark } from '../../drawing/verdict-mark.tsx';
import type { PanelProps } from './panel.tsx';

const SHAPE = { good: 'within', bad: 'outside', unsure: 'undecided' } as const;
const BY: Readonly<Record<string, string>> = { ear: 'By ear', eye: 'By eye', hand: 'By hand', nose: 'By nose' };

/** A check by sense: two or three plain, described choices, beside what it was when the unit came. */
export function LookPanel({ bench, op }: PanelProps<'look'>): React.JSX.Element {
  const look = bench.sheet.looks[op.look]!;
  const before = bench.state.looks.find((l) => l.look === look.id && l.moment === 'as-found');
  return (
    <div className="op d-flex flex-column gap-2">
      <p className="lines p-0">
        <small className="d-block fw-bold">{BY[look.by] ?? look.by}</small>
        {look.ask}
      </p>
      {op.moment === 'now' && before && (
        <p className="past m-0">
          As found: <b>{before.title}</b>
        </p>
      )}
      {look.choices.map((c, i) => (
        <button
          key={c.id}
          type="button"
          className="btn-line choice"
          onClick={() => bench.give({ type: 'look', op: op.id, choice: c.id })}
        >
          <kbd aria-hidden="true">{i + 1}</kbd>
          <span>
            <b>{c.title}</b>
            {c.says && <small className="d-block">{c.says}</small>}
          </span>
          <VerdictMark verdict={SHAPE[c.verdict]} />
        </button>
      ))}
    </div>
  );
}
