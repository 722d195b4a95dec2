import { spanAt, type CompiledCalendar } from './compiled.ts';
import type { Minute } from './types.ts';

/** When so many open minutes after a moment are over; Infinity when the calendar ends first. */
export function openEnd(c: CompiledCalendar, from: Minute, minutes: number, at = spanAt(c, from)): Minute {
  let left = minutes;
  for (let i = at; i < c.to.length; i += 1) {
    const begin = Math.max(from, c.from[i]!);
    const room = c.to[i]! - begin;
    if (left <= room) return begin + left;
    left -= room;
  }
  return Infinity;
}

/** May work begin at a moment: it is open, and stays so for as long as it takes unless it pauses. */
export function startsOpen(c: CompiledCalendar, at: Minute, minutes: number, pauses: boolean): boolean {
  const i = spanAt(c, at);
  return i < c.to.length && c.from[i]! <= at && (pauses || at + minutes <= c.to[i]!);
}
