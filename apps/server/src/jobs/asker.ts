import type { BenchState, Command, CommandEnvelope } from '@jubb/core/bench';
import type { Person } from '../auth/person.entity.ts';

/** Who asks, when and from where. */
export interface Asker {
  readonly person: Pick<Person, 'id' | 'name' | 'initials'>;
  /** By the server's clock. */
  readonly at: Date;
  /** What the device's clock showed, ISO 8601; for what a device gave. */
  readonly deviceAt?: string;
  /** When it came here, ISO 8601; for what was given without a line. */
  readonly receivedAt?: string;
  readonly device: string;
}

/** An event is never earlier than the one before it, unless that one is this far ahead of the clock: then that one is wrong. */
const AHEAD_MS = 300_000;
/** A command of somebody for a job, with its time as the log takes it. */
export const envelopeOf = (state: BenchState, id: string, command: Command, asker: Asker): CommandEnvelope => ({
  id,
  job: state.job,
  who: pick(asker.person),
  at: notBefore(state, asker).toISOString(),
  ...(asker.deviceAt === undefined ? {} : { deviceAt: asker.deviceAt }),
  ...(asker.receivedAt === undefined ? {} : { receivedAt: asker.receivedAt }),
  device: asker.device,
  command,
});

/** Times of a log never run backwards, but from one that is itself ahead of the clock. */
function notBefore(state: BenchState, { at, receivedAt }: Asker): Date {
  const last = state.history ? new Date(state.history.event.at) : at;
  const now = receivedAt === undefined ? at : new Date(receivedAt);
  return last > at && last.getTime() <= now.getTime() + AHEAD_MS ? last : at;
}

const pick = (p: Asker['person']): Asker['person'] => ({ id: p.id, name: p.name, initials: p.initials });
