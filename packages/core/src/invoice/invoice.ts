import {
  billLines,
  agreedMinor,
  jobSheet,
  quoteInForce,
  roundMinor,
  taxMinor,
  type BenchState,
  type BillSettings,
  type QuoteLine,
} from '../bench/index.ts';
import type { Sheet } from '../sheet/index.ts';

export const invoiceLineKinds = ['part', 'kit', 'exchange', 'hours', 'other'] as const;
export type InvoiceLineKind = (typeof invoiceLineKinds)[number];

/** A line of an invoice; money in minor units without tax. */
export interface InvoiceLine {
  readonly title: string;
  readonly kind: InvoiceLineKind;
  /** Pieces, or hours; more than nought. */
  readonly count: number;
  readonly eachMinor: number;
  readonly sumMinor: number;
}
export interface InvoiceSums {
  readonly netMinor: number;
  readonly taxMinor: number;
  readonly totalMinor: number;
}

/** What a job's invoice would be: its lines, and how far it is over what the customer said yes to. */
export interface InvoiceDraft extends InvoiceSums {
  readonly lines: readonly InvoiceLine[];
  /** Up to how much was agreed, with tax; undefined: no limit was set. */
  readonly agreedMinor: number | undefined;
  /** So much more than agreed, with tax; 0 when it is within. */
  readonly overMinor: number;
}

/**
 * Net, tax and total of lines: the tax is reckoned once on the net sum, to the minor unit, halves away from nought.
 * Source: EN 16931-1:2017, BR-CO-13, BR-CO-15 and BR-CO-17 (one rate).
 */
export function invoiceSums(lines: readonly Pick<InvoiceLine, 'sumMinor'>[], taxPercent: number): InvoiceSums {
  const netMinor = lines.reduce((sum, l) => sum + l.sumMinor, 0);
  const tax = taxMinor(netMinor, taxPercent);
  return { netMinor, taxMinor: tax, totalMinor: netMinor + tax };
}

/** An invoice of what was agreed and done, as it stands. */
export function draftInvoice(pinned: Sheet, state: BenchState, money: BillSettings): InvoiceDraft {
  // What is only offered was agreed by nobody: then it is what was ordered, fitted and worked.
  const said = quoteInForce(state)?.answer ? state : { ...state, quotes: [] };
  const lines = billLines(jobSheet(pinned, state), said, money).map(asInvoiceLine);
  const sums = invoiceSums(lines, money.taxPercent);
  const agreed = agreedMinor(state);
  return {
    lines,
    ...sums,
    agreedMinor: agreed,
    overMinor: agreed === undefined ? 0 : Math.max(0, sums.totalMinor - agreed),
  };
}

const asInvoiceLine = ({ title, kind, count, eachMinor, sumMinor }: QuoteLine): InvoiceLine => ({
  title,
  kind,
  count,
  eachMinor,
  sumMinor,
});

/** Hours are written to a hundredth, and their sum is of the minutes behind them: it may differ by that much. */
const HOUR_STEP = 0.01;

/** What is wrong with a line, in words; undefined when its sum is its count times its price. */
export function invoiceLineProblem({ title, kind, count, eachMinor, sumMinor }: InvoiceLine): string | undefined {
  if (title.trim() === '') return 'A line says what it is for';
  if (!(count > 0)) return 'A count is more than nought: to take something off, write a price below nought';
  const slack = kind === 'hours' ? (Math.abs(eachMinor) * HOUR_STEP) / 2 + 0.5 : 0;
  const reckoned = roundMinor(count * eachMinor);
  if (Math.abs(sumMinor - reckoned) > slack + 1e-9)
    return `${title}: ${count} × ${(eachMinor / 100).toFixed(2)} is ${(reckoned / 100).toFixed(2)}, not ${(sumMinor / 100).toFixed(2)}`;
  return undefined;
}

/** Why no invoice can be made out for a job; undefined when one can: it was done or ended, and none stands for it. */
export function invoiceNotYet(
  { signed, end }: Pick<BenchState, 'signed' | 'end'>,
  made: readonly { readonly number: string; readonly totalMinor: number; readonly creditedMinor: number }[],
): string | undefined {
  if (!signed && !end) return 'The job is not signed yet: an invoice is for what was done';
  const stands = made.find((i) => i.creditedMinor < i.totalMinor);
  return stands && `Invoice ${stands.number} is made out for it already: take that back first`;
}

/**
 * Sums of a credit note. The one that takes the last lines back takes what is left: no penny of tax stays behind.
 * @param lines of the credit, below nought
 * @param leftMinor of the invoice's total, less what was credited before; only for the last of its credits
 */
export function creditSums(lines: readonly InvoiceLine[], taxPercent: number, leftMinor?: number): InvoiceSums {
  const sums = invoiceSums(lines, taxPercent);
  return leftMinor === undefined
    ? sums
    : { netMinor: sums.netMinor, taxMinor: back(leftMinor + sums.netMinor), totalMinor: back(leftMinor) };
}

/** A sum taken back; of nothing it is nothing, and not -0, which is another number to whoever compares. */
const back = (minor: number): number => (minor === 0 ? 0 : -minor);

/** Lines of a credit note that takes these back. */
export const creditLines = (lines: readonly InvoiceLine[]): readonly InvoiceLine[] =>
  lines.map((l) => ({ ...l, eachMinor: back(l.eachMinor), sumMinor: back(l.sumMinor) }));

export const invoiceStates = ['open', 'part paid', 'overdue', 'paid', 'credited', 'paid too much'] as const;
export type InvoiceState = (typeof invoiceStates)[number];

/** How an invoice stands. */
export interface InvoiceStanding {
  readonly paidMinor: number;
  readonly creditedMinor: number;
  /** Still to be paid; below nought: to be given back. */
  readonly openMinor: number;
  readonly state: InvoiceState;
}

/**
 * How an invoice stands by what was paid and credited.
 * @param credits totals of its credit notes, below nought
 * @param due the last day on which it is not late, and today, both as 2026-11-30
 */
export function invoiceStanding(
  totalMinor: number,
  payments: readonly number[],
  credits: readonly number[],
  due: string,
  today: string,
): InvoiceStanding {
  const paidMinor = payments.reduce((sum, p) => sum + p, 0);
  // Not -0, where there is none.
  const creditedMinor = credits.reduce((sum, c) => sum - c, 0);
  const openMinor = totalMinor - creditedMinor - paidMinor;
  return {
    paidMinor,
    creditedMinor,
    openMinor,
    state: stateOf(totalMinor, paidMinor, creditedMinor, openMinor, today > due),
  };
}

function stateOf(total: number, paid: number, credited: number, open: number, late: boolean): InvoiceState {
  if (open < 0) return 'paid too much';
  if (open === 0) return credited >= total && credited > 0 ? 'credited' : 'paid';
  if (late) return 'overdue';
  return paid > 0 ? 'part paid' : 'open';
}
