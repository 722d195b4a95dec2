import type { QuotePayloads } from './events.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const quoteEvolvers: Evolvers<keyof QuotePayloads> = {
  'quote-made': (state, payload, stamp) => ({ quotes: [...state.quotes, { ...payload, ...stamp }] }),
  'quote-answered': (state, payload, stamp) => ({
    quotes: state.quotes.map((q) => (q.version === payload.version ? { ...q, answer: { ...payload, ...stamp } } : q)),
  }),
};
