import { formatReading } from '@jubb/core/quantities';
import { VerdictMark } from '../../drawing/verdict-mark.tsx';
import type { Bench } from '../use-bench.ts';

/** What is known of a part that was pressed on the drawing: where it lies, how it goes, what was read and judged of it. */
export function ToldPart({
  bench,
  part,
  close,
}: {
  readonly bench: Bench;
  readonly part: string;
  readonly close: () => void;
}): React.JSX.Element {
  const { sheet, state } = bench;
  const p = sheet.parts[part]!;
  const lying = state.off[part];
  const order = state.orders[part] ?? p.order;
  const finding = state.findings[part];
  const readings = Object.values(sheet.measures)
    .filter((m) => m.part === part)
    .flatMap((m) => {
      const reading = state.readings.filter((r) => r.subject === 'measure' && r.id === m.id).at(-1);
      return reading ? [{ title: m.title, reading }] : [];
    });
  return (
    <div className="told" role="status">
      <b>
        {p.title}
        {p.count > 1 && `, ${p.count}`}
      </b>
      <span>{lying ? `off, ${lying.count} in tray ${lying.tray}` : 'on the unit'}</span>
      {p.goes && <span>{p.goes}</span>}
      {finding && <span>found: {finding}</span>}
      {readings.map((r) => (
        <span key={r.title}>
          {r.title}: {formatReading(r.reading.value)}{' '}
          {r.reading.result && <VerdictMark verdict={r.reading.result.verdict} />}
        </span>
      ))}
      {order && <span>order number {order}</span>}
      <button type="button" className="btn-line" onClick={close}>
        Close
      </button>
    </div>
  );
}
