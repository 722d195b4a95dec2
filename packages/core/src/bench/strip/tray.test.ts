import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { person } from '../bench.fixtures.ts';
import { minutesToRun, timerHasRun, type Stamp, type Timer } from '../index.ts';
import { layInTray, settled, takeFromTray, without } from './tray.ts';

const stamp: Stamp = { seq: 1, at: '2026-11-24T08:00:00.000Z', by: person };
const lying = (count: number): Parameters<typeof layInTray>[2] => ({ count, tray: 'A1', ...stamp });

describe('the tray', () => {
  test('what is laid in and taken out, in whatever portions, is never more than there was and never less than none', () => {
    const portion = fc.integer({ min: 1, max: 9 });
    fc.assert(
      fc.property(
        fc.array(portion, { minLength: 1, maxLength: 6 }),
        fc.array(portion, { maxLength: 8 }),
        (into, out) => {
          let off: Parameters<typeof takeFromTray>[0] = { other: lying(2) };
          for (const n of into) off = layInTray(off, 'ball', lying(n));
          let left = into.reduce((a, b) => a + b, 0);
          expect(off['ball']!.count).toBe(left);
          for (const n of out) {
            off = takeFromTray(off, 'ball', n);
            left = Math.max(0, left - n);
            expect(off['ball']?.count ?? 0).toBe(left);
          }
          expect(off['other']!.count).toBe(2);
        },
      ),
    );
  });
  test('what is not there is taken without a trace, and nothing else is touched', () => {
    const off = { cap: lying(1) };
    expect(takeFromTray(off, 'bolt', 4)).toBe(off);
    const between = { 'part:cap': { state: 'hung', op: 'x', ...stamp } } as const;
    expect(settled(between, 'part:bolt')).toBe(between);
    expect(settled(between, 'part:cap')).toEqual({});
    expect(without({ a: 1, b: 2 }, 'a')).toEqual({ b: 2 });
  });
});

describe('a timer', () => {
  const timer = (minutes: number): Timer => ({
    id: 't',
    op: null,
    kind: 'cure',
    title: 'Sealant',
    minutes,
    due: new Date(Date.parse(stamp.at) + minutes * 60_000).toISOString(),
    ...stamp,
  });
  const after = (seconds: number): string => new Date(Date.parse(stamp.at) + seconds * 1000).toISOString();
  test('has run when, and only when, no whole minute of it is left', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 600 }), fc.integer({ min: 0, max: 40_000 }), (minutes, seconds) => {
        const t = timer(minutes);
        const left = minutesToRun(t, after(seconds));
        expect(timerHasRun(t, after(seconds))).toBe(seconds >= minutes * 60);
        expect(left === 0).toBe(seconds >= minutes * 60);
        expect(left).toBe(Math.max(0, Math.ceil((minutes * 60 - seconds) / 60)));
      }),
    );
  });
});
