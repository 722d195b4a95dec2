import type { OfferView } from '@jubb/contract';
import type { BuyingWay, OrderPlan } from '@jubb/core/parts';
import type { Quantity } from '@jubb/core/quantities';
import type { Sheet } from '@jubb/core/sheet';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { queries } from '../api/queries.ts';
import { minorOf, moneyWords } from '../money.ts';
import { Link } from 'react-router';
import { addressOf } from '../reckoner/inputs.ts';

const WAYS: readonly (readonly [BuyingWay, string])[] = [
  ['cheapest', 'Cheapest'],
  ['singles', 'Single parts'],
  ['kits', 'Kits'],
];

/** The list that makes itself, bought one way or another; what one saves against the other is said. */
export function PartsList({
  job,
  cheapest,
  money,
  way,
  choose,
  sheet,
  byHand,
  priceByHand,
}: {
  readonly job: string;
  readonly sheet: Sheet;
  readonly cheapest: OrderPlan;
  readonly money: OfferView['money'];
  readonly way: BuyingWay;
  readonly choose: (way: BuyingWay) => void;
  /** Prices as they were typed, by part; none while they can no longer be given. */
  readonly byHand: Readonly<Record<string, string>>;
  readonly priceByHand: ((part: string, price: string) => void) | undefined;
}): React.JSX.Element | null {
  const [open, setOpen] = useState(false);
  const asked = useQuery({ ...queries.plan(job, way), enabled: way !== 'cheapest' });
  const plan = way === 'cheapest' ? cheapest : (asked.data ?? cheapest);
  if (cheapest.needs.length === 0) return null;
  const saved = cheapest.singlesMinor === null ? 0 : cheapest.singlesMinor - cheapest.totalMinor;
  return (
    <section>
      <h3 className="d-flex justify-content-between">
        <span>To order</span>
        <span>{moneyWords(plan.totalMinor, money.currency)}</span>
      </h3>
      <div className="answers" role="group" aria-label="How to buy">
        {WAYS.map(([id, title]) => (
          <Button key={id} variant="line" aria-pressed={way === id} onClick={() => choose(id)}>
            {title}
          </Button>
        ))}
      </div>
      {saved > 0 && (
        <p className="m-0 mt-1 quiet">The kit saves {moneyWords(saved, money.currency)} against single parts.</p>
      )}
      {(open ? plan.lines : plan.lines.slice(0, 4)).map((l) => (
        <div key={l.number} className="row1">
          <span>
            {l.count} × {l.title}
            <small className="d-block">
              {l.number}
              {l.instead && `, stands for ${l.instead}`} · {l.from === 'drawer' ? 'from the drawer' : l.supplier}
              {lipOf(sheet, l.parts) && (
                <>
                  {' · '}
                  <Link to={addressOf('seal-code', lipOf(sheet, l.parts)!)}>which seal is it?</Link>
                </>
              )}
            </small>
          </span>
          <i>
            {l.from === 'drawer'
              ? 'here'
              : l.priceMinor === null
                ? 'ask'
                : moneyWords(l.priceMinor * l.count, money.currency)}
          </i>
        </div>
      ))}
      {plan.lines.length > 4 && (
        <Button variant="line" className="mt-1" onClick={() => setOpen(!open)}>
          {open ? 'Fewer' : `${plan.lines.length - 4} more`}
        </Button>
      )}
      {plan.nameless.length > 0 && (
        <div className="past-sum">
          The sheet gives no number for: {plan.nameless.map((n) => n.title.toLowerCase()).join(', ')}.
          {priceByHand && (
            <>
              {' '}
              Ask for the price and give it here, or end the job another way.
              {plan.nameless.map((n) => (
                <label key={n.part} className="d-flex gap-2 align-items-center mt-1">
                  {n.title}, each without tax, {money.currency}
                  <Form.Control
                    inputMode="decimal"
                    value={byHand[n.part] ?? ''}
                    isInvalid={(byHand[n.part] ?? '') !== '' && minorOf(byHand[n.part]!) === undefined}
                    style={{ width: 120 }}
                    onChange={(e) => priceByHand(n.part, e.target.value)}
                  />
                </label>
              ))}
            </>
          )}
        </div>
      )}
      {plan.uncounted.length > 0 && (
        <p className="past-sum">Not counted yet: {plan.uncounted.map((n) => n.title.toLowerCase()).join(', ')}.</p>
      )}
    </section>
  );
}

/** Sizes of a shaft seal on a line, to hold against what is stamped on the old one. */
function lipOf(sheet: Sheet, parts: readonly string[]): Record<string, string> | undefined {
  const lip = parts.map((p) => sheet.parts[p]?.lip).find((l) => l !== undefined);
  const words = (q: Quantity): string => `${q.value} ${q.unit}`;
  return lip && { outside: words(lip.bore), inside: words(lip.shaft), width: words(lip.width) };
}
