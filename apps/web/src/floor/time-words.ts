import { differenceInCalendarDays, format, isSameDay } from 'date-fns';

/** "Thu 14:00", or "Today 16:00". */
export function promiseWords(iso: string, now: Date): string {
  const at = new Date(iso);
  if (isSameDay(at, now)) return `Today ${format(at, 'HH:mm')}`;
  const days = differenceInCalendarDays(at, now);
  return days > 0 && days < 7 ? format(at, 'EEE HH:mm') : format(at, 'd MMM HH:mm');
}

/** Time in hand once the work that is left is taken off: "1 day in hand", "40 min late". */
export function slackWords(iso: string, minutesLeft: number, now: Date): { words: string; late: boolean } {
  const minutes = Math.round((new Date(iso).getTime() - now.getTime()) / 60_000) - minutesLeft;
  const size = Math.abs(minutes);
  const words =
    size >= 2 * 1440
      ? `${Math.floor(size / 1440)} days`
      : size >= 1440
        ? '1 day'
        : size >= 60
          ? `${Math.floor(size / 60)} h`
          : `${size} min`;
  return { words: `${words} ${minutes < 0 ? 'late' : 'in hand'}`, late: minutes < 0 };
}

export function handsWords(minutes: number): string {
  return minutes >= 60 ? `${Math.floor(minutes / 60)} h ${minutes % 60} min` : `${minutes} min`;
}
