import type { JobLine } from '@jubb/contract';
import { useQuery } from '@tanstack/react-query';
import { format } from 'date-fns';
import { Link, useNavigate } from 'react-router';
import { queries } from '../api/queries.ts';
import { LadderMini } from '../drawing/ladder-mini.tsx';
import { useKeys } from '../frame/keys.ts';
import { handsWords, promiseWords, slackWords } from './time-words.ts';

const HOLD: Readonly<Record<string, string>> = {
  parts: 'Parts',
  yes: 'A yes',
  cure: 'A cure',
  helper: 'A helper',
  tool: 'A tool',
  decision: 'A decision',
};

/** The workshop as it stands. */
export default function FloorScreen(): React.JSX.Element {
  const floor = useQuery(queries.floor());
  const done = useQuery(queries.handedOver());
  const navigate = useNavigate();
  useKeys({ b: () => void navigate('/book') });
  if (!floor.data)
    return (
      <main className="empty">
        {floor.isError
          ? 'The server does not answer. What you did is kept; this screen comes back by itself.'
          : 'Looking round the workshop …'}
      </main>
    );
  const { places, jobs } = floor.data;
  const now = new Date();
  const at = (place: string): JobLine | undefined => jobs.find((j) => j.place === place);
  const shelf = jobs.filter((j) => !places.includes(j.place ?? ''));
  const moves = jobs.filter((j) => !j.hold).sort((a, b) => (a.promise ?? '9').localeCompare(b.promise ?? '9'));
  return (
    <main className="floor">
      <section className="places">
        <div className="hd">
          <h1 style={{ fontSize: 22 }}>On the benches</h1>
          <small>{format(now, 'EEEE, HH:mm')}</small>
          <small className="ms-auto">
            {places.length} places, {places.filter(at).length} in use
          </small>
        </div>
        {places.map((place) => {
          const job = at(place);
          const slack = job?.promise ? slackWords(job.promise, job.minutesLeft, now) : undefined;
          return (
            <Link
              key={place}
              to={job ? `/job/${job.id}` : '/book'}
              className={`place-row ${job ? (slack?.late ? 'late' : job.stage === 'booked' ? '' : 'live') : 'free'}`}
            >
              <span className="l">{place}</span>
              <LadderMini progress={job?.progress} />
              <span className="mv">
                <b>{job?.nextMove ?? 'Free'}</b>
                <small>
                  {job ? `${job.title} · ${job.number} · ${job.customer}` : 'Book in, or bring one from the shelf'}
                </small>
              </span>
              <span className="pr">
                {job?.promise && (
                  <>
                    <b>{promiseWords(job.promise, now)}</b>
                    <small>{slack?.words}</small>
                  </>
                )}
                {job !== undefined && job.aidsIn > 0 && (
                  <small className="aids">{job.aidsIn === 1 ? '1 aid in' : `${job.aidsIn} aids in`}</small>
                )}
              </span>
            </Link>
          );
        })}
        <div className="hd mt-3">
          <h2>On the shelf</h2>
          <small>each waits for one thing</small>
        </div>
        {shelf.length === 0 && <p className="quiet">Nothing waits.</p>}
        <div className="shelf">
          {shelf.map((j) => (
            <Link
              key={j.id}
              to={`/job/${j.id}`}
              className="tag"
              style={{ borderTopColor: j.hold?.why === 'yes' ? '#566573' : j.hold ? '#6c6485' : '#1f6f63' }}
            >
              <b>{j.title.split(',')[0]}</b>
              <small>
                {j.number} · {j.place ?? 'no place yet'} · {j.partsOff} off
              </small>
              <span className="w">{j.hold ? `${HOLD[j.hold.why]}: ${j.hold.note}` : 'Ready to go on'}</span>
            </Link>
          ))}
        </div>
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
        {moves.length === 0 && <p className="px-3">Nothing wants a hand. Book a unit in.</p>}
        {moves.map((j, i) => {
          const slack = j.promise ? slackWords(j.promise, j.minutesLeft, now) : undefined;
          return (
            <Link key={j.id} to={`/job/${j.id}`} className={`nm ${i === 0 ? 'now' : ''}`}>
              <span className={`t ${slack?.late ? 'late' : ''}`}>
                {i === 0 ? 'Now' : j.promise ? format(new Date(j.promise), 'EEE HH:mm') : ''}
              </span>
              <span>
                <b>{j.nextMove}</b>
                <small>
                  {j.place ?? 'no place'} · {handsWords(j.minutesLeft)} of hands{slack ? ` · ${slack.words}` : ''}
                </small>
              </span>
            </Link>
          );
        })}
        <Link to="/book" className="btn-ink">
          Book in a unit <kbd>b</kbd>
        </Link>
      </section>
    </main>
  );
}
