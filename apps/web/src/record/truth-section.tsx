import { badLine, type TruthRecord } from '@jubb/core/bench';
import { format } from 'date-fns';

/** What was bad and what became of it, and what was put right, with who and when. */
export function TruthSection({ truth }: { readonly truth: TruthRecord }): React.JSX.Element | null {
  const { bad, corrections } = truth;
  if (!truth.end && bad.length + corrections.length + truth.sources.length === 0) return null;
  const when = (at: string): string => format(new Date(at), 'd MMM yyyy, HH:mm');
  return (
    <>
      {truth.end && (
        <p>
          <b>{truth.end.title}.</b> {truth.end.reason}
          {truth.end.agreedBy && `, agreed by ${truth.end.agreedBy}`}. {truth.end.by.name}, {when(truth.end.at)}.
        </p>
      )}
      {bad.length > 0 && <h2>Bad, and what became of it</h2>}
      {bad.map((b) => (
        <p key={b.key} className="m-0">
          {badLine(b)}
          {b.settled?.by && (
            <small>
              {' '}
              · {b.settled.by.by.name}, {when(b.settled.by.at)}
            </small>
          )}
        </p>
      ))}
      {truth.sources.length > 0 && (
        <>
          <h2>Where the new parts came from</h2>
          {truth.sources.map((s) => (
            <p key={s.part} className="m-0">
              {s.title}: {s.from}
            </p>
          ))}
        </>
      )}
      {corrections.length > 0 && <h2>Put right</h2>}
      {corrections.map((c) => (
        <p key={c.seq} className="m-0">
          {c.title}: <b>{c.now}</b>, where event {c.of} says {c.before}. {c.reason}.{' '}
          <small>
            {c.by.name}, {when(c.at)}
          </small>
        </p>
      ))}
    </>
  );
}
