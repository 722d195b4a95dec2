import type { MeView } from '@jubb/contract';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { Link, useParams } from 'react-router';
import { queries } from '../api/queries.ts';
import { ManualDrawings } from './manual-drawings.tsx';
import { ManualLadder } from './manual-ladder.tsx';
import { ManualTables } from './manual-tables.tsx';
import { SheetDocuments } from './sheet-documents.tsx';

/** A build sheet as a page of a good manual: what it is, its ladder drawn, and every figure with whose it is. */
export default function SheetScreen({ me }: { readonly me: MeView }): React.JSX.Element {
  const { id = '' } = useParams();
  const query = useQuery(queries.sheet(id));
  const documents = useQuery(queries.documents(id));
  const lessons = useQuery(queries.lessons(id));
  const [variant, setVariant] = useState<string>();
  if (!query.data)
    return (
      <main className="empty">
        {query.isError ? (
          <>
            There is no such sheet. <Link to="/sheets">The library</Link>
          </>
        ) : (
          'Fetching the sheet …'
        )}
      </main>
    );
  const sheet = query.data;
  const shown = variant ?? sheet.variants[0]?.id;
  return (
    <main className="page">
      <div className="noprint d-flex flex-wrap gap-2 mb-3" style={{ maxWidth: 1000, margin: '0 auto' }}>
        <Link to="/sheets" className="btn-line">
          Library
        </Link>
        <Button variant="line" onClick={() => window.print()}>
          Print
        </Button>
        {sheet.variants.map((v) => (
          <Button key={v.id} variant="line" aria-pressed={v.id === shown} onClick={() => setVariant(v.id)}>
            {v.title}
          </Button>
        ))}
      </div>
      <article className="record manual">
        <h1>{sheet.title}</h1>
        <p className="quiet">
          {sheet.maker} {sheet.models.join(', ')} · {sheet.id}, revision {sheet.revision} · {sheet.steps.length} steps
        </p>
        <ManualDrawings sheet={sheet} variant={shown} />
        <ManualLadder sheet={sheet} variant={shown} />
        <ManualTables sheet={sheet} variant={shown} documents={documents.data ?? []} />
        <h2>Documents</h2>
        <SheetDocuments sheet={sheet} documents={documents.data ?? []} mayAttach={me.person.role !== 'parts'} />
        <h2>Lessons for the next revision</h2>
        {(lessons.data ?? []).length === 0 && <p>None waits.</p>}
        {(lessons.data ?? []).map((l) => (
          <p key={`${l.job}${l.at}`} className="m-0">
            <b>{l.words}</b>{' '}
            <small>
              {l.by}, <Link to={`/job/${l.job}`}>job {l.number}</Link>, at {l.rung}
            </small>
          </p>
        ))}
      </article>
    </main>
  );
}
