import 'reflect-metadata';
import { PersistQueryClientProvider } from '@tanstack/react-query-persist-client';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { idlePersister } from './api/idle-persister.ts';
import { makeQueryClient } from './api/query-client.ts';
import { App } from './app.tsx';
import { outbox } from './outbox/use-outbox.ts';
import { connectOutbox } from './bench/job-cache.ts';
import { keptTheme, putTheme } from './frame/theme.ts';
import './theme/theme.scss';

putTheme(keptTheme());

const client = makeQueryClient();
const persister = idlePersister();
connectOutbox(client);
void outbox.open();
if ('serviceWorker' in navigator && import.meta.env.PROD) void navigator.serviceWorker.register('/sw.js');

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <PersistQueryClientProvider
      client={client}
      // What another build has kept is not fed to this one.
      persistOptions={{ persister, maxAge: 7 * 86_400_000, buster: __JUBB_BUILD__ }}
    >
      <App />
    </PersistQueryClientProvider>
  </StrictMode>,
);
