import { format } from 'date-fns';
import { memo } from 'react';
import { Link } from 'react-router';
import type { NextItem } from './next-moves.ts';
import { handsWords, deliveryWords } from './time-words.ts';

/** One of the next moves: when, what, where. */
export const NextRow = memo(function NextRow({
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
        : item.planned || job.deliveryDate
          ? deliveryWords(
              new Date(item.planned ? Math.max(item.at, now.getTime()) : item.at).toISOString(),
              now,
            ).replace('Today ', '')
          : 'Any time';
  // Without a plan the moment is not when it begins, but when it must have begun; what is made ready is ready by then in any case.
  const dated = item.kind !== 'wait' && when !== 'Now' && when !== 'Any time' && !item.planned && !item.late;
  return (
    <Link to={`/job/${job.id}`} className={`nm ${first ? 'now' : ''} ${item.kind}`}>
      <span className={`t ${item.late ? 'late' : ''}`}>
        {when}
        {dated && <small>{item.mustBegin ? 'at the latest' : 'promised'}</small>}
      </span>
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
