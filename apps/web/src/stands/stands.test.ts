import { describe, expect, test } from '@jest/globals';
import { figuresFor } from '@jubb/core/bench';
import { librarySheet } from '@jubb/core/sheet/fixtures';
import { answer } from './judge.worker.ts';
import { harmonics } from './spectrum.ts';

const RATE = 50_000;
const HZ = 600;
/** A six-pulse bridge without load: the highest less the lowest of three sines (standard power electronics). */
const sixPulse = (gone: number): number[] =>
  Array.from({ length: 10_000 }, (_, i) => {
    const e = [0, 1, 2].map((k) => Math.sin(2 * Math.PI * ((i * HZ) / RATE - k / 3)));
    return 10 * (Math.max(...e.filter((_, k) => k !== gone)) - Math.min(...e));
  });

describe('lines of a ripple', () => {
  test('a healthy bridge has only the sixths: 2/(n² − 1) of the mean, 5.7 % at 6 f', () => {
    const lines = harmonics(sixPulse(-1), RATE, HZ, 12);
    expect(lines[5]!.share).toBeCloseTo(2 / 35, 3);
    expect(lines[11]!.share).toBeCloseTo(2 / 143, 3);
    for (const l of lines) if (l.n % 6 !== 0) expect(l.share).toBeLessThan(0.002);
  });
  test('a diode that is open raises the line at f itself above the sixth', () => {
    const lines = harmonics(sixPulse(1), RATE, HZ, 6);
    expect(lines[0]!.share).toBeGreaterThan(3 * lines[5]!.share);
  });
  test('of a pure sine on a mean: its amplitude over the mean, and nothing else', () => {
    const wave = Array.from({ length: 5000 }, (_, i) => 14 + 0.7 * Math.sin((2 * Math.PI * HZ * i) / RATE));
    const lines = harmonics(wave, RATE, HZ, 3);
    expect(lines.map((l) => Number(l.share.toFixed(4)))).toEqual([0.05, 0, 0]);
  });
});

describe('the worker', () => {
  const test1 = librarySheet('cylinder-lift').tests['drift']!;
  test('answers what a run comes to, or in words why it cannot be judged, and never throws', () => {
    const points = Array.from({ length: 41 }, (_, i) => [15 * i, 0.002 * 15 * i]);
    const good = answer({ id: 4, test: test1, run: { kind: 'drift', points }, wave: [] });
    expect([good.id, good.outcome?.value.value]).toEqual([4, expect.closeTo(1.2, 6)]);
    const short = answer({ id: 5, test: test1, run: { kind: 'drift', points: points.slice(0, 3) }, wave: [] });
    expect(short).toMatchObject({ id: 5, wrong: expect.stringContaining('not sure yet') });
  });
  test('a stand is told the figures of the sheet in canonical units', () => {
    expect(figuresFor(test1)).toEqual({ low: 0, high: 4, time: 600 });
  });
});
