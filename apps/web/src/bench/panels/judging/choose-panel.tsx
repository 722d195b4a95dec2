import Button from 'react-bootstrap/Button';
import { type PanelProps } from '../panel.tsx';

/** The methods that a step allows, each with its reason. */
export function ChoosePanel({ bench, op }: PanelProps<'choose'>): React.JSX.Element {
  const method = bench.sheet.methods[op.method];
  return (
    <div className="op d-flex flex-column gap-3">
      {method?.choices.map((c) => (
        <Button
          key={c.id}
          variant="line"
          className="justify-content-start text-start"
          style={{ padding: 16 }}
          onClick={() => bench.give({ type: 'choose', op: op.id, choice: c.id })}
        >
          <span>
            <b style={{ fontSize: 22 }}>{c.title}</b>
            <small className="d-block">{c.why}</small>
          </span>
        </Button>
      ))}
    </div>
  );
}
