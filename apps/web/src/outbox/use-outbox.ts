import { useSyncExternalStore } from 'react';
import { Outbox, type Waiting } from './outbox.ts';

/** The one outbox of this browser. */
export const outbox = new Outbox();

export function useWaiting(): readonly Waiting[] {
  return useSyncExternalStore(outbox.subscribe, outbox.snapshot);
}
