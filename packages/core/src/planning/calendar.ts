import { TZDate } from '@date-fns/tz';
import { refuse } from './plan-error.ts';
import type { Minute, WorkCalendar } from './types.ts';

/** Opening hours of the days of a week, Monday first: spans of hours of the day, as ["08:00", "12:00"]. */
export type WeekHours = readonly (readonly (readonly [from: string, to: string])[])[];

const MS = 60_000;
const CLOCK = /^([01]\d|2[0-3]):([0-5]\d)$|^24:00$/;

function clock(words: string, field: string): readonly [number, number] {
  if (!CLOCK.test(words))
    refuse('bad-clock', field, words, 'HH:MM from 00:00 to 24:00', `${field}: "${words}" is no time of day`);
  return [Number(words.slice(0, 2)), Number(words.slice(3))];
}

/**
 * Opening spans of so many days from a moment on, in a time zone: a day of a clock change is as long as it really is.
 * @param daysOff ISO dates on which nobody works
 * @throws PlanError for hours that overlap or run backwards, or a zone that is unknown
 */
export function workCalendar(
  id: string,
  hours: WeekHours,
  zone: string,
  from: Minute,
  days: number,
  daysOff: ReadonlySet<string> = new Set(),
): WorkCalendar {
  if (hours.length !== 7) refuse('bad-week', 'hours', hours.length, 'seven days', 'a week has seven days');
  const first = new TZDate(from * MS, zone);
  if (Number.isNaN(first.getTime()))
    refuse('unknown-zone', 'zone', zone, 'a time zone such as Europe/London', `"${zone}" is no time zone`);
  const week = hours.map((spans, day) => {
    let last = -1;
    return spans.map(([a, b], i) => {
      const field = `hours[${day}][${i}]`;
      const [start, end] = [clock(a, field), clock(b, field)];
      const [s, e] = [start[0] * 60 + start[1], end[0] * 60 + end[1]];
      if (s < last || e <= s)
        refuse(
          'bad-hours',
          field,
          `${a} to ${b}`,
          'spans in order, each ending after it begins',
          `${field}: ${a} to ${b} does not follow on`,
        );
      last = e;
      return [start, end] as const;
    });
  });
  const [y, m, d] = [first.getFullYear(), first.getMonth(), first.getDate()];
  const open: (readonly [Minute, Minute])[] = [];
  const midnight = (i: number): TZDate => new TZDate(y, m, d + i, zone);
  let next = midnight(0);
  for (let i = 0; i < days; i += 1) {
    const day = next;
    next = midnight(i + 1);
    const name = `${day.getFullYear()}-${String(day.getMonth() + 1).padStart(2, '0')}-${String(day.getDate()).padStart(2, '0')}`;
    if (daysOff.has(name)) continue;
    const from0 = Math.round(day.getTime() / MS);
    // Only a day on which the clocks change has to be asked for its hours one by one.
    const plain = Math.round(next.getTime() / MS) - from0 === 24 * 60;
    const at = (h: number, min: number): Minute =>
      plain ? from0 + h * 60 + min : Math.round(new TZDate(y, m, d + i, h, min, zone).getTime() / MS);
    for (const [[sh, sm], [eh, em]] of week[(day.getDay() + 6) % 7]!) {
      const [start, end] = [at(sh, sm), at(eh, em)];
      if (end > start) open.push([start, end]);
    }
  }
  return { id, open };
}

/** A calendar with some hours added: overtime, a helper for an hour. Spans that touch become one. */
export function withHours(calendar: WorkCalendar, more: readonly (readonly [Minute, Minute])[]): WorkCalendar {
  const open: [Minute, Minute][] = [];
  for (const [from, to] of [...calendar.open, ...more].sort((a, b) => a[0] - b[0])) {
    const last = open.at(-1);
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else open.push([from, to]);
  }
  return { id: calendar.id, open };
}

/** Open minutes between two moments. */
export function openMinutes(open: WorkCalendar['open'], from: Minute, to: Minute): number {
  let sum = 0;
  for (const [a, b] of open) {
    if (a >= to) break;
    sum += Math.max(0, Math.min(b, to) - Math.max(a, from));
  }
  return sum;
}
