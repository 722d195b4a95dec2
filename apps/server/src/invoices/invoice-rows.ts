import type { InvoiceRow, InvoiceView, PaidHow } from '@jubb/contract';
import { invoiceStanding, type InvoiceLine } from '@jubb/core/invoice';
import type { EntityManager } from 'typeorm';

/** What an invoice says for good. */
export interface SentWords {
  readonly lines: readonly InvoiceLine[];
  readonly taxName: string;
  readonly title: string;
  readonly serial: string;
  readonly customer: string;
  readonly address: string;
  readonly note: string;
  readonly shop: InvoiceView['shop'];
}

/** A row as it is read; bigints come as texts. */
export interface InvoiceRecord {
  readonly id: string;
  readonly number: number;
  readonly kind: 'invoice' | 'credit';
  readonly of_id: string | null;
  readonly of_number: number | null;
  readonly job_id: string;
  readonly job: number;
  readonly customer_id: string;
  readonly day: string;
  readonly due: string;
  readonly sent: SentWords;
  readonly currency: string;
  readonly tax_percent: number;
  readonly net_minor: string;
  readonly tax_minor: string;
  readonly total_minor: string;
  readonly by_name: string;
  /** Amounts of its payments, and totals of the credits that take it back. */
  readonly payments: readonly number[];
  readonly credits: readonly number[];
}

const SELECT = `
  SELECT i.id, i.number, i.kind, i.of_id, o.number AS of_number, i.job_id, j.number AS job, i.customer_id,
    to_char(i.day, 'YYYY-MM-DD') AS day, to_char(i.due, 'YYYY-MM-DD') AS due,
    i.sent, i.currency, i.tax_percent, i.net_minor, i.tax_minor, i.total_minor, i.by_name,
    COALESCE((SELECT json_agg(p.amount_minor) FROM invoice_payment p WHERE p.invoice_id = i.id), '[]') AS payments,
    COALESCE((SELECT json_agg(c.total_minor) FROM invoice c WHERE c.of_id = i.id), '[]') AS credits
  FROM invoice i JOIN job j ON j.id = i.job_id LEFT JOIN invoice o ON o.id = i.of_id`;

/** Invoices that a condition picks, the newest number first. */
export function readInvoices(
  m: Pick<EntityManager, 'query'>,
  where: string,
  values: readonly unknown[],
  most: number,
): Promise<InvoiceRecord[]> {
  return m.query(`${SELECT} WHERE ${where} ORDER BY i.number DESC LIMIT ${most}`, [...values]);
}

/** The number as it is written: with noughts, so that a list of files is in its order. */
export const written = (number: number): string => String(number).padStart(4, '0');

/** @param today as 2026-11-30, by the shop's clock */
export function rowOf(r: InvoiceRecord, today: string): InvoiceRow {
  const totalMinor = Number(r.total_minor);
  const { state, ...standing } =
    r.kind === 'credit'
      ? { paidMinor: 0, creditedMinor: 0, openMinor: 0, state: 'credit' as const }
      : invoiceStanding(totalMinor, r.payments, r.credits, r.due, today);
  return {
    id: r.id,
    number: written(r.number),
    kind: r.kind,
    day: r.day,
    due: r.due,
    customer: r.sent.customer,
    customerId: r.customer_id,
    job: r.job,
    jobId: r.job_id,
    currency: r.currency,
    netMinor: Number(r.net_minor),
    taxPercent: r.tax_percent,
    taxMinor: Number(r.tax_minor),
    totalMinor,
    ...standing,
    state,
  };
}

/** A whole invoice, with what was paid and taken back. */
export async function viewOf(m: Pick<EntityManager, 'query'>, r: InvoiceRecord, today: string): Promise<InvoiceView> {
  const payments = await m.query<{ day: string; amount_minor: string; how: PaidHow; note: string; by_name: string }[]>(
    `SELECT to_char(day, 'YYYY-MM-DD') AS day, amount_minor, how, note, by_name FROM invoice_payment WHERE invoice_id = $1 ORDER BY day, at`,
    [r.id],
  );
  const credits = await m.query<{ id: string; number: number; day: string; total_minor: string; of_lines: number[] }[]>(
    `SELECT id, number, to_char(day, 'YYYY-MM-DD') AS day, total_minor, of_lines FROM invoice WHERE of_id = $1 ORDER BY number`,
    [r.id],
  );
  const { lines, taxName, title, serial, address, note, shop } = r.sent;
  return {
    ...rowOf(r, today),
    lines,
    taxName,
    title,
    serial,
    address,
    note,
    shop,
    takenBack: credits.flatMap((c) => c.of_lines).sort((a, b) => a - b),
    of: r.of_id === null ? null : { id: r.of_id, number: written(r.of_number!) },
    by: r.by_name,
    payments: payments.map((p) => ({
      day: p.day,
      amountMinor: Number(p.amount_minor),
      how: p.how,
      note: p.note,
      by: p.by_name,
    })),
    credits: credits.map((c) => ({
      id: c.id,
      number: written(c.number),
      day: c.day,
      totalMinor: Number(c.total_minor),
    })),
  };
}
