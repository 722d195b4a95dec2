import type { InstrumentView, SelfCheck } from '@jubb/contract';
import { canonical } from '@jubb/core/quantities';
import { standsFor, type StandKind, type Test } from '@jubb/core/sheet';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { format } from 'date-fns';
import { useState } from 'react';
import { api, ApiError } from '../api/client.ts';
import { queries } from '../api/queries.ts';
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
  const [check, setCheck] = useState<SelfCheck | 'asked'>();
  const late = i.calibratedTo !== null && new Date(i.calibratedTo) < new Date();
  const look = async (): Promise<void> => {
    setCheck('asked');
    try {
      setCheck(await api<SelfCheck>(`instruments/${i.id}/check`, {}));
    } catch (e) {
      setCheck({ good: false, says: [e instanceof ApiError ? e.message : 'No line to the server'], readings: [] });
    }
  };
  return (
    <div className={`standrow${open ? ' open' : ''}`}>
      <svg width="14" height="14" aria-hidden="true">
        {i.connected ? (
          <rect width="14" height="14" fill="var(--verd)" />
        ) : (
          <path d="M1 1L13 13M13 1L1 13" stroke="var(--oxide)" strokeWidth="3" />
        )}
      </svg>
      <div>
        <b>{i.name}</b>
        <small className="d-block">
          {i.connected ? 'connected' : 'not connected'}
          {i.simulated ? ', simulated' : ''}
          {i.uncertainty ? ` · ± ${i.uncertainty.value} ${i.uncertainty.unit}` : ''} ·{' '}
          {i.calibratedTo === null
            ? 'never calibrated'
            : `${late ? 'calibration ran out' : 'in date until'} ${format(new Date(i.calibratedTo), 'd MMM yyyy')}`}
          {i.faults?.chosen ? ` · fault: ${i.faults.chosen.replaceAll('-', ' ')}` : ''}
        </small>
        {check && check !== 'asked' && (
          <small className={`d-block ${check.good ? 'good' : 'bad'}`} role="status">
            {check.good ? 'Good' : 'Not good'}: {check.says.join('. ')}
          </small>
        )}
      </div>
      <span className="gap" />
      {pick && (
        <button type="button" className="btn-line" aria-pressed={open} onClick={pick}>
          Try
        </button>
      )}
      <button type="button" className="btn-line" onClick={() => void look()} disabled={check === 'asked'}>
        {check === 'asked' ? 'Looking …' : 'Check'}
      </button>
    </div>
  );
}

const q = canonical;
const band = (low: number, high: number, dimension: Test['dimension']): Test['accept'] => ({
  low: q(low, dimension),
  high: q(high, dimension),
});
const made = (
  title: string,
  dimension: Test['dimension'],
  accept: Test['accept'],
  kind: StandKind,
  figures: NonNullable<Test['stand']>['figures'],
  bands: NonNullable<Test['stand']>['bands'] = {},
): Test => ({
  id: `try-${kind}`,
  title,
  dimension,
  gauge: 'stand',
  accept,
  failedBy: [],
  stand: { kind, figures, bands },
});
/** A plain run of each kind, with usual figures: to see that the stand and its faults are what they should be. */
const trials: Readonly<Record<StandKind, Test>> = {
  alternator: made(
    'Output at 6000 rpm',
    'current',
    band(50, 60, 'current'),
    'alternator',
    { speed: q(6000, 'speed'), 'pole-pairs': q(6, 'ratio') },
    { regulated: band(13.8, 14.6, 'voltage') },
  ),
  balancing: made('Residual unbalance', 'unbalance', band(0, 0.6, 'unbalance'), 'balancing', {
    mass: q(0.32, 'mass'),
    grade: q(40, 'ratio'),
    service: q(100_000, 'speed'),
    speed: q(3000, 'speed'),
    radius: q(18, 'length'),
    trial: q(0.0002, 'mass'),
    places: q(12, 'ratio'),
  }),
  decay: made('Pressure lost in ten minutes', 'pressure', band(0, 0.05, 'pressure'), 'decay', {
    volume: { value: 1.2, unit: 'l' },
    pressure: q(10, 'pressure'),
    time: q(600, 'time'),
  }),
  vacuum: made('Vacuum held for twenty minutes', 'pressure', band(0, 0.002, 'pressure'), 'vacuum', {
    time: q(1200, 'time'),
  }),
  'pump-up': made('Time to fill to 7 bar', 'time', band(60, 125, 'time'), 'pump-up', {
    volume: { value: 100, unit: 'l' },
    pressure: q(7, 'pressure'),
  }),
  spin: made('Drag, spun', 'torque', band(0.3, 1.1, 'torque'), 'spin', {
    speed: q(300, 'speed'),
    time: q(40, 'time'),
    balls: q(8, 'ratio'),
    ball: q(9.5, 'length'),
    pitch: q(46, 'length'),
  }),
  stroke: made('Stroke to bite', 'length', band(18, 34, 'length'), 'stroke', {
    bite: q(40, 'force'),
    creep: q(1, 'length'),
  }),
  damper: made(
    'Force on the way out',
    'force',
    band(180, 320, 'force'),
    'damper',
    { speed: q(0.1, 'velocity') },
    { press: band(60, 140, 'force') },
  ),
  slip: made('Torque that a pack holds', 'torque', band(46, 70, 'torque'), 'slip', { turn: q(90, 'angle') }),
  drift: made('Sink in ten minutes', 'length', band(0, 4, 'length'), 'drift', { time: q(600, 'time') }),
};

/** A stand tried by itself: the fault that is on it, and a plain run of each kind that it makes. */
function StandTry({ stand }: { readonly stand: InstrumentView }): React.JSX.Element {
  const client = useQueryClient();
  const kinds = standsFor[stand.kind as keyof typeof standsFor] as readonly StandKind[];
  const [kind, setKind] = useState<StandKind>(kinds[0]!);
  const choose = async (fault: string | null): Promise<void> => {
    await api(`instruments/${stand.id}/fault`, { fault });
    await client.invalidateQueries({ queryKey: ['instruments'] });
  };
  return (
    <section aria-label={`Try the ${stand.name.toLowerCase()}`}>
      <h2>{stand.name}</h2>
      {stand.faults && (
        <div className="answers tabs" role="group" aria-label="What is wrong on it">
          {[null, ...stand.faults.all].map((f) => (
            <button
              key={f ?? 'nothing'}
              type="button"
              className="btn-line"
              aria-pressed={(stand.faults?.chosen ?? null) === f}
              onClick={() => void choose(f)}
            >
              {f === null ? 'Nothing wrong' : f.replaceAll('-', ' ')}
            </button>
          ))}
        </div>
      )}
      {kinds.length > 1 && (
        <div className="answers tabs" role="group" aria-label="Which run">
          {kinds.map((k) => (
            <button key={k} type="button" className="btn-line" aria-pressed={k === kind} onClick={() => setKind(k)}>
              {trials[k].title}
            </button>
          ))}
        </div>
      )}
      <TryRun key={`${kind}/${stand.faults?.chosen ?? ''}`} test={trials[kind]} stand={stand} />
    </section>
  );
}
