import type { Blocker } from '../ladder/blockers.ts';
import type { NewEvent } from '../log/events.ts';

export type RefusalCode =
  | 'not-booked'
  | 'already-booked'
  | 'closed'
  | 'not-signed'
  | 'same-person'
  | 'unknown-op'
  | 'not-reachable'
  | 'already-done'
  | 'wrong-kind'
  | 'wrong-instrument'
  | 'not-here'
  | 'no-source'
  | 'not-complete'
  | 'wrong-bolt'
  | 'unanswered-pull'
  | 'not-a-choice'
  | 'not-in-drawer'
  | 'wrong-value'
  | 'absurd'
  | 'past-agreed'
  | 'held'
  | 'unknown-hold'
  | 'unknown-command'
  | 'not-the-last'
  | 'parked'
  | 'count-disagrees'
  | 'still-waiting'
  | 'place-taken'
  | 'other-job'
  | 'in-the-way'
  | 'blocked';

/** What is in the way and what would clear it, in words. */
export interface Refusal {
  readonly code: RefusalCode;
  readonly says: string;
  readonly clears: string;
  /** For a sign-off: each thing in the way. */
  readonly blockers?: readonly Blocker[];
}
export type Decision =
  { readonly ok: true; readonly events: readonly NewEvent[] } | { readonly ok: false; readonly refusal: Refusal };

export const accept = (...events: NewEvent[]): Decision => ({ ok: true, events });
export const refuse = (code: RefusalCode, says: string, clears: string, blockers?: readonly Blocker[]): Decision => ({
  ok: false,
  refusal: { code, says, clears, ...(blockers ? { blockers } : {}) },
});
