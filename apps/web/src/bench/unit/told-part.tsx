import { measureOutcome, placesRead, standsAt, whereIs } from '@jubb/core/bench';
import { formatReading } from '@jubb/core/quantities';
import Button from 'react-bootstrap/Button';
import { VerdictMark } from '../../drawing/verdict-mark.tsx';
import type { Bench } from '../use-bench.ts';

/** What is known of a part that was pressed on the drawing: where it lies, how it goes, what was read and judged of it. */
export function ToldPart({
  bench,
  part,
  rides,
  close,
}: {
  readonly bench: Bench;
  readonly part: string;
  /** It is drawn off with what carries it. */
  readonly rides: boolean;
  readonly close: () => void;
}): React.JSX.Element {
  const { sheet, state } = bench;
  const p = sheet.parts[part]!;
  const order = state.orders[part] ?? p.order;
  const finding = state.findings[part];
  const measures = Object.values(sheet.measures).filter((m) => m.part === part && placesRead(m, state).length > 0);
  return (
    <div className="told" role="status">
      <b>
        {p.title}
        {p.count > 1 && `, ${p.count}`}
      </b>
      <span>{whereIs(sheet, state, part, rides)}</span>
      {p.goes && <span>{p.goes}</span>}
      {finding && <span>found: {finding}</span>}
      {measures.map((m) => {
        const verdict = measureOutcome(sheet, state, m.id)?.verdict;
        return (
          <span key={m.id}>
            {m.title}:{' '}
            {placesRead(m, state)
              .map((at) => formatReading(standsAt(at).mean))
              .join(', ')}{' '}
            {verdict && <VerdictMark verdict={verdict} />}
          </span>
        );
      })}
      {order && <span>order number {order}</span>}
      <Button variant="line" onClick={close}>
        Close
      </Button>
    </div>
  );
}
