import { TZDate } from '@date-fns/tz';
import { addBusinessDays, isWeekend, nextMonday, set } from 'date-fns';

const DAY_MINUTES = 1440;
/** The demo's shop is open from eight to five on weekdays; nothing is promised for the first hour or the last. */
const FIRST_HOUR = 9;
const LAST_HOUR = 16;

/**
 * When a unit of the demo is promised, so that whatever the clock says its week looks like one begun on a working morning:
 * on a weekday, at a full hour while the shop is open.
 * @param minutes from now: its whole days are counted in working days, what is over them in hours of that day
 * @param zone of the shop, as "Europe/London"
 */
export function demoDeliveryDate(now: Date, minutes: number, zone: string): Date {
  const there = TZDate.tz(zone, now);
  const begun = isWeekend(there)
    ? set(nextMonday(there), { hours: FIRST_HOUR })
    : there.getHours() >= LAST_HOUR
      ? set(addBusinessDays(there, 1), { hours: FIRST_HOUR })
      : there;
  const day = addBusinessDays(begun, Math.trunc(minutes / DAY_MINUTES));
  const hours = begun.getHours() + Math.round((minutes % DAY_MINUTES) / 60);
  const open = Math.min(Math.max(hours, FIRST_HOUR), LAST_HOUR);
  return new Date(set(day, { hours: open, minutes: 0, seconds: 0, milliseconds: 0 }).getTime());
}
