import { describe, expect, test } from '@jest/globals';
import type { JobView } from '@jubb/contract';
import { shared } from './queries.ts';

const view = (hash: string, more: Partial<JobView> = {}): JobView =>
  ({
    id: 'j',
    sheet: { id: 'hub-dolly' },
    events: [
      { seq: 1, hash: 'a' },
      { seq: 2, hash },
    ],
    signatures: [],
    drawers: { 'hub-shims': [{ thickness: { value: 1, unit: 'mm' }, count: 3 }] },
    history: [],
    documents: [],
    ...more,
  }) as unknown as JobView;

describe('a job fetched again', () => {
  test('the same head is the same job: nothing is folded anew', () => {
    const kept = view('b');
    expect(shared(kept, view('b'))).toBe(kept);
  });
  test('a new head is a new job', () => {
    const came = view('c');
    expect(shared(view('b'), came)).toBe(came);
    expect(shared(undefined, came)).toBe(came);
  });
  test('the same log with another drawer keeps the log and takes the drawer', () => {
    const kept = view('b');
    const came = view('b', { drawers: { 'hub-shims': [] } });
    const now = shared(kept, came);
    expect([now.events === kept.events, now.sheet === kept.sheet, now.drawers === came.drawers]).toEqual([
      true,
      true,
      true,
    ]);
  });
});
