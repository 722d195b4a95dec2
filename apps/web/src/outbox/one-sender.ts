import { newId } from '../api/ids.ts';
import type { Store } from './store.ts';

/** Runs `act` while no other tab of this browser does; false when another one is at it and will do it. */
export type OneSender = (act: () => Promise<void>) => Promise<boolean>;

const NAME = 'jubb-outbox-sender';
/** Longer than the longest send: a tab that was closed in the middle of one lets go by itself. */
const LEASE_MS = 15_000;

/**
 * One sender among the tabs of a browser: by a lock of the browser's own (Web Locks), or, where it has none because the
 * page did not come by https, by a lease in the store. Should both fail two tabs may send the same: the server takes it once.
 */
export function oneSender(store: Pick<Store, 'lease'>): OneSender {
  const locks = typeof navigator === 'undefined' ? undefined : (navigator.locks as LockManager | undefined);
  if (locks)
    return async (act) => {
      // In turn, not only if it is free: what this tab was given meanwhile is sent as soon as the other is done.
      await locks.request(NAME, act);
      return true;
    };
  const tab = newId();
  return async (act) => {
    const now = Date.now();
    const mine = await store.lease(tab, now + LEASE_MS, now).catch(() => true);
    if (!mine) return false;
    const timer = setInterval(() => {
      const later = Date.now();
      // Kept while it sends; without a store there is nothing to keep, and nobody to share with.
      store.lease(tab, later + LEASE_MS, later).catch(() => undefined);
    }, LEASE_MS / 3);
    try {
      await act();
    } finally {
      clearInterval(timer);
      await store.lease(tab, 0, Date.now()).catch(() => undefined);
    }
    return true;
  };
}
