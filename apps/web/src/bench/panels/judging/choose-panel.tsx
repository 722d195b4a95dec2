import { type PanelProps } from '../panel.tsx';

/** The schools that a step allows, each with its reason. */
export function ChoosePanel({ bench, op }: PanelProps<'choose'>): React.JSX.Element {
  const method = bench.sheet.methods[op.method];
  return (
    <div className="op d-flex flex-column gap-3">
      {method?.choices.map((c) => (
        <button
          key={c.id}
          type="button"
          className="btn-line justify-content-start text-start"
          style={{ padding: 16 }}
          onClick={() => bench.give({ type: 'choose', op: op.id, choice: c.id })}
        >
          <span>
            <b style={{ fontSize: 22 }}>{c.title}</b>
            <small className="d-block">{c.why}</small>
          </span>
        </button>
      ))}
    </div>
  );
}
