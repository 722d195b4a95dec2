import type { Sayings } from '../registry/shapes.ts';

/** What these events said, in words: it can be put right. */
export const identifySayings = {
  identified: (_sheet, { ask, answer }) => ({ what: 'answer', title: ask, words: answer }),
} satisfies Sayings;
