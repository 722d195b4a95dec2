import { partTitle } from '../ladder/words.ts';
import type { Sayings } from '../registry/shapes.ts';

/** What these events said, in words: it can be put right. */
export const countingSayings = {
  counted: (sheet, { part, count }) => ({ what: 'count', title: partTitle(sheet, part), words: String(count) }),
} satisfies Sayings;
