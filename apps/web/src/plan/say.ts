import type { Minute, Say } from '@jubb/core/planning';

const MS = 60_000;

/** Says a moment as a workshop in a time zone does: "Thu 15:00". */
export function sayIn(zone: string): Say {
  const words = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    weekday: 'short',
    hour: '2-digit',
    minute: '2-digit',
  });
  return (at: Minute) => (Number.isFinite(at) ? words.format(at * MS).replace(',', '') : 'never');
}

/** A stretch of time in words: "3 h", "40 min", "2 days". */
export function spanWords(minutes: number): string {
  const m = Math.round(minutes);
  if (m < 90) return `${m} min`;
  if (m < 2880) return `${Math.round(m / 60)} h`;
  return `${Math.round(m / 1440)} days`;
}
