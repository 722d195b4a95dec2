export {
  creditLines,
  creditSums,
  draftInvoice,
  invoiceLineKinds,
  invoiceLineProblem,
  invoiceNotYet,
  invoiceStanding,
  invoiceStates,
  invoiceSums,
  type InvoiceDraft,
  type InvoiceLine,
  type InvoiceLineKind,
  type InvoiceStanding,
  type InvoiceState,
  type InvoiceSums,
} from './invoice.ts';
export { invoiceColumns, invoicesCsv, type InvoiceRowFacts } from './invoice-csv.ts';
