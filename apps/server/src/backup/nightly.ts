import { TZDate } from '@date-fns/tz';
import { addDays, set } from 'date-fns';

/**
 * The last moment at which a nightly backup was due.
 * @param at time of day, as "02:00"
 * @param zone the shop's, as "Europe/London"; where the clock leaps over the time, it is due when the clock is past it
 */
export function lastDue(at: string, zone: string, now: Date): Date {
  const [hours, minutes] = at.split(':').map(Number) as [number, number];
  const today = new TZDate(now, zone);
  const due = set(today, { hours, minutes, seconds: 0, milliseconds: 0 });
  return new Date((due.getTime() <= now.getTime() ? due : addDays(due, -1)).getTime());
}

/** Is one due: since the last moment none was tried, and it was asked for before that? A machine that was off at night takes it when it is on. */
export const nightIsDue = (due: Date, lastTried: Date | null, askedSince: Date): boolean =>
  askedSince <= due && (lastTried === null || lastTried < due);

/** Nightly ones that are thrown away: all but the newest. */
export const beyond = <T extends { readonly askedAt: Date }>(nights: readonly T[], kept: number): T[] =>
  [...nights].sort((a, b) => b.askedAt.getTime() - a.askedAt.getTime()).slice(kept);
