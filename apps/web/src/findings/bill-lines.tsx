import type { OfferView } from '@jubb/contract';
import { minutesWords, type Bill } from '@jubb/core/bench';
import { moneyWords } from '../money.ts';

const FROM: Readonly<Record<Bill['basis'], string>> = {
  quote: 'As quoted, and what was ordered past it',
  now: 'By the ladder, the findings and the orders of now; what is needed at the list’s price, one by one. A kit or a quote may come to less',
  end: 'For what was done until it ended, the last step, and what was ordered',
};

/** What the job comes to, line by line: the sum of the head, what it is reckoned from, and how it stands to what was agreed. */
export function BillLines({
  bill,
  agreedMinor,
  money,
  quoted,
}: {
  readonly bill: Bill;
  readonly agreedMinor: OfferView['agreedMinor'];
  readonly money: OfferView['money'];
  /** There is a quote; else what was agreed is the limit of the booking. */
  readonly quoted: boolean;
}): React.JSX.Element {
  const sum = (minor: number): string => moneyWords(minor, money.currency);
  const rows: readonly (readonly [string, number])[] = [
    ['Parts', bill.partsMinor],
    [`Work, ${minutesWords(bill.minutes)} at ${sum(money.rateMinor)} an hour`, bill.hoursMinor],
    [`${money.taxName} ${money.taxPercent} %`, bill.taxMinor],
  ];
  return (
    <details className="bill">
      <summary>
        It comes to <b>{sum(bill.totalMinor)}</b>
      </summary>
      <div className="lines">
        {rows.map(([title, minor]) => (
          <div key={title} className="row1">
            <span>{title}</span>
            <i>{sum(minor)}</i>
          </div>
        ))}
        <small className="d-block">
          {FROM[bill.basis]}.
          {agreedMinor !== null &&
            ` ${quoted ? 'Agreed' : 'The limit of the booking is'} ${sum(agreedMinor)}: ${
              bill.totalMinor > agreedMinor
                ? `${sum(bill.totalMinor - agreedMinor)} past it`
                : `${sum(agreedMinor - bill.totalMinor)} below it`
            }.`}
        </small>
      </div>
    </details>
  );
}
