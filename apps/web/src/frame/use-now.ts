import { useEffect, useState } from 'react';
import { serverNow } from '../api/server-clock.ts';

/** The time by the server's clock, told anew every `everyMs` while the screen shows it. */
export function useNow(everyMs = 1000): Date {
  const [now, setNow] = useState(() => serverNow());
  useEffect(() => {
    const timer = setInterval(() => setNow(serverNow()), everyMs);
    return () => clearInterval(timer);
  }, [everyMs]);
  return now;
}

/** "12:40", or "1:05:00" past an hour; "done" once it has run. */
export function clockLeft(due: string, now: Date): string {
  const seconds = Math.ceil((new Date(due).getTime() - now.getTime()) / 1000);
  if (seconds <= 0) return 'done';
  const [h, m, s] = [Math.floor(seconds / 3600), Math.floor((seconds % 3600) / 60), seconds % 60];
  const two = (n: number): string => String(n).padStart(2, '0');
  return h > 0 ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`;
}
