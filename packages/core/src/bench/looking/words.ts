import type { Sayings } from '../registry/shapes.ts';

/** What these events said, in words: it can be put right. */
export const lookingSayings = {
  looked: (sheet, { look, title }) => ({ what: 'look', title: sheet.looks[look]?.title ?? look, words: title }),
} satisfies Sayings;
