import { describe, expect, test } from '@jest/globals';
import { ApiError } from '../api/client.ts';
import { Outbox, type Store, type Waiting } from './outbox.ts';

function memoryStore(): Store & { kept: readonly Waiting[] } {
  const store = {
    kept: [] as readonly Waiting[],
    load: () => Promise.resolve(store.kept),
    save: (w: readonly Waiting[]) => ((store.kept = w), Promise.resolve()),
  };
  return store;
}
const waiting = (id: string): Waiting => ({
  id,
  job: 'j',
  at: '2026-01-01T00:00:00.000Z',
  device: 'd',
  command: { type: 'complete', op: id },
});
const settle = (): Promise<void> => new Promise((r) => setTimeout(r, 20));

describe('the outbox', () => {
  test('keeps before it sends, sends in order, and takes out what was answered', async () => {
    const store = memoryStore();
    const sent: string[] = [];
    const box = new Outbox(store, (w) => {
      expect(store.kept.some((k) => k.id === w.id)).toBe(true);
      sent.push(w.id);
      return Promise.resolve({ events: [] });
    });
    await Promise.all([box.add(waiting('a')), box.add(waiting('b')), box.add(waiting('c'))]);
    await settle();
    expect(sent).toEqual(['a', 'b', 'c']);
    expect(store.kept).toEqual([]);
  });

  test('without a network everything stays, also over a reload, and lands in order once', async () => {
    const store = memoryStore();
    const dead = new Outbox(store, () => Promise.reject(new TypeError('no network')));
    for (const id of ['a', 'b', 'c']) await dead.add(waiting(id));
    await settle();
    expect([store.kept.map((k) => k.id), dead.online]).toEqual([['a', 'b', 'c'], false]);
    dead.close();
    const sent: string[] = [];
    const again = new Outbox(store, (w) => (sent.push(w.id), Promise.resolve({ events: [] })));
    await again.open();
    await settle();
    expect(sent).toEqual(['a', 'b', 'c']);
    expect(store.kept).toEqual([]);
  });

  test('a refusal is kept with its reason; the next goes on; dismissing takes it away', async () => {
    const store = memoryStore();
    const box = new Outbox(store, (w) =>
      w.id === 'a'
        ? Promise.reject(new ApiError({ type: '', title: '', status: 409, detail: 'Fastener 1 is next' }))
        : Promise.resolve({ events: [] }),
    );
    await box.add(waiting('a'));
    await box.add(waiting('b'));
    await settle();
    expect(store.kept).toEqual([{ ...waiting('a'), refused: 'Fastener 1 is next' }]);
    await box.dismiss('a');
    expect(store.kept).toEqual([]);
  });
});
