import type { JobLine, SlackView } from '@jubb/contract';
import { memo } from 'react';
import { Link } from 'react-router';
import { LadderMini } from '../drawing/ladder-mini.tsx';
import { Marks } from './marks.tsx';
import { MoveHandle, PlaceTarget } from './move-context.tsx';
import { inHandWords, deliveryWords } from './time-words.ts';

/** A bench place: its ladder in small, the next move, the promise. */
export const PlaceRow = memo(function PlaceRow({
  place,
  job,
  dim,
  last,
  now,
  slack: slacks,
}: {
  readonly place: string;
  readonly job: JobLine | undefined;
  readonly dim: boolean;
  readonly last: boolean;
  readonly now: Date;
  readonly slack: SlackView | undefined;
}): React.JSX.Element {
  const known = job && slacks?.[job.id];
  const slack = known && inHandWords(known);
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
        {job?.deliveryDate && (
          <>
            <b>{deliveryWords(job.deliveryDate, now)}</b>
            <small>{slack?.words}</small>
          </>
        )}
        {job && <Marks job={job} now={now} />}
      </span>
      {job ? <MoveHandle job={job} /> : <span />}
    </PlaceTarget>
  );
});
