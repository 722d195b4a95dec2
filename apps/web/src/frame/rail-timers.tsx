import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { queries } from '../api/queries.ts';
import { clockLeft, useNow } from './use-now.ts';

/** As many waits as the rail has room for. */
const SHOWN = 3;

/** The waits that run in the shop, the first due first; a press goes to the job. */
export function RailTimers(): React.JSX.Element {
  const floor = useQuery(queries.floor());
  const now = useNow();
  const timers = (floor.data?.jobs ?? [])
    .flatMap((j) => j.notices.timers.map((t) => ({ ...t, job: j })))
    .sort((a, b) => a.due.localeCompare(b.due));
  return (
    <>
      {timers.slice(0, SHOWN).map((t) => {
        const left = clockLeft(t.due, now);
        return (
          <Link
            key={t.id}
            to={`/job/${t.job.id}`}
            className={`cell timer ${left === 'done' ? 'run' : ''}`}
            title={`${t.title}, job ${t.job.number}`}
          >
            {t.kind.replace(/^./, (c) => c.toUpperCase())} {t.job.place ?? ''} <b className="num">{left}</b>
          </Link>
        );
      })}
      {timers.length > SHOWN && <span className="cell">+{timers.length - SHOWN}</span>}
    </>
  );
}
