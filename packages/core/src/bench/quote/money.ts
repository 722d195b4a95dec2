import type { BenchState, QuoteState } from '../log/state.ts';

/** What an hour costs and what is added: settings of the workshop. */
export interface MoneySettings {
  readonly rateMinor: number;
  readonly taxPercent: number;
}

/** What a sheet's work is priced with beside the workshop's settings: head, offer, quote and refusal all reckon by it. */
export interface Pricing {
  /** What an order number costs by the price lists, minor units without tax; one that is not listed is at the sheet's price. */
  readonly prices: Readonly<Record<string, number>>;
  /** How much longer such jobs take here than the sheet says. */
  readonly timeFactor: number;
  /** How many jobs that is learnt from. */
  readonly jobs: number;
}
export type BillSettings = MoneySettings & { readonly pricing?: Pricing };

/** Minor units, halves away from zero, as an invoice rounds (commercial rounding). */
export function roundMinor(amount: number): number {
  // A hair against 0.5 that came out as 0.49999999999.
  return Math.sign(amount) * Math.floor(Math.abs(amount) + 0.5 + 1e-9);
}
export const hoursMinor = (minutes: number, rateMinor: number): number => roundMinor((minutes * rateMinor) / 60);
/** Tax on a net sum: reckoned once, on the sum, not line by line. */
export const taxMinor = (netMinor: number, taxPercent: number): number => roundMinor((netMinor * taxPercent) / 100);
export const withTax = (netMinor: number, taxPercent: number): number => netMinor + taxMinor(netMinor, taxPercent);

/** The newest quote that was made. */
export const quoteInForce = (state: BenchState): QuoteState | undefined => state.quotes.at(-1);

/** Up to how much is agreed, with tax: by the newest yes, else by what was said at booking; undefined: no limit was set. */
export function agreedMinor(state: BenchState): number | undefined {
  // Only the newest quote can be answered, so they are in the order of their answers.
  const agreed = state.quotes.findLast((q) => q.answer && q.answer.answer !== 'no');
  return agreed?.answer?.agreedMinor ?? state.booked?.spendLimitMinor ?? undefined;
}
