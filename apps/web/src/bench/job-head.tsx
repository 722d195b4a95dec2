import type { MeView } from '@jubb/contract';
import { agreedMinor, billOf, minutesLeft } from '@jubb/core/bench';
import { scopeTitle } from '@jubb/core/sheet';
import { useQuery } from '@tanstack/react-query';
import Button from 'react-bootstrap/Button';
import { Link, useLocation } from 'react-router';
import { queries } from '../api/queries.ts';
import { moneyWords } from '../money.ts';
import { handsWords, inHandWords, deliveryWords } from '../floor/time-words.ts';
import type { Extra } from './extras/extras.tsx';
import { takeBack, type Bench } from './use-bench.ts';

/** Whose unit it is, what was promised, and what can be put on record at any time. */
export function JobHead({
  bench,
  me,
  visits,
  toggle,
  extra,
}: {
  readonly bench: Bench;
  readonly me: MeView;
  readonly visits: number;
  readonly toggle: (e: Extra) => void;
  readonly extra: Extra | undefined;
}): React.JSX.Element {
  const { sheet, state } = bench;
  const { booked } = state;
  const open = !state.signed;
  const { currency } = me.workshop;
  const agreed = agreedMinor(state);
  const bill = billOf(sheet, state, bench.context.money ?? me.workshop);
  const slack = useQuery(queries.slack()).data?.[bench.job];
  const hands = handsWords(Math.round(minutesLeft(sheet, state)));
  const onFindings = useLocation().pathname.endsWith('/findings');
  return (
    <div className="jobhead">
      <div>
        <h1>
          {sheet.title.split(',')[0]}, {booked?.unit.serial}
        </h1>
        <small>
          Job {booked?.number}
          {visits > 0 ? `, here before: ${visits}` : ''}
          {booked?.scope === undefined ? '' : ` · ${scopeTitle(sheet, state.scope)}`} · {booked?.customer.name} ·{' '}
          {booked?.complaint}
        </small>
      </div>
      <div className="fact">
        {booked?.deliveryDate ? (
          <>
            <small>
              Promised
              {slack && open && (
                <span className={slack.minutes < 0 ? 'past-agreed' : ''}>, {inHandWords(slack).words}</span>
              )}
            </small>
            <b>
              {deliveryWords(booked.deliveryDate, new Date())}
              <span className="quiet">, {hands} of hands</span>
            </b>
          </>
        ) : (
          <>
            <small>Hands needed</small>
            <b>{hands}</b>
          </>
        )}
      </div>
      {agreed !== undefined && (
        <div className="fact">
          <small>Agreed {moneyWords(agreed, currency)}, with tax</small>
          <b className={bill.totalMinor > agreed ? 'past-agreed' : undefined}>
            <span className="quiet">comes to</span> {moneyWords(bill.totalMinor, currency)}
          </b>
        </div>
      )}
      {open && (
        <div className="acts">
          <Link to={onFindings ? `/job/${bench.job}` : `/job/${bench.job}/findings`} className="btn-line">
            {onFindings ? 'Bench' : 'Findings'}
          </Link>
          {!onFindings && (
            <Button variant="line" aria-pressed={extra === 'wait'} onClick={() => toggle('wait')}>
              {state.parked ? 'Hold' : 'Park'} <kbd>h</kbd>
            </Button>
          )}
          {!onFindings && bench.last && (
            <Button variant="line" onClick={() => takeBack(bench)}>
              Take back <kbd>u</kbd>
            </Button>
          )}
          {!onFindings && (
            <Button variant="line" onClick={() => bench.give({ type: 'sign-off' })}>
              Sign off
            </Button>
          )}
        </div>
      )}
    </div>
  );
}
