import { writeCsv } from '../csv/write-csv.ts';

/** A row of the invoices, as a bookkeeper's software reads it. Amounts in major units with two places. */
export interface InvoiceRowFacts {
  readonly number: string;
  readonly kind: 'invoice' | 'credit';
  readonly day: string;
  readonly due: string;
  readonly customer: string;
  readonly job: number | null;
  /** Of a credit: the invoice that it takes back. */
  readonly of: string | null;
  readonly currency: string;
  readonly netMinor: number;
  readonly taxPercent: number;
  readonly taxMinor: number;
  readonly totalMinor: number;
  readonly paidMinor: number;
  readonly openMinor: number;
  readonly state: string;
}

export const invoiceColumns = [
  'number', 'kind', 'day', 'due', 'customer', 'job', 'of', 'currency', 'net', 'tax_percent', 'tax', 'total', 'paid', 'open', 'state',
] as const; // prettier-ignore

/** Invoices and credits as CSV (RFC 4180), one a row. */
export const invoicesCsv = (rows: readonly InvoiceRowFacts[]): string =>
  writeCsv(
    invoiceColumns,
    rows.map((r) => [
      r.number,
      r.kind,
      r.day,
      r.due,
      r.customer,
      r.job ?? '',
      r.of ?? '',
      r.currency,
      amount(r.netMinor),
      r.taxPercent,
      amount(r.taxMinor),
      amount(r.totalMinor),
      amount(r.paidMinor),
      amount(r.openMinor),
      r.state,
    ]),
  );

/** A number, so that one below nought is not taken for a formula; two places are all that it has. */
const amount = (minor: number): number => minor / 100;
