import type { MeView, PlanJobLabel } from '@jubb/contract';
import { spendMinor, type Say, type Suggestion } from '@jubb/core/planning';
import { Link } from 'react-router';
import { moneyWords } from '../money.ts';
import { LaterDeliveryDate } from './later-delivery-date.tsx';

/** What has to be agreed before a plan that is looked at can be taken, and where. */
export function Agree({
  changed,
  label,
  hands,
  workshop,
  done,
  say,
}: {
  readonly changed: Suggestion;
  readonly label: PlanJobLabel | undefined;
  /** How many are at work. */
  readonly hands: number;
  readonly workshop: MeView['workshop'];
  /** It has been agreed on: the week is another. */
  readonly done: () => void;
  readonly say: Say;
}): React.JSX.Element {
  const { agree } = changed;
  return (
    <div className="past" role="status">
      <b className="d-block">{changed.title}: this is how it would be</b>
      {agree.kind === 'order' && 'Only the order of the work is another: it can be taken as it is.'}
      {agree.kind === 'hours' &&
        `Taking it agrees on ${agree.helper ? 'a helper' : 'everybody at work'} from ${say(agree.from)} to ${say(agree.to)}: ${moneyWords(spendMinor(agree, hands, workshop.rateMinor), workshop.currency)} of hours.`}
      {agree.kind === 'part' && (
        <>
          The supplier is asked first. Once the day is another, the week is planned anew.
          <Link className="btn-line mt-2 d-block" to="/parts">
            To Parts
          </Link>
        </>
      )}
      {agree.kind === 'delivery-date' && label && <LaterDeliveryDate at={agree.at} job={label} done={done} say={say} />}
      {agree.kind === 'job' && (
        <>
          Whoever is waited for is asked first. Clear the hold or write the yes down, and the week is planned anew.
          <Link className="btn-line mt-2 d-block" to={`/job/${label?.id ?? ''}`}>
            To job {label?.number}
          </Link>
        </>
      )}
    </div>
  );
}
