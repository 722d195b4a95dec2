import { describe, expect, test } from '@jest/globals';
import type { LoggedEvent } from '@jubb/core/bench';
import { mergeEvents } from './job-cache.ts';

const e = (seq: number): LoggedEvent => ({ seq }) as LoggedEvent;
const seqs = (events: readonly LoggedEvent[]): number[] => events.map((x) => x.seq);

describe('merging events', () => {
  test('each once, in order, whatever order they come in', () => {
    expect(seqs(mergeEvents([e(1), e(2)], [e(4), e(2), e(3)]))).toEqual([1, 2, 3, 4]);
  });
  test('a gap waits for what fills it', () => {
    expect(seqs(mergeEvents([e(1)], [e(3)]))).toEqual([1]);
  });
});
