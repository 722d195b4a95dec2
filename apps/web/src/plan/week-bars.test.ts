import { describe, expect, test } from '@jest/globals';
import type { PlanJobLabel } from '@jubb/contract';
import { FLAG_WIDE, flagsOf, labelIn, runsOf, wordsOf, type Bar } from './week-bars.ts';

const label = (number: number, due: number | null): PlanJobLabel => ({
  id: `j${number}`,
  number,
  title: 'Hub',
  customer: 'Airfield',
  place: null,
  due,
  weight: 1,
});
const bar = (job: string, start: number, end: number, attended = true): Bar => ({
  activity: { id: `${job}/${start}`, title: 'Strip', minutes: end - start, needs: [], attended, after: [] },
  job,
  name: job,
  slot: { start, end, on: ['hands'] },
  resource: 'hands',
});

describe('runs of a lane', () => {
  test('work of one job that follows on is one piece; another job, a gap or what runs alone ends it', () => {
    const runs = runsOf([
      bar('b', 40, 50),
      bar('a', 0, 10),
      bar('a', 12, 20),
      bar('a', 60, 70),
      bar('a', 70, 90, false),
    ]);
    expect(runs.map((r) => [r.job, r.from, r.to])).toEqual([
      ['a', 0, 20],
      ['b', 40, 50],
      ['a', 60, 70],
      ['a', 70, 90],
    ]);
  });
});

describe('the number of a bar', () => {
  test('stands along it, upright where it is narrow, and is never cut', () => {
    expect(labelIn(40, 46, '307')).toBe('along');
    expect(labelIn(30, 46, '307')).toBe('upright');
    expect(labelIn(15, 46, '307')).toBe('upright');
    expect(labelIn(10, 46, '307')).toBeUndefined();
    expect(labelIn(30, 20, '307')).toBeUndefined();
  });
});

describe('promises over the lanes', () => {
  const x = (at: number): number => at;
  test('of one moment stand beside each other and in rows, and never over the next ones', () => {
    const flags = flagsOf(
      [label(1, 100), label(2, 100), label(3, 101), label(4, 190), label(5, null), label(6, 5000)],
      0,
      1000,
      x,
      400,
    );
    expect(flags.map((f) => [f.label.number, f.column, f.row])).toEqual([
      [1, 0, 0],
      [2, 1, 0],
      [3, 0, 1],
      [4, 0, 0],
    ]);
    for (const f of flags) expect(f.x + f.column * FLAG_WIDE).toBeLessThan(f.label.due! < 190 ? 190 : 400);
  });
  test('at the edge of the drawing stays within it', () => {
    const [flag] = flagsOf([label(1, 399)], 0, 1000, x, 400);
    expect(flag!.x + FLAG_WIDE).toBeLessThanOrEqual(400);
  });
});

describe('words of a wait', () => {
  test('stand over its line, beyond its end where they are longer than it, and over it where there is no room', () => {
    const words = '314, on hold for tool';
    expect(wordsOf(words, 100, 400, 900)).toEqual({ x: 104, beyond: false });
    expect(wordsOf(words, 100, 140, 900)).toEqual({ x: 150, beyond: true });
    expect(wordsOf(words, 100, 800, 900)).toEqual({ x: 104, beyond: false });
    expect(wordsOf(words, 780, 860, 900)).toEqual({ x: 784, beyond: false });
  });
});
