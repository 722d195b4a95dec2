import type { MeView } from '@jubb/contract';
import { returnSheet } from '@jubb/core/bench';
import Button from 'react-bootstrap/Button';
import Table from 'react-bootstrap/Table';
import { Link, useParams } from 'react-router';
import { useBench } from '../use-bench.ts';
import { ReturnView } from './return-view.tsx';

/** The return sheet as a page that prints and reads on a phone. */
export default function ReturnScreen({ me }: { readonly me: MeView }): React.JSX.Element {
  const { id = '' } = useParams();
  const { bench, error } = useBench(id, me);
  if (!bench) return <main className="empty">{error ? error.message : 'Fetching the return sheet …'}</main>;
  const sheet = returnSheet(bench.sheet, bench.state);
  const { booked, place } = bench.state;
  return (
    <main className="page returnpage">
      <div className="noprint d-flex gap-2 mb-3" style={{ maxWidth: 900, margin: '0 auto' }}>
        <Link to={`/job/${id}`} className="btn-line">
          Bench
        </Link>
        <Button variant="line" onClick={() => window.print()}>
          Print
        </Button>
        <a className="btn-line" href={`/api/jobs/${id}/labels.pdf`} target="_blank" rel="noreferrer">
          Labels, PDF
        </a>
        <a className="btn-line" href={`/api/jobs/${id}/labels.svg`} target="_blank" rel="noreferrer">
          Labels, SVG
        </a>
      </div>
      <article className="record">
        <div className="d-flex justify-content-between gap-3">
          <div>
            <h1>
              {bench.sheet.title.split(',')[0]}, {booked?.unit.serial}
            </h1>
            <p className="quiet m-0">
              Job {booked?.number} · {booked?.customer.name} · {booked?.complaint}
            </p>
          </div>
          <b style={{ fontSize: 24 }}>{place ?? 'no place yet'}</b>
        </div>
        <ReturnView sheet={sheet} bench={bench} />
        <h2>What is off, and where it lies</h2>
        <Table>
          <thead>
            <tr>
              <th>Tray</th>
              <th>Part</th>
              <th>Count</th>
              <th>To remember</th>
            </tr>
          </thead>
          <tbody>
            {sheet.trays.flatMap((t) =>
              t.parts.map((p, i) => (
                <tr key={p.id}>
                  <td>{i === 0 ? <b>{t.tray}</b> : ''}</td>
                  <td>{p.title}</td>
                  <td>{p.uncounted ? 'not counted' : p.count}</td>
                  <td>{[p.where ? `from ${p.where}` : '', p.note ?? ''].filter((w) => w !== '').join('; ')}</td>
                </tr>
              )),
            )}
          </tbody>
        </Table>
        {sheet.trays.length === 0 && <p>Nothing is off.</p>}
      </article>
    </main>
  );
}
