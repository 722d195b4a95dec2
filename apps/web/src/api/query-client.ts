import { QueryCache, QueryClient } from '@tanstack/react-query';
import { ApiError } from './client.ts';

const WHO = ['me'];
const WEEK_MS = 7 * 86_400_000;

/**
 * What is asked of the server and kept, so that a reload without a network still shows the bench. When the server answers that
 * nobody is signed in, whatever was asked, it is asked anew who is: a device that was signed out shows the names at once.
 */
export function makeQueryClient(): QueryClient {
  const client: QueryClient = new QueryClient({
    queryCache: new QueryCache({
      onError: (error, query) => {
        if (error instanceof ApiError && error.status === 401 && query.queryKey[0] !== WHO[0])
          void client.invalidateQueries({ queryKey: WHO });
      },
    }),
    defaultOptions: {
      queries: { networkMode: 'offlineFirst', gcTime: WEEK_MS, staleTime: 2000, retry: false },
      mutations: { networkMode: 'always' },
    },
  });
  return client;
}
