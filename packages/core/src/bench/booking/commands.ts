import type { BookingPayloads } from './events.ts';

/** What is asked for at the counter. */
export type BookingCommand =
  | ({ readonly type: 'book' } & BookingPayloads['job-booked'])
  /** Promises another day, once whoever waits for it has said yes. */
  | { readonly type: 'move-promise'; readonly promise: string; readonly says: string };
