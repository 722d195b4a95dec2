import type { Minute } from '@jubb/core/planning';
import { TZDate } from '@date-fns/tz';
import { scaleLinear } from 'd3';

export interface AxisDay {
  readonly name: string;
  readonly from: Minute;
  readonly to: Minute;
  readonly x: number;
  readonly width: number;
  /** Full hours with their places. */
  readonly hours: readonly { readonly label: string; readonly x: number }[];
}
export interface WeekAxis {
  readonly days: readonly AxisDay[];
  /** Where a moment stands; a closed one at the edge of the day beside it. */
  readonly x: (at: Minute) => number;
  /** The moment at a place. */
  readonly at: (x: number) => Minute;
}

const MS = 60_000;

/**
 * The days of a plan side by side without their nights: each from its first opening to its last closing.
 * @param open spans of the workshop's hours, in order
 * @param width of the whole drawing, in its own units
 */
export function weekAxis(
  open: readonly (readonly [Minute, Minute])[],
  from: Minute,
  count: number,
  zone: string,
  left: number,
  width: number,
): WeekAxis {
  const days: { name: string; from: Minute; to: Minute }[] = [];
  for (const [a, b] of open) {
    if (b <= from) continue;
    const name = dayOf(a, zone);
    const last = days.at(-1);
    if (last?.name === name) last.to = b;
    else if (days.length === count) break;
    else days.push({ name, from: a, to: b });
  }
  // Of today only what is still to come, and the hour that it is in.
  const today = days[0];
  if (today) today.from = Math.max(today.from, Math.min(Math.floor((from - 30) / 60) * 60, today.to - 120));
  const sum = days.reduce((s, d) => s + d.to - d.from, 0) || 1;
  let at = left;
  const made = days.map((d): AxisDay => {
    const wide = (width * (d.to - d.from)) / sum;
    const scale = scaleLinear()
      .domain([d.from, d.to])
      .range([at, at + wide]);
    const every = wide / ((d.to - d.from) / 60) < 30 ? 120 : 60;
    const hours: { label: string; x: number }[] = [];
    for (let t = Math.ceil(d.from / 60) * 60; t < d.to; t += 60) {
      const hour = new TZDate(t * MS, zone).getHours();
      if (hour % (every / 60) === 0 && t > d.from) hours.push({ label: String(hour), x: scale(t) });
    }
    at += wide;
    return { ...d, x: at - wide, width: wide, hours };
  });
  return {
    days: made,
    x: (t) => {
      const day = made.find((d) => t < d.to) ?? made.at(-1);
      if (!day) return left;
      return day.x + (day.width * Math.min(1, Math.max(0, (t - day.from) / (day.to - day.from)))); // prettier-ignore
    },
    at: (x) => {
      const day = made.find((d) => x < d.x + d.width) ?? made.at(-1);
      if (!day) return from;
      return Math.round(day.from + (day.to - day.from) * Math.min(1, Math.max(0, (x - day.x) / day.width)));
    },
  };
}

/** The day of a moment in a time zone, as "Tue 24". */
export function dayOf(at: Minute, zone: string): string {
  return new Intl.DateTimeFormat('en-GB', { timeZone: zone, weekday: 'short', day: 'numeric' }).format(at * MS);
}
