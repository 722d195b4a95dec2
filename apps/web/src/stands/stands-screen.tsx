import type { InstrumentView, SelfCheck } from '@jubb/contract';
import { ranOut, trialRuns } from '@jubb/core/bench';
import { standsFor, type StandKind } from '@jubb/core/sheet';
import { useQuery } from '@tanstack/react-query';
import { format } from 'date-fns';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { api } from '../api/client.ts';
import { queries } from '../api/queries.ts';
import { useWrite } from '../api/use-write.ts';
import { READ_BY, today } from '../instruments/said.ts';
import { TryRun } from './try-run.tsx';

/** Instruments and stands of the shop: what answers, what is in date, what is wrong. Nothing here enters a job. */
export default function StandsScreen(): React.JSX.Element {
  const list = useQuery({ ...queries.instruments(), refetchInterval: 4000 });
  const [picked, setPicked] = useState<string>();
  if (!list.data)
    return (
      <main className="empty">{list.isError ? 'The instruments cannot be shown.' : 'Asking the instruments …'}</main>
    );
  const isStand = (i: InstrumentView): boolean => i.kind in standsFor;
  const stands = list.data.filter(isStand);
  const gauges = list.data.filter((i) => !isStand(i));
  const open = stands.find((s) => s.id === picked) ?? stands[0];
  return (
    <main className="page standspage">
      <h1>Stands and instruments</h1>
      <p className="quiet m-0">To look at and to try. A reading here never enters a job by itself.</p>
      <div className="standcols">
        <section aria-label="Stands and instruments">
          <h2>Stands</h2>
          {stands.length === 0 && <p>No stand is on the list.</p>}
          {stands.map((s) => (
            <Row key={s.id} instrument={s} open={s.id === open?.id} pick={() => setPicked(s.id)} />
          ))}
          <h2 className="mt-3">Instruments</h2>
          {gauges.map((g) => (
            <Row key={g.id} instrument={g} />
          ))}
        </section>
        {open && <StandTry key={open.id} stand={open} />}
      </div>
    </main>
  );
}

/** One instrument: does it answer, until when is it good, and its own look at itself. */
function Row({
  instrument: i,
  open = false,
  pick,
}: {
  readonly instrument: InstrumentView;
  readonly open?: boolean;
  readonly pick?: () => void;
}): React.JSX.Element {
  const looked = useWrite(() => api<SelfCheck>(`instruments/${i.id}/check`, {}), { noLine: 'No line to the server' });
  const check: SelfCheck | undefined =
    looked.wrong === undefined ? looked.answer : { good: false, says: [looked.wrong], readings: [] };
  const late = ranOut(i.calibratedTo, today());
  const speaks = i.readBy === 'port';
  return (
    <div className={`standrow${open ? ' open' : ''}`}>
      <svg width="14" height="14" aria-hidden="true">
        {!speaks ? (
          <circle cx="7" cy="7" r="5.5" fill="none" stroke="var(--ink2)" strokeWidth="2" />
        ) : i.connected ? (
          <rect width="14" height="14" fill="var(--verd)" />
        ) : (
          <path d="M1 1L13 13M13 1L1 13" stroke="var(--oxide)" strokeWidth="3" />
        )}
      </svg>
      <div>
        <b>{i.name}</b>
        <small className="d-block">
          {speaks ? (i.connected ? 'connected' : 'not connected') : READ_BY[i.readBy]}
          {i.simulated ? ', simulated' : ''}
          {i.uncertainty ? ` · ± ${i.uncertainty.value} ${i.uncertainty.unit}` : ''} ·{' '}
          {i.calibratedTo === null
            ? 'never calibrated'
            : `${late ? 'calibration ran out' : 'in date until'} ${format(new Date(i.calibratedTo), 'd MMM yyyy')}`}
          {i.faults?.chosen ? ` · fault: ${i.faults.chosen.replaceAll('-', ' ')}` : ''}
        </small>
        {check && !looked.busy && (
          <small className={`d-block ${check.good ? 'good' : 'bad'}`} role="status">
            {check.good ? 'Good' : 'Not good'}: {check.says.join('. ')}
          </small>
        )}
      </div>
      <span className="gap" />
      {pick && (
        <Button variant="line" aria-pressed={open} onClick={pick}>
          Try
        </Button>
      )}
      {/* One that has no line cannot be asked how it is. */}
      {speaks && (
        <Button variant="line" onClick={() => looked.write()} disabled={looked.busy}>
          {looked.busy ? 'Looking …' : 'Check'}
        </Button>
      )}
    </div>
  );
}

/** A stand tried by itself: the fault that is on it, and a plain run of each kind that it makes. */
function StandTry({ stand }: { readonly stand: InstrumentView }): React.JSX.Element {
  const { write: choose, wrong } = useWrite((fault: string | null) => api(`instruments/${stand.id}/fault`, { fault }), {
    stale: [['instruments']],
  });
  const kinds = standsFor[stand.kind as keyof typeof standsFor] as readonly StandKind[];
  const [kind, setKind] = useState<StandKind>(kinds[0]!);
  return (
    <section aria-label={`Try the ${stand.name.toLowerCase()}`}>
      <h2>{stand.name}</h2>
      {wrong && (
        <p className="field-error" role="alert">
          {wrong}
        </p>
      )}
      {stand.faults && (
        <div className="answers tabs" role="group" aria-label="What is wrong on it">
          {[null, ...stand.faults.all].map((f) => (
            <Button
              key={f ?? 'nothing'}
              variant="line"
              aria-pressed={(stand.faults?.chosen ?? null) === f}
              onClick={() => choose(f)}
            >
              {f === null ? 'Nothing wrong' : f.replaceAll('-', ' ')}
            </Button>
          ))}
        </div>
      )}
      {kinds.length > 1 && (
        <div className="answers tabs" role="group" aria-label="Which run">
          {kinds.map((k) => (
            <Button key={k} variant="line" aria-pressed={k === kind} onClick={() => setKind(k)}>
              {trialRuns[k].title}
            </Button>
          ))}
        </div>
      )}
      <TryRun key={`${kind}/${stand.faults?.chosen ?? ''}`} test={trialRuns[kind]} stand={stand} />
    </section>
  );
}
