import { describe, expect, test } from '@jest/globals';
import { QueryObserver } from '@tanstack/react-query';
import { ApiError } from './client.ts';
import { makeQueryClient } from './query-client.ts';

describe('what is asked of the server', () => {
  const refused = (status: number): ApiError =>
    new ApiError({ type: 'about:blank', title: 'No', status, detail: 'no' });
  /** How often it is asked who is here, when something else is answered so; who is here was asked a moment ago. */
  const asksAfter = async (answer: () => Promise<unknown>): Promise<number> => {
    const client = makeQueryClient();
    let asked = 0;
    const me = new QueryObserver(client, {
      queryKey: ['me'],
      queryFn: () => Promise.resolve((asked += 1)),
      staleTime: 60_000,
      initialData: 0,
    });
    const stop = me.subscribe(() => undefined);
    await client.fetchQuery({ queryKey: ['job', 'x'], queryFn: answer }).catch(() => undefined);
    await new Promise((r) => setTimeout(r, 10));
    stop();
    client.clear();
    return asked;
  };
  test('answered that nobody is signed in, it is asked who is; anything else asks nothing', async () => {
    expect(await asksAfter(() => Promise.reject(refused(401)))).toBe(1);
    expect(await asksAfter(() => Promise.reject(refused(404)))).toBe(0);
    expect(await asksAfter(() => Promise.reject(new TypeError('no line')))).toBe(0);
    expect(await asksAfter(() => Promise.resolve('a job'))).toBe(0);
  });
  test('who is here, answered so itself, is not asked again and again', async () => {
    const client = makeQueryClient();
    let asked = 0;
    const me = new QueryObserver(client, {
      queryKey: ['me'],
      queryFn: () => {
        asked += 1;
        return Promise.reject(refused(401));
      },
    });
    const stop = me.subscribe(() => undefined);
    await new Promise((r) => setTimeout(r, 50));
    stop();
    client.clear();
    expect(asked).toBe(1);
  });
});
