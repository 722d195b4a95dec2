import { plainRecord, type JobRecord } from '@jubb/core/bench';
import { format } from 'date-fns';
import { VerdictMark } from '../drawing/verdict-mark.tsx';

const List = ({
  title,
  lines,
}: {
  readonly title: string;
  readonly lines: readonly string[];
}): React.JSX.Element | null =>
  lines.length === 0 ? null : (
    <>
      <h2>{title}</h2>
      <ul>
        {lines.map((l, i) => (
          <li key={i}>{l}</li>
        ))}
      </ul>
    </>
  );

/** The record as its owner reads it: plain words, the figures that matter, what to do next. */
export function PlainPage({
  record,
  workshop,
  figures,
}: {
  readonly record: JobRecord;
  readonly workshop: string;
  readonly figures?: React.ReactNode;
}): React.JSX.Element {
  const p = plainRecord(record);
  return (
    <article className="record">
      <div className="d-flex justify-content-between align-items-start gap-3">
        <h1>{p.title}</h1>
        <div className="text-end">
          <b>Job {record.number}</b>
          <br />
          {workshop}
        </div>
      </div>
      <p className="mt-2">
        For {record.customer}. What was said: {record.complaint}.
        {record.scope ? ` What it was about: ${record.scope.title}.` : ''}
      </p>
      {p.proved.length > 0 && <h2>Before and after</h2>}
      {p.proved.map((x) => (
        <p key={x.title} className="m-0">
          <b>{x.title}</b>: {x.words} <VerdictMark verdict={x.good ? 'within' : 'outside'} />
        </p>
      ))}
      <List title="What we found" lines={p.found} />
      <List title="What we did" lines={p.done} />
      <List title="New parts" lines={p.renewed} />
      {figures}
      <List title="Left as it is" lines={p.left} />
      <List title="Running in" lines={p.runIn} />
      <List title="Look again" lines={p.next} />
      <h2>Signed</h2>
      <p>
        {record.signed
          ? `${record.signed.by.name}, ${format(new Date(record.signed.at), 'd MMM yyyy')}.`
          : 'Not signed off.'}
      </p>
    </article>
  );
}
