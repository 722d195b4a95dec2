import { partTitle } from '../ladder/words.ts';
import type { Sayings } from '../registry/shapes.ts';

/** What these events said, in words: it can be put right. */
export const judgingSayings = {
  'finding-made': (sheet, { part, finding, reason }) => ({
    what: 'finding',
    title: partTitle(sheet, part),
    words: `${finding}: ${reason}`,
  }),
} satisfies Sayings;
