import type { JobLine } from '@jubb/contract';
import { holdWords } from '@jubb/core/bench';
import { useQuery } from '@tanstack/react-query';
import { format } from 'date-fns';
import { memo, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { queries } from '../api/queries.ts';
import { LadderMini } from '../drawing/ladder-mini.tsx';
import { useKeys } from '../frame/keys.ts';
import { clockLeft, useNow } from '../frame/use-now.ts';
import { MoveContext, MoveHandle, PlaceTarget } from './move-context.tsx';
import { filtered, nextItems, type NextItem } from './next-moves.ts';
import { handsWords, promiseWords, slackWords } from './time-words.ts';

/** Often enough for words in minutes. */
const TICK_MS = 20_000;
/** So many are read at a glance; the rest is a press, or a filter, away. */
const MOST_TAGS = 16;
const MOST_MOVES = 20;

/** The workshop as it stands. */
export default function FloorScreen(): React.JSX.Element {
  const floor = useQuery(queries.floor());
  const done = useQuery(queries.handedOver());
  const navigate = useNavigate();
  const [search] = useSearchParams();
  const [typed, setTyped] = useState(() => search.get('q') ?? '');
  const [refused, setRefused] = useState<string>();
  const [all, setAll] = useState(false);
  const now = useNow(TICK_MS);
  useKeys({ b: () => void navigate('/book'), f: () => document.getElementById('filter')?.focus() });
  if (!floor.data)
    return (
      <main className="empty">
        {floor.isError
          ? 'The server does not answer. What you did is kept; this screen comes back by itself.'
          : 'Looking round the workshop …'}
      </main>
    );
  const { places, shelves } = floor.data;
  const jobs = filtered(floor.data.jobs, typed);
  const at = (place: string): JobLine | undefined => floor.data.jobs.find((j) => j.place === place);
  const shown = (job: JobLine | undefined): boolean => typed.trim() === '' || (job !== undefined && jobs.includes(job));
  const known = new Set([...places, ...shelves]);
  const elsewhere = jobs.filter((j) => !known.has(j.place ?? ''));
  const used = shelves.filter(at);
  const free = shelves.find((s) => !at(s));
  const items = nextItems(jobs, now);
  return (
    <MoveContext jobs={floor.data.jobs} refused={setRefused}>
      <main className="floor">
        <section className="places">
          <div className="hd">
            <h1 style={{ fontSize: 22 }}>On the benches</h1>
            <small>{format(now, 'EEEE, HH:mm')}</small>
            <small className="ms-auto">
              {places.filter(at).length} of {places.length} in use
            </small>
            <input
              id="filter"
              className="form-control filter"
              value={typed}
              placeholder="Filter by typing  f"
              aria-label="Filter the floor"
              onChange={(e) => setTyped(e.target.value)}
              onKeyDown={(e) => {
                if (e.key === 'Escape') setTyped('');
              }}
            />
          </div>
          {refused && (
            <div className="refused mb-2 d-flex justify-content-between" role="alert">
              <span>{refused}</span>
              <button type="button" className="btn-line" onClick={() => setRefused(undefined)}>
                Close
              </button>
            </div>
          )}
          {places.map((place, i) => (
            <PlaceRow
              key={place}
              place={place}
              job={at(place)}
              dim={!shown(at(place))}
              last={i === places.length - 1}
              now={now}
            />
          ))}
          <div className="hd mt-3">
            <h2>On the shelf</h2>
            <small>each waits for one thing</small>
          </div>
          <div className="shelf">
            {used.map((s) => {
              const job = at(s)!;
              return shown(job) ? <ShelfTag key={s} place={s} job={job} now={now} /> : null;
            })}
            {elsewhere.slice(0, all ? undefined : MOST_TAGS).map((j) => (
              <ShelfTag key={j.id} place={undefined} job={j} now={now} />
            ))}
            {free && (
              <PlaceTarget place={free} className="tag free">
                <small>{free}, free</small>
              </PlaceTarget>
            )}
          </div>
          {!all && elsewhere.length > MOST_TAGS && (
            <button type="button" className="btn-line mt-2" onClick={() => setAll(true)}>
              {elsewhere.length - MOST_TAGS} more have no place yet: show them
            </button>
          )}
          {(done.data?.length ?? 0) > 0 && (
            <p className="mt-3 quiet">
              Handed over:{' '}
              {done.data?.slice(0, 4).map((j) => (
                <Link key={j.id} to={`/job/${j.id}/record`} className="me-3" style={{ color: 'inherit' }}>
                  {j.number}, {j.customer}
                </Link>
              ))}
            </p>
          )}
        </section>
        <section className="next">
          <div className="hd">
            <h2>Next moves</h2>
          </div>
          {items.length === 0 && (
            <p className="px-3">
              {typed.trim() === ''
                ? 'Nothing wants a hand. Book a unit in.'
                : 'Nothing that fits the filter wants a hand.'}
            </p>
          )}
          <div className="nextlist" tabIndex={0} role="group" aria-label="Next moves by time">
            {items.slice(0, all ? undefined : MOST_MOVES).map((item, i) => (
              <NextRow key={item.key} item={item} first={i === 0} now={now} />
            ))}
          </div>
          {!all && items.length > MOST_MOVES && (
            <button type="button" className="btn-line mx-3 mb-2" onClick={() => setAll(true)}>
              {items.length - MOST_MOVES} later ones: show them
            </button>
          )}
          <Link to="/book" className="btn-ink">
            Book in a unit <kbd>b</kbd>
          </Link>
        </section>
      </main>
    </MoveContext>
  );
}

const PlaceRow = memo(function PlaceRow({
  place,
  job,
  dim,
  last,
  now,
}: {
  readonly place: string;
  readonly job: JobLine | undefined;
  readonly dim: boolean;
  readonly last: boolean;
  readonly now: Date;
}): React.JSX.Element {
  const slack = job?.promise ? slackWords(job.promise, job.minutesLeft, now) : undefined;
  const state = job ? (slack?.late ? 'late' : job.stage === 'booked' ? '' : 'live') : 'free';
  return (
    <PlaceTarget place={place} className={`place-row ${state} ${dim ? 'dim' : ''} ${last ? 'last' : ''}`}>
      <span className="l">{place}</span>
      <LadderMini progress={job?.progress} />
      <span className="mv">
        <Link to={job ? `/job/${job.id}` : '/book'} className="stretch">
          <b>{job?.nextMove ?? 'Free'}</b>
        </Link>
        <small>{job ? `${job.title} · ${job.number} · ${job.customer}` : 'Book in, or bring one from the shelf'}</small>
        {job && job.notices.standing.length > 0 && <small className="donot">{job.notices.standing[0]}</small>}
      </span>
      <span className="pr">
        {job?.promise && (
          <>
            <b>{promiseWords(job.promise, now)}</b>
            <small>{slack?.words}</small>
          </>
        )}
        {job && <Marks job={job} now={now} />}
      </span>
      {job ? <MoveHandle job={job} /> : <span />}
    </PlaceTarget>
  );
});

/** What must not be forgotten of a job, in a few words. */
function Marks({ job, now }: { readonly job: JobLine; readonly now: Date }): React.JSX.Element | null {
  const { leadsOff, between, uncounted, timers } = job.notices;
  const words = [
    job.aidsIn > 0 ? `${job.aidsIn} ${job.aidsIn === 1 ? 'aid' : 'aids'} in` : '',
    leadsOff > 0 ? `${leadsOff} to restore` : '',
    between > 0 ? `${between} in between` : '',
    uncounted > 0 ? 'uncounted' : '',
    timers[0] ? `${timers[0].kind} ${clockLeft(timers[0].due, now).replace(/:\d\d$/, ' min')}` : '',
  ].filter((w) => w !== '');
  return words.length > 0 ? <small className="aids">{words.slice(0, 2).join(', ')}</small> : null;
}

const ShelfTag = memo(function ShelfTag({
  place,
  job,
  now,
}: {
  readonly place: string | undefined;
  readonly job: JobLine;
  readonly now: Date;
}): React.JSX.Element {
  const colour = job.hold?.why === 'yes' ? '#566573' : job.hold ? '#6c6485' : '#1f6f63';
  const inside = (
    <>
      <span className="d-flex justify-content-between align-items-start">
        <Link to={`/job/${job.id}`} className="stretch">
          <b>{job.title.split(',')[0]}</b>
        </Link>
        <MoveHandle job={job} />
      </span>
      <small>
        {job.number} · {place ?? job.place ?? 'no place yet'} · {job.partsOff} off
      </small>
      <Marks job={job} now={now} />
      <span className="w">
        {job.hold
          ? `${holdWords(job.hold.why).replace(/^./, (c) => c.toUpperCase())}: ${job.hold.note}`
          : 'Ready to go on'}
      </span>
    </>
  );
  return place === undefined ? (
    <div className="tag" style={{ borderTopColor: colour }}>
      {inside}
    </div>
  ) : (
    <PlaceTarget place={place} className={`tag why-${job.hold?.why ?? 'none'}`}>
      {inside}
    </PlaceTarget>
  );
});

const NextRow = memo(function NextRow({
  item,
  first,
  now,
}: {
  readonly item: NextItem;
  readonly first: boolean;
  readonly now: Date;
}): React.JSX.Element {
  const { job } = item;
  const when =
    item.kind === 'now' || first
      ? 'Now'
      : item.kind === 'wait'
        ? format(new Date(item.at), 'HH:mm')
        : job.promise
          ? promiseWords(new Date(item.at).toISOString(), now).replace('Today', 'By')
          : 'Any time';
  return (
    <Link to={`/job/${job.id}`} className={`nm ${first ? 'now' : ''} ${item.kind}`}>
      <span className={`t ${item.late ? 'late' : ''}`}>{when}</span>
      <span>
        <b>{item.words}</b>
        <small>
          {job.place ?? 'no place'} · {job.title.split(',')[0]}
          {item.kind === 'begin' ? ` · ${handsWords(job.minutesLeft)}` : ''}
          {item.late ? ' · late' : ''}
        </small>
      </span>
    </Link>
  );
});
