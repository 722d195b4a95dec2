import type { Sayings } from '../registry/shapes.ts';

/** What these events said, in words: it can be put right. */
export const notesSayings = {
  noted: (_sheet, { text }) => ({ what: 'note', title: 'Note', words: text }),
} satisfies Sayings;
