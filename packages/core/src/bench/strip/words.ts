import { partTitle } from '../ladder/words.ts';
import type { Sayings } from '../registry/shapes.ts';

/** What these events said, in words: it can be put right. */
export const stripSayings = {
  'parts-off': (sheet, { parts }) => ({
    what: 'count',
    title: parts.map((p) => partTitle(sheet, p.part)).join(', '),
    words: parts.map((p) => p.count).join(', '),
  }),
} satisfies Sayings;
