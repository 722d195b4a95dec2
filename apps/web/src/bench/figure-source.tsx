import type { DocumentView } from '@jubb/contract';
import type { FigureSource } from '@jubb/core/sheet';

const WORDS = {
  table: 'a published table',
  shop: "the shop's own figure",
  hearsay: 'hearsay',
  computed: 'computed',
  guess: 'a guess',
} as const;
/** Figures that nobody has printed. */
const WEAK: ReadonlySet<string> = new Set(['hearsay', 'computed', 'guess']);

/** Whose figure it is, or that nobody says; a maker's page opens at that page when the document is attached. */
export function Whose({
  from,
  documents,
}: {
  readonly from: FigureSource | undefined;
  readonly documents: readonly DocumentView[];
}): React.JSX.Element {
  if (!from) return <span className="weak">Figure: nobody says whose</span>;
  if (from.kind !== 'maker')
    return <span className={WEAK.has(from.kind) ? 'weak' : 'quiet'}>Figure: {WORDS[from.kind]}</span>;
  const words = `${from.document}${from.page ? `, page ${from.page}` : ''}`;
  const attached = documents.find((d) => d.name.toLowerCase() === from.document.toLowerCase());
  if (!attached) return <span className="quiet">Figure: {words}</span>;
  const page = Number.parseInt(from.page ?? '', 10);
  return (
    <span className="quiet">
      Figure:{' '}
      <a
        href={`/api/documents/${attached.id}${attached.mime === 'application/pdf' && page > 0 ? `#page=${page}` : ''}`}
        target="_blank"
        rel="noreferrer"
      >
        {words}
      </a>
    </span>
  );
}
