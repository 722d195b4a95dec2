import type { Sayings } from '../registry/shapes.ts';

/** What these events said, in words: it can be put right. */
export const bookingSayings = {
  'job-booked': (_sheet, { unit, customer }) => ({
    what: 'booking',
    title: 'Booking',
    words: `${unit.serial}, ${customer.name}`,
  }),
} satisfies Sayings;
