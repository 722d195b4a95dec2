import type { Sheet } from '../../sheet/index.ts';
import { agreedOption } from './agreed-option.ts';
import { billedMinutes, billLines } from './bill-lines.ts';
import { taxMinor, withTax, type BillSettings } from './money.ts';
import type { QuoteLine } from './events.ts';
import type { BenchState } from '../log/state.ts';

/** What a job comes to as it stands: ordered parts at their prices, the rest of what is needed as it is listed, all hours. */
export interface Bill {
  readonly partsMinor: number;
  readonly hoursMinor: number;
  readonly minutes: number;
  readonly taxMinor: number;
  /** What it is reckoned from: a quote that still knows everything; the ladder, findings and orders of now; or how it ended. */
  readonly basis: 'quote' | 'now' | 'end';
  /** With tax. */
  readonly totalMinor: number;
}

/**
 * The bill that a job is heading for. While the newest quote still knows everything, it is the quote's own sum, and what
 * was ordered past its parts; else it is reckoned anew from the ladder, the findings and the orders.
 */
export function billOf(sheet: Sheet, state: BenchState, money: BillSettings): Bill {
  const agreed = agreedOption(state);
  const lines = billLines(sheet, state, money);
  const sum = (kept: readonly QuoteLine[]): number => kept.reduce((total, l) => total + l.sumMinor, 0);
  const partsMinor = sum(lines.filter((l) => l.kind !== 'hours'));
  const hours = sum(lines.filter((l) => l.kind === 'hours'));
  if (agreed) {
    // The tax that was agreed stays what it was, also where the rate is another by now.
    const past = partsMinor + hours - agreed.netMinor;
    return {
      partsMinor,
      hoursMinor: hours,
      minutes: agreed.minutes,
      taxMinor: agreed.taxMinor + taxMinor(past, money.taxPercent),
      basis: 'quote',
      totalMinor: agreed.totalMinor + withTax(past, money.taxPercent),
    };
  }
  return {
    partsMinor,
    hoursMinor: hours,
    minutes: billedMinutes(sheet, state, money),
    taxMinor: taxMinor(partsMinor + hours, money.taxPercent),
    basis: state.end ? 'end' : 'now',
    totalMinor: withTax(partsMinor + hours, money.taxPercent),
  };
}
