import { afterEach, describe, expect, test } from '@jest/globals';
import type { Server } from 'node:http';
import { answerLine, expectedDate, startSupplier, type AskedLine } from './supplier.ts';

const lines: readonly AskedLine[] = [{ line: 'l-1', number: 'OR9-220', count: 2 }];
let server: Server | undefined;
afterEach(() => new Promise<void>((done) => (server ? server.close(() => done()) : done())));

async function open(slowMs = 0): Promise<(path: string, body?: object) => Promise<unknown>> {
  server = await startSupplier(0, { slowMs });
  const { port } = server.address() as { port: number };
  return async (path, body) => {
    const init = body ? { method: 'POST', body: JSON.stringify(body) } : {};
    return (await fetch(`http://127.0.0.1:${port}${path}`, init)).json() as Promise<Record<string, unknown>>;
  };
}

describe('the supplier', () => {
  test('takes an order once, however often it is asked', async () => {
    const ask = await open();
    const first = await ask('/orders', { ref: 'o-1', lines });
    expect(await ask('/orders', { ref: 'o-1', lines: [...lines, ...lines] })).toEqual(first);
    expect(await ask('/orders')).toHaveLength(1);
  });
  test('a slow one has taken it before it answers', async () => {
    const ask = await open(150);
    await ask('/mood', { mood: 'slow' });
    const answer = ask('/orders', { ref: 'o-2', lines });
    await new Promise((r) => setTimeout(r, 60));
    expect(await ask('/orders')).toHaveLength(1);
    await answer;
  });
  test('down, it answers nothing and takes nothing; back again, it does', async () => {
    const ask = await open();
    await ask('/mood', { mood: 'down' });
    await expect(ask('/orders', { ref: 'o-3', lines })).rejects.toThrow();
    expect(await ask('/orders')).toEqual([]);
    await ask('/mood', { mood: 'open' });
    await ask('/orders', { ref: 'o-3', lines });
    expect(await ask('/orders')).toHaveLength(1);
  });
  test.each([
    ['no mood that it knows', '/mood', { mood: 'asleep' }],
    ['no ref', '/orders', { lines }],
  ])('%s is an error', async (_, path, body) => {
    expect(await (await open())(path, body)).toHaveProperty('error');
  });
  test('nothing comes at a weekend', () => {
    // 2026-11-27 is a Friday.
    expect(expectedDate(new Date('2026-11-27T10:00:00Z'), 1).toISOString()).toMatch(/^2026-11-30/);
    expect(expectedDate(new Date('2026-11-25T10:00:00Z'), 3).toISOString()).toMatch(/^2026-11-30/);
  });
  test('the price is the list’s or dearer, the same each time; without a list it has one of its own', () => {
    const now = new Date('2026-11-25T10:00:00Z');
    const asked = Array.from({ length: 900 }, (_, i) => ({ line: 'l', number: `N-${i}`, count: 1, listMinor: 1250 }));
    const prices = asked.map((a) => answerLine(a, now).priceMinor);
    // 6 % on 12.50 is 13.25.
    expect(new Set(prices)).toEqual(new Set([1250, 1325]));
    const dearer = prices.filter((p) => p > 1250).length / prices.length;
    expect(dearer).toBeGreaterThan(0.07);
    expect(dearer).toBeLessThan(0.16);
    expect(answerLine({ line: 'l', number: 'N-1', count: 1 }, now).priceMinor).toBeGreaterThanOrEqual(100);
  });
  test('about one number in eleven is out of stock, always the same ones', () => {
    const now = new Date('2026-11-25T10:00:00Z');
    const out = Array.from({ length: 2200 }, (_, i) => answerLine({ line: 'l', number: `N-${i}`, count: 1 }, now));
    const share = out.filter((l) => l.status === 'out-of-stock').length / out.length;
    expect(share).toBeGreaterThan(0.06);
    expect(share).toBeLessThan(0.13);
    expect(answerLine(out[5]!, now)).toEqual(out[5]);
  });
});
