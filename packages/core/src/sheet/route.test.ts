import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { librarySheet, libraryText } from '../bench/bench.fixtures.ts';
import { readSheet } from './read/index.ts';
import { beltRun, routeWords, type Wheel } from './route.ts';

const wheel = (x: number, y: number, d: number, turn: 1 | -1 = 1): Wheel => ({ x, y, r: d / 2, turn });

describe('the run of a belt', () => {
  test('round two equal pulleys is twice their distance and once their circumference', () => {
    expect(beltRun([wheel(0, 0, 100), wheel(300, 0, 100)])!.length).toBeCloseTo(600 + Math.PI * 100, 9);
  });

  // Open belt, exact: L = 2 √(C² − (R − r)²) + π (R + r) + 2 (R − r) asin((R − r) / C): Machinery's Handbook, "Length of belt".
  test('round two unequal pulleys is that of the handbook', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 40, max: 300 }),
        fc.integer({ min: 40, max: 300 }),
        fc.integer({ min: 310, max: 900 }),
        (a, b, c) => {
          const [R, r] = [Math.max(a, b) / 2, Math.min(a, b) / 2];
          const wanted = 2 * Math.sqrt(c * c - (R - r) ** 2) + Math.PI * (R + r) + 2 * (R - r) * Math.asin((R - r) / c);
          expect(beltRun([wheel(0, 0, a), wheel(c, 0, b)])!.length).toBeCloseTo(wanted, 6);
        },
      ),
    );
  });

  // Crossed belt: the second runs on the back. L = 2 √(C² − (R + r)²) + (π + 2 asin((R + r) / C)) (R + r), same handbook.
  test('crossed, it is that of the handbook', () => {
    const [R, r, c] = [60, 40, 400];
    const wanted = 2 * Math.sqrt(c * c - (R + r) ** 2) + (Math.PI + 2 * Math.asin((R + r) / c)) * (R + r);
    expect(beltRun([wheel(0, 0, 2 * R), wheel(c, 0, 2 * r, -1)])!.length).toBeCloseTo(wanted, 9);
  });

  test('moved, turned or begun at another pulley it is as long', () => {
    const wheels = [
      wheel(0, 0, 160),
      wheel(60, 150, 76, -1),
      wheel(20, 700, 150),
      wheel(-360, 365, 60),
      wheel(-290, 45, 76),
    ];
    const { length } = beltRun(wheels)!;
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 4 }),
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        fc.integer({ min: -900, max: 900 }),
        (k, a, d) => {
          const turned = [...wheels.slice(k), ...wheels.slice(0, k)].map((w) => ({
            ...w,
            x: w.x * Math.cos(a) - w.y * Math.sin(a) + d,
            y: w.x * Math.sin(a) + w.y * Math.cos(a) - d,
          }));
          expect(beltRun(turned)!.length).toBeCloseTo(length, 6);
        },
      ),
    );
  });

  test('the belt leaves each pulley along its edge', () => {
    for (const w of beltRun([wheel(0, 0, 160), wheel(60, 150, 76, -1), wheel(20, 700, 150), wheel(-360, 365, 60)])!
      .wraps)
      for (const [x, y] of [w.from, w.to]) expect(Math.hypot(x - w.x, y - w.y)).toBeCloseTo(w.r, 9);
  });

  test.each([
    ['two that lie in each other', [wheel(0, 0, 100), wheel(10, 0, 20)]],
    ['one alone', [wheel(0, 0, 100)]],
    [
      'a back roller that the belt passes by',
      [wheel(0, 0, 160), wheel(190, 95, 76, -1), wheel(60, 330, 150), wheel(-240, 380, 60), wheel(-900, 120, 76, -1)],
    ],
  ])('%s: none', (_, wheels) => {
    expect(beltRun(wheels)).toBeUndefined();
  });
});

describe('routes in a sheet', () => {
  const text = libraryText('tensioner-belt');
  test('say in words which pulley runs on the back', () => {
    expect(routeWords(librarySheet('tensioner-belt').routes!['single-route']!)).toBe(
      'crank, tensioner (back of the belt), fan, alternator, idler',
    );
  });
  test.each([
    [
      'another belt',
      'length: 2240 mm',
      'length: 1900 mm',
      'route-of-another-length',
      /22\d\d mm long, and the belt is 1/,
    ],
    ['a pulley in another', 'at: [60, 150]', 'at: [2, 3]', 'route-cannot-run', /lie in each other/],
    [
      'a lead that is not there',
      'of: belt-route\n    variant: single',
      'of: chain\n    variant: single',
      'unknown-name',
      /chain/,
    ],
  ])('%s is refused', (_, from, to, code, says) => {
    const errors = readSheet(text.replace(from, to)).problems.filter((p) => p.severity === 'error');
    expect(errors.map((e) => e.code)).toEqual([code]);
    expect(errors[0]!.message).toMatch(says);
  });
});
