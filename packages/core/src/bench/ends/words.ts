import type { EndKind } from './events.ts';

/** An end as it is chosen. */
export const END_TITLES: Readonly<Record<EndKind, string>> = {
  'returned-built': 'Returned as it is, built up to carry',
  'returned-boxed': 'Returned as it is, in its box',
  scrapped: 'Scrapped',
  cancelled: 'Cancelled, nothing was taken apart',
  'comeback-refused': 'Comeback refused',
};
/** An end as a step of its own short ladder. */
export const END_STEPS: Readonly<Record<EndKind, string>> = {
  'returned-built': 'Back, built up',
  'returned-boxed': 'Back, in its box',
  scrapped: 'To scrap',
  cancelled: 'Back as it came',
  'comeback-refused': 'Back, refused',
};
/** What is signed at the end of it. */
export const END_STATEMENTS: Readonly<Record<EndKind, string>> = {
  'returned-built': 'Not repaired. Built up to carry, and tagged: not for use. Every aid is out.',
  'returned-boxed': 'Not repaired. Counted into its box, and tagged: not for use. Every aid is out.',
  scrapped: 'Scrapped as agreed: made safe, drained, and what was to be kept is put aside.',
  cancelled: 'Cancelled: whole, as it came in. Every aid is out.',
  'comeback-refused': 'Not repaired: it does not come under what was done before. Every aid is out.',
};
