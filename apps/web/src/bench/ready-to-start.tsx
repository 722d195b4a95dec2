import { minutesWords, sideWords } from '@jubb/core/bench';
import { readyToStart, type Fetch, type Lack } from '@jubb/core/parts';
import { useQuery } from '@tanstack/react-query';
import { queries } from '../api/queries.ts';
import type { Bench } from './use-bench.ts';
import { today } from '../instruments/said.ts';

/** So many of what is missing are shown before the rest is asked for: the move keeps the screen. */
const SHOWN = 1;

/** Before the first spanner: what is missing, what it will stop and when, and what is fetched. */
export function ReadyToStart({ bench }: { readonly bench: Bench }): React.JSX.Element | null {
  const instruments = useQuery(queries.instruments()).data;
  const plan = useQuery(queries.offer(bench.job)).data?.plan;
  if (!instruments) return null;
  const { lacks, fetch } = readyToStart(bench.sheet, bench.state, {
    instruments,
    ...(plan ? { plan } : {}),
    documents: bench.documents.map((d) => d.name),
    today: today(),
  });
  return <Readiness lacks={lacks} fetch={fetch} />;
}

/** The list: missing first, the first to stop the work first; what is fetched folds away. */
export function Readiness({
  lacks,
  fetch,
}: {
  readonly lacks: readonly Lack[];
  readonly fetch: readonly Fetch[];
}): React.JSX.Element | null {
  if (lacks.length + fetch.length === 0) return null;
  return (
    <section className="readiness" aria-label="Ready to start">
      <b>{lacks.length === 0 ? 'Ready to start' : `Before it is begun: ${lacks.length} missing`}</b>
      {lacks.length > 0 && (
        <ul>
          {lacks.slice(0, SHOWN).map((l) => (
            <LackLine key={l.what + l.says} lack={l} />
          ))}
        </ul>
      )}
      {(lacks.length > SHOWN || fetch.length > 0) && (
        <details>
          <summary>
            {[
              ...(lacks.length > SHOWN ? [`${lacks.length - SHOWN} more missing`] : []),
              ...(fetch.length > 0 ? [`${fetch.length} to fetch`] : []),
            ].join(', ')}
          </summary>
          <ul>
            {lacks.slice(SHOWN).map((l) => (
              <LackLine key={l.what + l.says} lack={l} />
            ))}
            {fetch.map((f) => (
              <li key={f.what + f.says}>
                {f.says}
                {f.instead && <span className="quiet">, or {f.instead}</span>}
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

function LackLine({ lack: { says, stops, afterMinutes } }: { readonly lack: Lack }): React.JSX.Element {
  return (
    <li>
      {says}
      {stops && (
        <small className="d-block quiet">
          stops {sideWords(stops.side).toLowerCase()}, {stops.title.toLowerCase()},{' '}
          {afterMinutes > 0 ? `after ${minutesWords(afterMinutes)} of work` : 'at once'}
        </small>
      )}
    </li>
  );
}
