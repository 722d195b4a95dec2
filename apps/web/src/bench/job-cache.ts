import type { JobView } from '@jubb/contract';
import type { LoggedEvent } from '@jubb/core/bench';
import type { QueryClient } from '@tanstack/react-query';
import { outbox } from '../outbox/use-outbox.ts';

/** Adds events to those kept, each once, in order; stops at a gap, which the next fetch fills. */
export function mergeEvents(kept: readonly LoggedEvent[], more: readonly LoggedEvent[]): readonly LoggedEvent[] {
  const out = [...kept];
  for (const e of [...more].sort((a, b) => a.seq - b.seq)) if (e.seq === (out.at(-1)?.seq ?? 0) + 1) out.push(e);
  return out;
}

/** Lets the outbox put the server's answers into what is kept of a job. */
export function connectOutbox(client: QueryClient): void {
  outbox.seenOf = (job) => client.getQueryData<JobView>(['job', job])?.events.at(-1)?.seq ?? 0;
  outbox.onEvents = (job, events) => {
    client.setQueryData<JobView>(['job', job], (kept) =>
      kept ? { ...kept, events: mergeEvents(kept.events, events) } : kept,
    );
    if (events.some((e) => e.type === 'pack-fitted' || e.type === 'signed-off'))
      void client.invalidateQueries({ queryKey: ['job', job] });
    void client.invalidateQueries({ queryKey: ['floor'] });
  };
}
