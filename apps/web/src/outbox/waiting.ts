import type { Command, Person } from '@jubb/core/bench';
import { newId } from '../api/ids.ts';
import { serverNow } from '../api/server-clock.ts';

/** A command on its way, as it is kept: one record each. */
export interface Waiting {
  readonly id: string;
  readonly job: string;
  /** What the device's clock showed when it was given. */
  readonly at: string;
  /** The same by the server's clock, as far as the device knew it: what the bench here is folded with. */
  readonly atServer: string;
  /** When it was given, by the stopwatch of the page that it was given on; a clock that is put right does not move it. */
  readonly given: { readonly page: string; readonly ms: number };
  readonly device: string;
  readonly command: Command;
  /** Whose hands. It is sent while that person is signed in, and never under another name. */
  readonly giver: Person;
  /** The server refused it, and why: shown until somebody has read it. */
  readonly refused?: string;
  /** The server broke on it again and again, and how: shown, and held back until somebody says what to do. */
  readonly aside?: string;
  /** It lies in this page alone, since the browser could not keep it. */
  readonly unkept?: true;
}

/** This page among all that ever were. */
const page = newId();

/** A command as it is given now. */
export function newWaiting(giver: Person, job: string, device: string, command: Command): Waiting {
  const { id, name, initials } = giver;
  return {
    id: newId(),
    job,
    at: new Date().toISOString(),
    atServer: serverNow().toISOString(),
    given: { page, ms: performance.now() },
    device,
    command,
    giver: { id, name, initials },
  };
}

/** How long ago a command was given, ms: by the stopwatch where this page still runs, else by the device's clock. */
export function ageOf(w: Pick<Waiting, 'given' | 'at'>, now = Date.now()): number {
  const age = w.given.page === page ? performance.now() - w.given.ms : now - Date.parse(w.at);
  return Math.max(0, Math.round(age));
}
