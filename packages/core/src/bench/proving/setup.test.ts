import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { libraryNames, librarySheet } from '../bench.fixtures.ts';
import { figuresFor, keptWave, runFrom, thinned } from './setup.ts';

const testOf = (sheet: string, id: string): Parameters<typeof figuresFor>[0] => librarySheet(sheet).tests[id]!;

describe('what a stand is told of a test', () => {
  test('figures in the units in which it reckons, whatever the sheet is written in', () => {
    // 100 l in millilitres, bar, and five minutes in seconds.
    expect(figuresFor(testOf('compressor-twin', 'leak-down'))).toEqual({
      low: 0,
      high: 0.15,
      volume: 100_000,
      pressure: 7,
      time: 300,
    });
  });

  test('an alternator: the middle of what it regulates to, and that the current is looked for', () => {
    expect(figuresFor(testOf('alternator-brushpin', 'output'))).toMatchObject({
      low: 50,
      high: 60,
      speed: 6000,
      'pole-pairs': 6,
      'regulated-low': 13.8,
      'regulated-high': 14.6,
      volts: 14.2,
      amps: 1,
    });
  });

  test('every figure of every shipped sheet is a number, and what is accepted is the right way round', () => {
    let stands = 0;
    for (const name of libraryNames)
      for (const t of Object.values(librarySheet(name).tests)) {
        const figures = figuresFor(t);
        if (!t.stand) {
          expect(figures).toEqual({});
          continue;
        }
        stands += 1;
        for (const [key, value] of Object.entries(figures))
          expect([name, t.id, key, Number.isFinite(value)]).toEqual([name, t.id, key, true]);
        expect(figures['low']!).toBeLessThanOrEqual(figures['high']!);
        for (const key of Object.keys(figures).filter((k) => k.endsWith('-low')))
          expect(figures[key]!).toBeLessThan(figures[key.replace(/-low$/, '-high')]!);
      }
    expect(stands).toBeGreaterThanOrEqual(15);
  });
});

describe('what is kept of a run', () => {
  test('of too many points so many, in order, the first and the last among them', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 3000 }), fc.integer({ min: 2, max: 700 }), (n, most) => {
        const points = Array.from({ length: n }, (_, i) => i);
        const kept = thinned(points, most);
        expect(kept).toHaveLength(Math.min(n, most));
        expect(kept).toEqual([...new Set(kept)].sort((a, b) => a - b));
        if (n > 0) expect([kept[0], kept.at(-1)]).toEqual([0, n - 1]);
      }),
    );
  });

  test('of a wave its end, where the speed is the test’s', () => {
    const samples = Array.from({ length: 2600 }, (_, i) => i);
    expect(keptWave(samples)).toEqual(samples.slice(100));
    expect(keptWave([1, 2])).toEqual([1, 2]);
  });

  test('a curve has its points, and tones only where the stand heard any', () => {
    const points = [
      [0, 1],
      [1, 2],
    ];
    expect(runFrom('decay', points, [], {})).toEqual({ kind: 'decay', points });
    expect(runFrom('spin', points, [], { tones: [{ hz: 90, level: 3 }], floor: 0.5 })).toEqual({
      kind: 'spin',
      points,
      tones: [{ hz: 90, level: 3 }],
      floor: 0.5,
    });
  });

  test('an alternator has its sweep named, and its wave with the rate at which it was taken', () => {
    expect(
      runFrom('alternator', [[3000, 8000, 41, 13.9, 47]], [13, 14], { sampleRateHz: 20_000, speedRpm: 6000 }),
    ).toEqual({
      kind: 'alternator',
      sweep: [{ drivenRpm: 3000, speedRpm: 8000, currentA: 41, voltageV: 13.9, temperatureC: 47 }],
      ripple: { samplesV: [13, 14], sampleRateHz: 20_000, speedRpm: 6000 },
    });
  });
});
