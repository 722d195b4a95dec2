import type { Sheet } from '../../sheet/index.ts';
import { hoursMinor, quoteInForce, taxMinor, withTax, type BillSettings } from './money.ts';
import { ladderOf } from '../ladder/moves.ts';
import { goesBackNew } from '../fitting/renewal.ts';
import type { EventType } from '../log/events.ts';
import type { QuoteOption } from './events.ts';
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
  const lines = Object.values(state.partLines).filter((l) => l.status !== 'cancelled');
  const ordered = lines.reduce((sum, l) => sum + (l.priceMinor ?? 0) * l.count, 0);
  const agreed = state.end ? undefined : agreedOption(state);
  if (agreed) {
    const work = agreed.lines.filter((l) => l.kind === 'hours').reduce((sum, l) => sum + l.sumMinor, 0);
    const quoted = agreed.netMinor - work;
    const past = Math.max(0, ordered - quoted);
    return {
      partsMinor: quoted + past,
      hoursMinor: work,
      minutes: agreed.minutes,
      taxMinor: agreed.taxMinor + taxMinor(past, money.taxPercent),
      basis: 'quote',
      totalMinor: agreed.totalMinor + withTax(past, money.taxPercent),
    };
  }
  const covered = new Set(lines.flatMap((l) => l.parts));
  const needed = Object.values(sheet.parts)
    .filter(
      (p) => !covered.has(p.id) && (state.end ? state.renewed[p.id] !== undefined : goesBackNew(sheet, state, p.id)),
    )
    .reduce((sum, p) => sum + (money.pricing?.prices[p.order ?? ''] ?? p.priceMinor ?? 0) * p.count, 0);
  const bySheet = ladderOf(sheet, state).all.reduce((sum, s) => sum + s.minutes, 0);
  const minutes = Math.round(bySheet * (money.pricing?.timeFactor ?? 1));
  const partsMinor = ordered + needed;
  const hours = hoursMinor(minutes, money.rateMinor);
  return {
    partsMinor,
    hoursMinor: hours,
    minutes,
    taxMinor: taxMinor(partsMinor + hours, money.taxPercent),
    basis: state.end ? 'end' : 'now',
    totalMinor: withTax(partsMinor + hours, money.taxPercent),
  };
}

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

/** The way out that was agreed to, or is advised while nobody has answered, as long as the quote stands. */
function agreedOption(state: BenchState): QuoteOption | undefined {
  const quote = quoteInForce(state);
  if (!quote || quote.answer?.answer === 'no' || !quoteStands(state)) return undefined;
  return quote.options.find((o) => o.id === (quote.answer?.option ?? quote.advised));
}
