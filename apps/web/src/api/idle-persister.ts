import type { PersistedClient, Persister } from '@tanstack/react-query-persist-client';
import { del, get, set } from 'idb-keyval';

const KEY = 'jubb-asked';
/** Written when the browser has nothing better to do, but no later than this after the last change. */
const SETTLE_MS = 300;
const LATEST_MS = 1000;

const whenIdle = (act: () => void): void => {
  if ('requestIdleCallback' in window) window.requestIdleCallback(act, { timeout: LATEST_MS });
  else setTimeout(act, 0);
};

/**
 * Keeps what was asked for in IndexedDB, as it is, in idle moments: opening a screen never waits for the copy of another.
 */
export function idlePersister(): Persister {
  let newest: PersistedClient | undefined;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const write = (): void => {
    timer = undefined;
    whenIdle(() => {
      if (newest) void set(KEY, newest);
      newest = undefined;
    });
  };
  return {
    persistClient: (client) => {
      newest = client;
      timer ??= setTimeout(write, SETTLE_MS);
    },
    restoreClient: () => get<PersistedClient>(KEY),
    removeClient: () => del(KEY),
  };
}
