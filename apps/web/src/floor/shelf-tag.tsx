import type { JobLine } from '@jubb/contract';
import { holdWords } from '@jubb/core/bench';
import { memo } from 'react';
import { Link } from 'react-router';
import { Marks } from './marks.tsx';
import { MoveHandle, PlaceTarget } from './move-context.tsx';

/** A unit that waits, on the shelf or without a place: for what, and how much of it is off. */
export const ShelfTag = memo(function ShelfTag({
  place,
  job,
  now,
}: {
  readonly place: string | undefined;
  readonly job: JobLine;
  readonly now: Date;
}): React.JSX.Element {
  const inside = (
    <>
      <span className="d-flex justify-content-between align-items-start">
        <Link to={`/job/${job.id}`} className="stretch">
          <b>{job.title.split(',')[0]}</b>
        </Link>
        <MoveHandle job={job} />
      </span>
      <small>
        {job.number} · {place ?? job.place ?? 'no place yet'} · {job.partsOff} parts off
      </small>
      <Marks job={job} now={now} />
      <span className="w">
        {job.hold
          ? `${holdWords(job.hold.why).replace(/^./, (c) => c.toUpperCase())}: ${job.hold.note}`
          : 'Ready to go on'}
      </span>
    </>
  );
  const className = `tag why-${job.hold?.why ?? 'none'}`;
  return place === undefined ? (
    <div className={className}>{inside}</div>
  ) : (
    <PlaceTarget place={place} className={className}>
      {inside}
    </PlaceTarget>
  );
});
