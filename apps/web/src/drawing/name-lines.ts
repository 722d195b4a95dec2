/** Mean width of a letter of the typeface, by its size. */
const LETTER = 7.9 / 16;
const LARGE = 16;
const SMALL = 14;
/** From one line of a name to the next. */
export const LEADING = 14;

export interface NameLines {
  readonly size: number;
  readonly lines: readonly string[];
}

/**
 * A rung's name in the room that there is, px: large on one line, else small, else on two lines by words. It is never cut:
 * where even that is too narrow, the longest word stands out of the room.
 */
export function nameLines(name: string, room: number): NameLines {
  const fits = (text: string, size: number): boolean => text.length * LETTER * size <= room;
  if (fits(name, LARGE)) return { size: LARGE, lines: [name] };
  if (fits(name, SMALL)) return { size: SMALL, lines: [name] };
  const words = name.split(' ');
  const splits = words.slice(1).map((_, i) => [words.slice(0, i + 1).join(' '), words.slice(i + 1).join(' ')]);
  // The split whose longer line is the shortest.
  const [best] = splits.sort((a, b) => longest(a) - longest(b));
  return { size: SMALL, lines: best ?? [name] };
}
const longest = (lines: readonly string[]): number => Math.max(...lines.map((l) => l.length));
