import 'reflect-metadata';
import { createAsyncStoragePersister } from '@tanstack/query-async-storage-persister';
import { QueryClient } from '@tanstack/react-query';
import { PersistQueryClientProvider } from '@tanstack/react-query-persist-client';
import { del, get, set } from 'idb-keyval';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { App } from './app.tsx';
import { outbox } from './outbox/use-outbox.ts';
import { connectOutbox } from './bench/job-cache.ts';
import './theme/theme.scss';

/** Asked things are kept in IndexedDB, so that a reload without a network still shows the bench. */
const client = new QueryClient({
  defaultOptions: { queries: { networkMode: 'offlineFirst', gcTime: 7 * 86_400_000, staleTime: 2000, retry: false } },
});
const persister = createAsyncStoragePersister({
  key: 'jubb-asked',
  storage: {
    getItem: async (k) => (await get<string>(k)) ?? null,
    setItem: (k, v) => set(k, v),
    removeItem: (k) => del(k),
  },
  throttleTime: 300,
});
connectOutbox(client);
void outbox.open();
if ('serviceWorker' in navigator && import.meta.env.PROD) void navigator.serviceWorker.register('/sw.js');

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <PersistQueryClientProvider client={client} persistOptions={{ persister, maxAge: 7 * 86_400_000 }}>
      <App />
    </PersistQueryClientProvider>
  </StrictMode>,
);
