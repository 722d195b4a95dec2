import type { QuotePayloads } from './events.ts';

/** What makes a quote and answers it. */
export type QuoteCommand =
  | ({ readonly type: 'make-quote' } & Omit<QuotePayloads['quote-made'], 'version'>)
  | ({ readonly type: 'answer-quote' } & QuotePayloads['quote-answered']);
