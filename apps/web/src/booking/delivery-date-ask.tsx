import type { QueuedView } from '@jubb/contract';
import { useMutation } from '@tanstack/react-query';
import { format } from 'date-fns';
import Button from 'react-bootstrap/Button';
import { api, ApiError } from '../api/client.ts';
import { spanWords } from '../plan/say.ts';

const POLL_MS = 250;
const LONGEST_MS = 30_000;
/** What moves the surest date, in words. */
const driverWords = {
  minutes: 'how long the work itself takes',
  others: 'the jobs before it',
  parts: 'parts that come late',
  findings: 'what is found when it is open',
} as const;

async function ask(sheet: string, scope: string | undefined): Promise<QueuedView> {
  const { id } = await api<{ id: string }>('plan/delivery-dates', { sheet, ...(scope === undefined ? {} : { scope }) });
  const until = Date.now() + LONGEST_MS;
  while (Date.now() < until) {
    const view = await api<QueuedView>(`plan/queued/${id}`);
    if (view.state !== 'waiting') return view;
    await new Promise((r) => setTimeout(r, POLL_MS));
  }
  return { id, state: 'failed', says: 'nobody has planned it yet: ask again' };
}

/** Which day can be promised: three dates, each as sure as it says, and what drives them. */
export function DeliveryDateAsk({
  sheet,
  scope,
  take,
}: {
  readonly sheet: string;
  readonly scope: string | undefined;
  /** Takes a date as the one that is promised. */
  readonly take: (at: Date) => void;
}): React.JSX.Element {
  const asked = useMutation({ mutationFn: () => ask(sheet, scope) });
  const dates = asked.data?.deliveryDates;
  const wrong = asked.error
    ? asked.error instanceof ApiError
      ? asked.error.message
      : 'No line to the server'
    : asked.data?.state === 'failed'
      ? asked.data.says
      : undefined;
  return (
    <div className="wide delivery-date-ask" aria-live="polite">
      <Button variant="line" disabled={asked.isPending || !sheet} onClick={() => asked.mutate()}>
        {asked.isPending ? 'Planning it in …' : 'What can be promised?'}
      </Button>
      {dates && (
        <>
          {dates.at.map(({ share, date }) => (
            <Button key={share} variant="line" onClick={() => take(new Date(date * 60_000))}>
              <b>{format(new Date(date * 60_000), 'EEE d MMM, HH:mm')}</b>{' '}
              <small className="d-block">kept {Math.round(share * 100)} times in 100</small>
            </Button>
          ))}
          {dates.drivers[0] && (
            <small className="quiet">
              Most of the doubt is {driverWords[dates.drivers[0].what]}: without it{' '}
              {spanWords(dates.drivers[0].minutes)} of work sooner.
            </small>
          )}
        </>
      )}
      {wrong && (
        <span className="field-error" role="alert">
          {wrong}
        </span>
      )}
    </div>
  );
}
