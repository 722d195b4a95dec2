import type { JobEvent } from '../log/events.ts';

/**
 * How each event of a log is to be read: as it is; as a later correction puts it; or not at all, where its command was taken
 * back or it was said by mistake. A correction that is itself taken back counts no more; of several the newest stands.
 */
export function asItStands(events: readonly JobEvent[]): (event: JobEvent) => JobEvent | undefined {
  const gone = new Set<number>();
  for (const e of events) if (e.type === 'taken-back') for (const seq of e.payload.events) gone.add(seq);
  const changed = new Map<number, object | null>();
  for (const e of events)
    if (e.type === 'corrected' && !gone.has(e.seq))
      for (const { seq, payload } of e.payload.changes) changed.set(seq, payload);
  return (event) => {
    if (event.type === 'taken-back' || gone.has(event.seq)) return undefined;
    const payload = changed.get(event.seq);
    if (payload === undefined) return event;
    // The payload is of the event's own type: it was decided as one.
    return payload === null ? undefined : ({ ...event, payload } as JobEvent);
  };
}
