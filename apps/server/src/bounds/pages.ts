import { invoicePdf } from '../invoices/invoice-pdf.ts';
import { labelsPdf } from '../jobs/labels.ts';
import { pdf } from '../pdf/pdf.ts';
import { quotePdf } from '../quotes/quote-pdf.ts';
import { recordPdf } from '../records/record-pdf.ts';
import type { PageTask } from './heavy-tasks.ts';

type Of<K extends PageTask['kind']> = Extract<PageTask, { kind: K }>;

/** Pages that are set in a thread of their own: a record takes most of a second. */
export const record = async ({ file, depth, unitUrl, trends }: Of<'record-pdf'>): Promise<Uint8Array> =>
  pdf(await recordPdf(file, depth, unitUrl, trends));
export const quote = ({ quote: made, job, workshop }: Of<'quote-pdf'>): Promise<Uint8Array> =>
  pdf(quotePdf(made, job, workshop));
export const invoice = (task: Of<'invoice-pdf'>): Promise<Uint8Array> => pdf(invoicePdf(task.invoice));
export const labels = async (task: Of<'labels-pdf'>): Promise<Uint8Array> => pdf(await labelsPdf(task.labels));
