import type { IdentifyPayloads } from '../identify/events.ts';

/** What booking a unit in, and promising it, leaves in the log. */
export interface BookingPayloads {
  'job-booked': {
    readonly number: number;
    readonly customer: { readonly id: string; readonly name: string };
    readonly unit: { readonly id: string; readonly serial: string; readonly model: string };
    readonly sheet: { readonly id: string; readonly revision: number; readonly title: string; readonly hash: string };
    readonly complaint: string;
    /** The delivery date: signed logs call it so. */
    readonly promise: string | null;
    readonly spendLimitMinor: number | null;
    readonly variant: string | null;
    readonly identified: readonly ({ readonly ask: string; readonly answer: string } & Partial<
      Omit<IdentifyPayloads['identified'], 'ask' | 'answer' | 'op'>
    >)[];
    readonly earlierVisits: number;
    /** How much of the unit the job is about, by its sheet; all of it where nothing is said. */
    readonly scope?: string;
    /** The unit's last visit that was over: where its log ended, and when it left. */
    readonly cameFrom?: {
      readonly job: string;
      readonly number: number;
      readonly head: string;
      readonly handedOver: string;
    };
    /** Was it opened before, by what signs, and why is it back? */
    readonly opened?: {
      readonly answer: 'yes' | 'no' | 'unknown';
      readonly signs: readonly string[];
      readonly why?: string;
    };
  };
  /** More of the unit was agreed on than was booked: down to where, what it was before, and who said so. */
  'scope-widened': { readonly scope: string; readonly from: string; readonly says: string };
  /** Another day was agreed on: ISO 8601, and who said so. */
  'promise-moved': { readonly promise: string; readonly says: string };
}
