import type { BookingPayloads } from './events.ts';

/** What is asked for at the counter. */
export type BookingCommand =
  | ({ readonly type: 'book'; readonly deliveryDate: string | null } & Omit<BookingPayloads['job-booked'], 'promise'>)
  /** Takes more of the unit into the job than was booked, with a yes. */
  | { readonly type: 'widen-scope'; readonly scope: string; readonly says: string }
  /** Moves the delivery date, once whoever waits for it has said yes. */
  | { readonly type: 'move-delivery-date'; readonly deliveryDate: string; readonly says: string };
