/** @jest-environment jsdom */
import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { Refusal, serve } from '../server.fixtures.tsx';
import { api } from './client.ts';
import { useWrite } from './use-write.ts';

afterEach(cleanup);
function hook<In, Out>(
  send: (what: In) => Promise<Out>,
  options: Parameters<typeof useWrite<In, Out>>[1] = {},
): { readonly now: () => ReturnType<typeof useWrite<In, Out>>; readonly client: QueryClient } {
  const client = new QueryClient();
  const wrapper = ({ children }: { readonly children: ReactNode }): React.JSX.Element => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  const { result } = renderHook(() => useWrite(send, options), { wrapper });
  return { now: () => result.current, client };
}

describe('a write outside the log', () => {
  test('its answer stands, and what is old by it is asked for anew; nothing else is', async () => {
    serve({ stock: { count: 3 } });
    const after = jest.fn();
    const { now, client } = hook((count: number) => api<{ count: number }>('stock', { count }), {
      stale: [['parts']],
      after,
    });
    client.setQueryData(['parts'], 1);
    client.setQueryData(['floor'], 1);
    let went: boolean | undefined;
    await act(async () => {
      went = await now().written(3);
    });
    expect(went).toBe(true);
    await waitFor(() => expect(now().answer).toEqual({ count: 3 }));
    expect(after).toHaveBeenCalledWith({ count: 3 }, 3);
    expect(client.getQueryState(['parts'])!.isInvalidated).toBe(true);
    expect(client.getQueryState(['floor'])!.isInvalidated).toBe(false);
  });

  test.each([
    [
      'a refusal in the server’s words',
      () => new Refusal(422, 'count: not less than nothing'),
      'count: not less than nothing',
    ],
    ['no line in its own', () => Promise.reject(new TypeError('failed to fetch')), 'nothing was kept'],
  ])('%s, and it is told to whoever waits for it', async (_name, stock, says) => {
    serve({ stock });
    const { now } = hook(() => api('stock', {}), { noLine: 'nothing was kept' });
    let went: boolean | undefined;
    await act(async () => {
      went = await now().written(undefined);
    });
    expect(went).toBe(false);
    await waitFor(() => expect(now().wrong).toBe(says));
    act(() => now().reset());
    await waitFor(() => expect(now().wrong).toBeUndefined());
  });

  test('without a line to anywhere it fails at once, and waits for none in silence', async () => {
    Object.defineProperty(navigator, 'onLine', { configurable: true, value: false });
    serve({ stock: () => Promise.reject(new TypeError('offline')) });
    const { now } = hook(() => api('stock', {}));
    act(() => now().write(undefined));
    await waitFor(() => expect(now().wrong).toMatch(/^No line to the server/));
    expect(now().busy).toBe(false);
    Object.defineProperty(navigator, 'onLine', { configurable: true, value: true });
  });
});
