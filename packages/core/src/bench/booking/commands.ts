import type { BookingPayloads } from './events.ts';

/** What is asked for at the counter. */
export type BookingCommand =
  | ({ readonly type: 'book' } & BookingPayloads['job-booked'])
  /** Takes more of the unit into the job than was booked, with a yes. */
  | { readonly type: 'widen-scope'; readonly scope: string; readonly says: string }
  /** Promises another day, once whoever waits for it has said yes. */
  | { readonly type: 'move-promise'; readonly promise: string; readonly says: string };
