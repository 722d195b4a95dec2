import type { JobRecord } from '@jubb/core/bench';
import { fingerprint, type HeadSignature } from '@jubb/core/bench/verify';
import { formatBand, formatQuantity, type Quantity } from '@jubb/core/quantities';
import { format } from 'date-fns';
import Table from 'react-bootstrap/Table';
import { Link } from 'react-router';
import { limitWords } from '../bench/panels/measuring/figures.tsx';
import { VerdictMark, type Shown } from '../drawing/verdict-mark.tsx';

const when = (at: string): string => format(new Date(at), 'd MMM yyyy, HH:mm');
const figure = (q: Quantity | undefined, decimals?: number): string => (q ? formatQuantity(q, decimals) : '–');
type Of = { readonly r: JobRecord };

/** What unit it is, whose, and why it came. */
export function RecordHead({ r, workshop }: Of & { readonly workshop: string }): React.JSX.Element {
  return (
    <>
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
        {r.scope && ` ${r.scope.title}.`}
        {r.scope?.widened.map((w) => (
          <span key={w.seq}>
            {' '}
            More was agreed on: {w.to}, {w.says}, {w.by.initials}.
          </span>
        ))}
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
    </>
  );
}

/** What was read as it came in, and now. */
export function AsFoundAndNow({ r }: Of): React.JSX.Element {
  return (
    <>
      <h2>As found and now</h2>
      <Table>
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
      </Table>
    </>
  );
}

/** Readings, findings and methods. */
export function MeasuredAndFound({ r }: Of): React.JSX.Element {
  return (
    <>
      <h2>Measured and found</h2>
      <Table>
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
      </Table>
    </>
  );
}

/** What went in new. */
export function Renewed({ r }: Of): React.JSX.Element {
  return (
    <>
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
    </>
  );
}

/** Fluids and compounds: what went out and in, by whom. */
export function Fluids({ r }: Of): React.JSX.Element | null {
  if (!r.fluids) return null;
  return (
    <>
      <h2>Fluids and compounds</h2>
      <Table>
        <tbody>
          {r.fluids.map((f) => (
            <tr key={f.fluid}>
              <td>
                {f.title}, {f.grade}
              </td>
              <td>{f.says}</td>
              <td>
                {[...new Set(f.entries.map((e) => `${format(new Date(e.at), 'd MMM, HH:mm')} ${e.by.initials}`))].join(
                  '; ',
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
    </>
  );
}

/** Each setting: its tries, and how its figure came about. */
export function Settings({ r }: Of): React.JSX.Element {
  return (
    <>
      {r.settings.map((s) => (
        <section key={s.title}>
          <h2>
            {s.title}, {formatBand(s.band)}
          </h2>
          <Table>
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
          </Table>
          <p className="quiet mt-2">
            Working:{' '}
            {s.working
              .filter((l) => l.formula)
              .map(
                (l) => `${l.name}: ${l.figures ?? ''} = ${typeof l.value === 'string' ? l.value : figure(l.value, 3)}`,
              )
              .join('; ')}
            .
          </p>
        </section>
      ))}
    </>
  );
}

/** Each joint, stage by stage, fastener by fastener; what was set aside too. */
export function Tightened({ r }: Of): React.JSX.Element {
  return (
    <>
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
          <Table>
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
          </Table>
        </div>
      ))}
    </>
  );
}

/** What was fitted for the work, and when it came out. */
export function Aids({ r }: Of): React.JSX.Element {
  return (
    <>
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
    </>
  );
}

/** Who signed, and what ties the page to the log. */
export function Signed({
  r,
  head,
  signature,
}: Of & {
  readonly head: { readonly seq: number; readonly hash: string } | undefined;
  readonly signature: HeadSignature | undefined;
}): React.JSX.Element {
  return (
    <>
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
    </>
  );
}
