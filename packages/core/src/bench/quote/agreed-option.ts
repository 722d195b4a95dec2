import type { EventType } from '../log/events.ts';
import type { BenchState } from '../log/state.ts';
import { quoteInForce } from './money.ts';
import type { QuoteOption } from './events.ts';

/** What makes a quote out of date: a finding, or a rung that the sheet does not have. */
const MAKES_STALE: ReadonlySet<EventType> = new Set(['finding-made', 'own-added']);

/** Does the newest quote still know all that was found? False when there is none. */
export function quoteStands(state: BenchState): boolean {
  const quote = quoteInForce(state);
  if (!quote) return false;
  for (let h = state.history; h && h.event.seq > quote.seq; h = h.before)
    if (MAKES_STALE.has(h.event.type) || (h.event.type === 'corrected' && h.event.payload.what === 'finding'))
      return false;
  return true;
}

/**
 * The way out that was agreed to, or is advised while nobody has answered, as long as the quote stands and the job has not
 * ended otherwise.
 */
export function agreedOption(state: BenchState): QuoteOption | undefined {
  if (state.end) return undefined;
  const quote = quoteInForce(state);
  if (!quote || quote.answer?.answer === 'no' || !quoteStands(state)) return undefined;
  return quote.options.find((o) => o.id === (quote.answer?.option ?? quote.advised));
}
