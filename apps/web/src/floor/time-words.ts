import type { Slack } from '@jubb/core/planning';
import { differenceInCalendarDays, format, isSameDay } from 'date-fns';

/** "Thu 14:00", or "Today 16:00". */
export function deliveryWords(iso: string, now: Date): string {
  const at = new Date(iso);
  if (isSameDay(at, now)) return `Today ${format(at, 'HH:mm')}`;
  const days = differenceInCalendarDays(at, now);
  return days > 0 && days < 7 ? format(at, 'EEE HH:mm') : format(at, 'd MMM HH:mm');
}

/** Open minutes of a usual day: more than one is told in working days. */
const DAY = 8 * 60;

/** Time in hand before the promise, in open hours: "4 h in hand", "2 working days late", and whether the plan has it. */
export function inHandWords({ minutes, planned }: Omit<Slack, 'latest'>): {
  readonly words: string;
  readonly late: boolean;
} {
  const size = Math.abs(Math.round(minutes));
  const days = Math.floor(size / DAY);
  const span =
    size >= 2 * DAY
      ? `${days} working days`
      : size >= DAY
        ? '1 working day'
        : size >= 60
          ? `${Math.floor(size / 60)} h`
          : `${size} min`;
  const late = minutes < 0;
  return { words: `${span} ${late ? 'late' : 'in hand'}${planned ? '' : ', not planned'}`, late };
}

export function handsWords(minutes: number): string {
  return minutes >= 60 ? `${Math.floor(minutes / 60)} h ${minutes % 60} min` : `${minutes} min`;
}
