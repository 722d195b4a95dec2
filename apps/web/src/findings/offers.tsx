import type { OfferView } from '@jubb/contract';
import { minutesWords, type QuoteOption } from '@jubb/core/bench';
import { moneyWords, oddsWords } from '../money.ts';

/** The ways out side by side: what each costs, what it likely costs with comebacks counted, and how long it takes. */
export function Offers({
  options,
  advised,
  currency,
  agreedMinor,
}: {
  readonly options: readonly QuoteOption[];
  readonly advised: string;
  readonly currency: string;
  readonly agreedMinor: OfferView['agreedMinor'];
}): React.JSX.Element {
  const dearest = Math.max(...options.map((o) => o.expectedMinor), 1);
  const past = agreedMinor === null ? [] : options.filter((o) => o.totalMinor > agreedMinor && o.id !== 'leave');
  return (
    <>
      {options.map((o) => (
        <details key={o.id} className={o.id === advised ? 'way-out advised' : 'way-out'}>
          <summary>
            <span>
              <b>{o.title}</b>
              <small>
                {o.id === 'leave'
                  ? 'work so far; the fault stays'
                  : `${o.leadDays > 0 ? `parts ${o.leadDays} d` : 'parts here'} · ${minutesWords(o.minutes)} · ${oddsWords(o.comebackRisk)} is back`}
              </small>
            </span>
            <span className="sum">
              <b>{moneyWords(o.totalMinor, currency)}</b>
              {o.id !== 'leave' && <small>likely {moneyWords(o.expectedMinor, currency)}</small>}
            </span>
            <svg viewBox="0 0 360 9" aria-hidden="true" preserveAspectRatio="none">
              <rect width={(360 * o.totalMinor) / dearest} height="9" fill="var(--ink)" />
              <rect
                x={(360 * o.totalMinor) / dearest}
                y="1"
                width={Math.max(0, (360 * (o.expectedMinor - o.totalMinor)) / dearest - 1)}
                height="7"
                fill="#fff"
                stroke="var(--ink)"
                strokeWidth="2"
              />
            </svg>
          </summary>
          <div className="lines">
            {o.lines.map((l) => (
              <div key={l.title} className="row1">
                <span>{l.kind === 'hours' ? `${l.title}, ${l.count} h` : `${l.count} × ${l.title}`}</span>
                <i>{moneyWords(l.sumMinor, currency)}</i>
              </div>
            ))}
            <div className="row1">
              <span>Tax</span>
              <i>{moneyWords(o.taxMinor, currency)}</i>
            </div>
            {o.expectedMinor > o.totalMinor && (
              <div className="row1 quiet">
                <span>
                  Likely: and the chance that it is done again, {oddsWords(o.comebackRisk)} by the sheet&rsquo;s
                  estimate
                </span>
                <i>+ {moneyWords(o.expectedMinor - o.totalMinor, currency)}</i>
              </div>
            )}
          </div>
        </details>
      ))}
      {agreedMinor !== null && past.length > 0 && (
        <p className="past-sum">
          {past.length === options.length
            ? 'All of them go'
            : past.length > 1 && past.length === options.length - 1
              ? 'All but leaving it as it is go'
              : `${past.map((o) => o.title).join(', ')} ${past.length === 1 ? 'goes' : 'go'}`}{' '}
          past the agreed {moneyWords(agreedMinor, currency)}: a new yes is needed.
        </p>
      )}
    </>
  );
}
