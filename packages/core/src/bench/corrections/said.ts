import type { Correctable } from './events.ts';
/** What an event said that can be put right: what it is about, and what was said, in words. */
export interface Said {
  readonly what: Correctable;
  readonly title: string;
  readonly words: string;
}
