import type { JobLine, MeView } from '@jubb/contract';
import { useQuery } from '@tanstack/react-query';
import { format } from 'date-fns';
import { lazy, Suspense, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { queries } from '../api/queries.ts';
import { useKeys } from '../frame/keys.ts';
import { useNow } from '../frame/use-now.ts';
import { MoveContext, PlaceTarget } from './move-context.tsx';
import { filtered, nextItems } from './next-moves.ts';
import { NextRow } from './next-row.tsx';
import { PlaceRow } from './place-row.tsx';
import { ShelfTag } from './shelf-tag.tsx';

/** A shop that works never loads them. */
const FirstSteps = lazy(() => import('../shop/first-steps.tsx'));

/** Often enough for words in minutes. */
const TICK_MS = 20_000;
/** So many are read at a glance; the rest is a press, or a filter, away. */
const MOST_TAGS = 16;
const MOST_MOVES = 20;

/** The workshop as it stands. */
export default function FloorScreen({ me }: { readonly me: MeView }): React.JSX.Element {
  const floor = useQuery(queries.floor());
  const done = useQuery(queries.handedOver());
  const moves = useQuery(queries.planMoves());
  const slack = useQuery(queries.slack());
  const navigate = useNavigate();
  const [search] = useSearchParams();
  const [typed, setTyped] = useState(() => search.get('q') ?? '');
  const [refused, setRefused] = useState<string>();
  const [all, setAll] = useState(false);
  const now = useNow(TICK_MS);
  useKeys({ book: () => void navigate('/book'), filter: () => document.getElementById('filter')?.focus() });
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
  const items = nextItems(jobs, now, moves.data, slack.data);
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
              <Button variant="line" onClick={() => setRefused(undefined)}>
                Close
              </Button>
            </div>
          )}
          {me.person.role === 'owner' && floor.data.jobs.length === 0 && (
            <Suspense fallback={null}>
              <FirstSteps />
            </Suspense>
          )}
          {places.map((place, i) => (
            <PlaceRow
              slack={slack.data}
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
            <Button variant="line" className="mt-2" onClick={() => setAll(true)}>
              {elsewhere.length - MOST_TAGS} more have no place yet: show them
            </Button>
          )}
          {(done.data?.length ?? 0) > 0 && (
            <p className="mt-3 quiet">
              Handed over:{' '}
              {done.data?.slice(0, 4).map((j) => (
                <Link key={j.id} to={`/job/${j.id}/record`} className="me-3" style={{ color: 'inherit' }}>
                  {j.number}, {j.customer}
                  {j.notices.ended !== undefined && ` (${j.notices.ended.toLowerCase()})`}
                </Link>
              ))}
            </p>
          )}
        </section>
        <section className="next">
          <div className="hd">
            <h2>Next moves</h2>
            {(moves.data?.length ?? 0) > 0 && <small>by the plan</small>}
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
            <Button variant="line" className="mx-3 mb-2" onClick={() => setAll(true)}>
              {items.length - MOST_MOVES} later ones: show them
            </Button>
          )}
          <Link to="/book" className="btn-ink">
            Book in a unit <kbd>b</kbd>
          </Link>
        </section>
      </main>
    </MoveContext>
  );
}
