import type { WeekHours } from '@jubb/core/planning';

type Spans = WeekHours[number];

/** The hours of a day in words that can be typed: "08:00 to 12:00, 12:30 to 17:00". */
export const spansWords = (spans: Spans): string => spans.map(([from, to]) => `${from} to ${to}`).join(', ');

/** Hours of a day as they are typed: "8 to 12, 12:30-17"; nothing is closed. Undefined when they cannot be read. */
export function spansOf(words: string): Spans | undefined {
  const out: [string, string][] = [];
  for (const piece of words
    .split(',')
    .map((w) => w.trim())
    .filter((w) => w !== '')) {
    const read = /^(\d{1,2})(?::?(\d{2}))?\s*(?:to|-|–)\s*(\d{1,2})(?::?(\d{2}))?$/.exec(piece);
    if (!read) return undefined;
    const clock = (h: string, m: string | undefined): string => `${h.padStart(2, '0')}:${m ?? '00'}`;
    out.push([clock(read[1]!, read[2]), clock(read[3]!, read[4])]);
  }
  return out;
}
