import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import canonicalize from 'canonicalize';
import type { JobEvent, LoggedEvent } from './events.ts';

/** Canonical JSON, RFC 8785: the same bytes for the same value, wherever it is written. */
export function canonicalJson(value: unknown): string {
  const text = canonicalize(value);
  if (text === undefined) throw new Error('nothing to write as canonical JSON');
  return text;
}

/** sha256 of a text, as lower-case hex. */
export function sha256Hex(text: string): string {
  return bytesToHex(sha256(utf8ToBytes(text)));
}

/** The hash before the first event: of the job's id. */
export function firstHash(job: string): string {
  return sha256Hex(`jubb job ${job}`);
}

/** hash = sha256(hash before + canonical JSON of the event). */
export function chainHash(before: string, event: JobEvent, hashOf = sha256Hex): string {
  return hashOf(before + canonicalJson(event));
}

/**
 * Adds hashes to events that follow `head`.
 * @param hashOf sha256 of a text as lower-case hex, where the platform has a quicker one
 */
export function chain(head: string, events: readonly JobEvent[], hashOf = sha256Hex): LoggedEvent[] {
  let before = head;
  return events.map((event) => {
    before = chainHash(before, event, hashOf);
    return { ...event, hash: before };
  });
}

export type ChainCheck =
  | { readonly whole: true; readonly head: string }
  | { readonly whole: false; readonly firstBad: number; readonly why: string };

/** Checks that each event follows the one before and carries the right hash; names the first that does not. */
export function checkChain(job: string, events: readonly LoggedEvent[]): ChainCheck {
  let before = firstHash(job);
  for (const [i, logged] of events.entries()) {
    const { hash, ...event } = logged;
    const place = i + 1;
    if (event.seq !== place)
      return { whole: false, firstBad: place, why: `event ${place} carries number ${event.seq}` };
    if (event.job !== job) return { whole: false, firstBad: place, why: `event ${place} belongs to another job` };
    const expected = chainHash(before, event);
    if (expected !== hash)
      return { whole: false, firstBad: place, why: `event ${place} was changed after it was written` };
    before = hash;
  }
  return { whole: true, head: before };
}
