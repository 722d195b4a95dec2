import { absentParts, fold, jobSheet, renewedParts, standingNow } from '@jubb/core/bench';
import type { MeView } from '@jubb/contract';
import { useQuery } from '@tanstack/react-query';
import Button from 'react-bootstrap/Button';
import { Link, useParams, useSearchParams } from 'react-router';
import { queries } from '../api/queries.ts';
import { Caution } from '../bench/caution.tsx';
import { axesOf, axesWith } from '@jubb/core/shape';
import { currentSheet } from '@jubb/core/sheet';
import { UnitFigures } from '../drawing/unit/unit-figures.tsx';
import { DeskSection } from './desk-section.tsx';
import {
  Aids,
  AsFoundAndNow,
  Fluids,
  MeasuredAndFound,
  RecordHead,
  Renewed,
  Settings,
  Signed,
  Tightened,
} from './in-full.tsx';
import { PlainPage } from './plain-page.tsx';
import { ProvingSection } from './proving-section.tsx';
import { StripSection } from './strip-section.tsx';
import { TruthSection } from './truth-section.tsx';

/** The as-built record, as a page that prints. */
export default function RecordScreen({ me }: { readonly me: MeView }): React.JSX.Element {
  const { id = '' } = useParams();
  const [search, setSearch] = useSearchParams();
  const plain = search.get('depth') === 'customer';
  const query = useQuery(queries.record(id));
  if (!query.data)
    return (
      <main className="empty">
        {query.isError
          ? 'This record cannot be shown: there is no such job, or the server does not answer.'
          : 'Fetching the record …'}
      </main>
    );
  const { record: r, events, signatures, workshop, sheet } = query.data;
  // A record that is looked at while the unit is open still says what must not be disturbed.
  const pinned = currentSheet(sheet);
  const state = fold(query.data.job, events);
  const standing = standingNow(pinned, state).map((s) => s.say);
  const renewed = renewedParts(pinned, state);
  const drawn = jobSheet(pinned, state);
  const newParts = renewed.size > 0 && (
    <>
      <h2>What is new, marked</h2>
      <UnitFigures
        sheet={drawn}
        axes={axesWith(axesOf(drawn, absentParts(pinned, state)), renewed)}
        renewed={renewed}
      />
    </>
  );
  const download = (): void => {
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([JSON.stringify(query.data, null, 1)], { type: 'application/json' }));
    link.download = `jubb-job-${r.number}.json`;
    link.click();
    URL.revokeObjectURL(link.href);
  };
  return (
    <main className="page">
      <div className="noprint d-flex flex-wrap gap-2 mb-3" style={{ maxWidth: 900, margin: '0 auto' }}>
        <Link to={`/job/${id}`} className="btn-line">
          Bench
        </Link>
        {me.person.role !== 'mechanic' && (
          <Link to={`/invoices/job/${id}`} className="btn-line">
            Invoice
          </Link>
        )}
        <Button variant="line" onClick={() => window.print()}>
          Print
        </Button>
        <Button variant="line" onClick={download}>
          Download JSON
        </Button>
        <a className="btn-line" href={`/api/jobs/${id}/record.csv`}>
          CSV
        </a>
        <a
          className="btn-line"
          href={`/api/jobs/${id}/record.pdf?depth=${plain ? 'customer' : 'workshop'}`}
          target="_blank"
          rel="noreferrer"
        >
          PDF
        </a>
        <span className="flex-grow-1" />
        {(['workshop', 'customer'] as const).map((d) => (
          <Button
            key={d}
            variant="line"
            aria-pressed={plain === (d === 'customer')}
            onClick={() => setSearch(d === 'customer' ? { depth: d } : {})}
          >
            {d === 'customer' ? 'For the customer' : 'In full'}
          </Button>
        ))}
      </div>
      {plain ? (
        <PlainPage record={r} workshop={workshop} figures={newParts} />
      ) : (
        <article className="record">
          <RecordHead r={r} workshop={workshop} />
          {standing.map((s) => (
            <Caution key={s} say={s} />
          ))}
          <AsFoundAndNow r={r} />
          <MeasuredAndFound r={r} />
          <Renewed r={r} />
          {newParts}
          <Fluids r={r} />
          <Settings r={r} />
          <Tightened r={r} />
          {r.truth && <TruthSection truth={r.truth} />}
          {r.proving && <ProvingSection proving={r.proving} />}
          {r.strip && <StripSection strip={r.strip} />}
          {r.desk && <DeskSection desk={r.desk} />}
          <Aids r={r} />
          <Signed r={r} head={events.at(-1)} signature={signatures.at(-1)} />
        </article>
      )}
    </main>
  );
}
