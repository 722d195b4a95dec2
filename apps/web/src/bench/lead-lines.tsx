import { linesOf, opTitle, type Together } from '@jubb/core/bench';
import type { Bench } from './use-bench.ts';

/** What is done first, in the same go: each deed with what there is to know of it. */
export function LeadLines({
  bench,
  lead,
}: {
  readonly bench: Bench;
  readonly lead: Together['lead'];
}): React.JSX.Element | null {
  if (lead.length === 0) return null;
  return (
    <ol className="lead" aria-label="First">
      {lead.map((op) => {
        const title = opTitle(bench.sheet, op);
        const more = linesOf(bench.sheet, bench.state, op).filter((l) => l !== title);
        return (
          <li key={op.id}>
            {title}
            {more.length > 0 && <small className="d-block">{more.join('. ')}</small>}
          </li>
        );
      })}
    </ol>
  );
}
