import { fold, standingNow } from '@jubb/core/bench';
import { fingerprint } from '@jubb/core/bench/verify';
import { formatBand, formatQuantity, type Quantity } from '@jubb/core/quantities';
import { useQuery } from '@tanstack/react-query';
import { format } from 'date-fns';
import { Link, useParams, useSearchParams } from 'react-router';
import { queries } from '../api/queries.ts';
import { Caution } from '../bench/caution.tsx';
import { currentSheet } from '@jubb/core/sheet';
import { limitWords } from '../bench/panels/measuring/figures.tsx';
import { DeskSection } from './desk-section.tsx';
import { PlainPage } from './plain-page.tsx';
import { ProvingSection } from './proving-section.tsx';
import { StripSection } from './strip-section.tsx';
import { TruthSection } from './truth-section.tsx';
import { VerdictMark, type Shown } from '../drawing/verdict-mark.tsx';

const when = (at: string): string => format(new Date(at), 'd MMM yyyy, HH:mm');
const figure = (q: Quantity | undefined, decimals?: number): string => (q ? formatQuantity(q, decimals) : '–');

/** The as-built record, as a page that prints. */
export default function RecordScreen(): React.JSX.Element {
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
  const standing = standingNow(currentSheet(sheet), fold(query.data.job, events)).map((s) => s.say);
  const head = events.at(-1);
  const signature = signatures.at(-1);
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
        <button type="button" className="btn-line" onClick={() => window.print()}>
          Print
        </button>
        <button type="button" className="btn-line" onClick={download}>
          Download JSON
        </button>
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
          <button
            key={d}
            type="button"
            className="btn-line"
            aria-pressed={plain === (d === 'customer')}
            onClick={() => setSearch(d === 'customer' ? { depth: d } : {})}
          >
            {d === 'customer' ? 'For the customer' : 'In full'}
          </button>
        ))}
      </div>
      {plain ? (
        <PlainPage record={r} workshop={workshop} />
      ) : (
        <article className="record">
          <div className="d-flex justify-content-between align-items-start gap-3">
            <div>
              <h1>
                {r.unit.title}, serial {r.unit.serial}
              </h1>
              <p className="quiet m-0">
                {r.unit.model}
                {r.unit.variant ? `, ${r.unit.variant.toLowerCase()}` : ''} · sheet {r.sheet.id}, revision{' '}
                {r.sheet.revision}
              </p>
            </div>
            <div className="text-end">
              <b>Job {r.number}</b>
              <br />
              {workshop}
            </div>
          </div>
          <p className="mt-2">
            <b>{r.customer}</b>: {r.complaint}. Booked {when(r.booked.at)} by {r.booked.by.name}.
            {r.promisesMoved?.map((m) => (
              <span key={m.seq}>
                {' '}
                Promised anew for {when(m.promise)}: {m.says}, {m.by.initials}.
              </span>
            ))}
            {r.cameFrom && (
              <>
                {' '}
                It came back from <Link to={`/job/${r.cameFrom.job}/record`}>job {r.cameFrom.number}</Link>,{' '}
                {r.cameFrom.days === 1 ? 'a day' : `${r.cameFrom.days} days`} after it left.
              </>
            )}
            {r.identified.map((i) => ` ${i.ask}: ${i.answer}.`)}
          </p>
          {standing.map((s) => (
            <Caution key={s} say={s} />
          ))}
          <h2>As found and now</h2>
          <table>
            <thead>
              <tr>
                <th>What</th>
                <th>Accepted</th>
                <th>As found</th>
                <th>Now</th>
                <th>Verdict</th>
              </tr>
            </thead>
            <tbody>
              {r.comparisons.map((c) => (
                <tr key={c.title}>
                  <td>{c.title}</td>
                  <td>{formatBand(c.accept)}</td>
                  <td>{figure(c.asFound?.value)}</td>
                  <td>
                    <b>{figure(c.now?.value)}</b>
                  </td>
                  <td>{c.now && <VerdictMark verdict={c.now.verdict as Shown} />}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <h2>Measured and found</h2>
          <table>
            <tbody>
              {r.measures.map((m) => (
                <tr key={m.title}>
                  <td>{m.title}</td>
                  <td>{m.readings.map((x) => `${x.where}: ${figure(x.value)}`).join(', ')}</td>
                  <td>
                    {limitWords(m.min, m.max)}
                    {m.answer && (
                      <small className="d-block">
                        {m.answer.ask} {m.answer.answer}
                      </small>
                    )}
                  </td>
                </tr>
              ))}
              {r.findings.map((f) => (
                <tr key={f.part}>
                  <td>{f.title}</td>
                  <td>
                    <b>{f.finding}</b>
                  </td>
                  <td>{f.reason}</td>
                </tr>
              ))}
              {r.methods.map((m) => (
                <tr key={m.ask}>
                  <td>{m.ask}</td>
                  <td>
                    <b>{m.choice}</b>
                  </td>
                  <td>{m.why}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <h2>Parts renewed</h2>
          {r.renewed.length === 0 ? (
            <p>None.</p>
          ) : (
            <p>
              {r.renewed
                .map((p) => `${p.count > 1 ? `${p.count} × ` : ''}${p.title}${p.order ? ` (${p.order})` : ''}`)
                .join('; ')}
              .
            </p>
          )}
          {r.settings.map((s) => (
            <section key={s.title}>
              <h2>
                {s.title}, {formatBand(s.band)}
              </h2>
              <table>
                <thead>
                  <tr>
                    <th>Pack</th>
                    <th>Pieces</th>
                    <th>Readings</th>
                    <th>Mean</th>
                  </tr>
                </thead>
                <tbody>
                  {s.rounds.map((x, i) => (
                    <tr key={i}>
                      <td>{figure(x.pack, 2)}</td>
                      <td>
                        {x.pieces.length
                          ? x.pieces.map((p) => p.value.toFixed(2)).join(' + ')
                          : x.pack
                            ? 'trial pack'
                            : `try ${i + 1}`}
                      </td>
                      <td>{x.readings.map((v) => v.value.value.toFixed(3)).join(', ')}</td>
                      <td>
                        <b>{figure(x.mean, 3)}</b> {x.verdict}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
              <p className="quiet mt-2">
                Working:{' '}
                {s.working
                  .filter((l) => l.formula)
                  .map(
                    (l) =>
                      `${l.name}: ${l.figures ?? ''} = ${typeof l.value === 'string' ? l.value : figure(l.value, 3)}`,
                  )
                  .join('; ')}
                .
              </p>
            </section>
          ))}
          <h2>Tightened</h2>
          {r.joints.map((j) => (
            <div key={j.title} className="mb-2">
              <b>{j.title}</b>, {j.thread}
              {j.propertyClass ? `, class ${j.propertyClass}` : ''}
              {j.order.length > 1 ? `, order ${j.order.join(' ')}` : ''}
              {j.from?.kind === 'maker' && (
                <small>
                  {' '}
                  · figure from {j.from.document}, page {j.from.page}
                </small>
              )}
              <table>
                <tbody>
                  {j.stages.map((st) => (
                    <tr key={st.name}>
                      <td>
                        {st.name}, {formatBand(st.window)}
                        {st.windowAssumed ? ' (a tenth either way assumed)' : ''}
                      </td>
                      <td>
                        {st.pulls
                          .map((p) =>
                            p.window.low.unit === 'deg'
                              ? `${p.bolt}: ${p.turnedDeg ?? '?'}°`
                              : `${p.bolt}: ${p.torque.value.toFixed(1)} N·m`,
                          )
                          .join(',  ')}
                      </td>
                    </tr>
                  ))}
                  {j.setAside.map((p) => (
                    <tr key={p.seq}>
                      <td>Set aside, fastener {p.bolt}</td>
                      <td>
                        {p.torque.value.toFixed(1)} N·m, too {p.verdict}
                        {p.answer ? `: ${p.answer}` : ', pulled again'}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          ))}
          {r.truth && <TruthSection truth={r.truth} />}
          {r.proving && <ProvingSection proving={r.proving} />}
          {r.strip && <StripSection strip={r.strip} />}
          {r.desk && <DeskSection desk={r.desk} />}
          <h2>Aids</h2>
          <p>
            {r.aids
              .map(
                (a) =>
                  `${a.title}, ${a.where}: in ${when(a.fitted.at)}, ${a.removed ? `out ${when(a.removed.at)}` : 'STILL IN'}`,
              )
              .join('; ')}
            .
          </p>
          <h2>Signed</h2>
          {r.signed ? (
            <p>
              <b>{r.signed.by.name}</b>, {when(r.signed.at)}.
              {r.handedOver ? ` Handed over to ${r.handedOver.to}, ${when(r.handedOver.at)}.` : ''}
            </p>
          ) : (
            <p>Not signed off.</p>
          )}
          <p className="hash">
            Head of the log, event {head?.seq}: {head?.hash}
          </p>
          {signature && (
            <p>
              Fingerprint of the key: <b>{fingerprint(signature.publicKey)}</b>
            </p>
          )}
        </article>
      )}
    </main>
  );
}
