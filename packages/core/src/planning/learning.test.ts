import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { learn, learnBuying, USUAL_SPREAD } from './learning.ts';

describe('minutes of a step in this shop', () => {
  test('nothing known: the sheet’s', () => {
    expect(learn(30, [])).toEqual({ minutes: 30, spread: USUAL_SPREAD, jobs: 0, outliers: 0 });
  });
  test('shrunk toward the sheet as a normal with a normal prior has it: n/(n + 3) of the way, by hand', () => {
    // Two jobs of 60 on a sheet of 30: 2/5 of ln 2.
    expect(learn(30, [60, 60]).minutes).toBeCloseTo(30 * Math.exp(0.4 * Math.log(2)), 9);
    expect(
      learn(
        30,
        Array.from({ length: 300 }, () => 60),
      ).minutes,
    ).toBeGreaterThan(59);
  });
  test('one job of ten times as long is told apart and moves nothing', () => {
    const usual = [28, 30, 31, 33, 29];
    expect(learn(30, [...usual, 300])).toEqual({ ...learn(30, usual), outliers: 1 });
  });
  test('lies between the sheet and what was taken, and knows more with more jobs', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 300, noNaN: true }),
        fc.array(fc.double({ min: 1, max: 300, noNaN: true }), { minLength: 1, maxLength: 3 }),
        (sheet, taken) => {
          const { minutes } = learn(sheet, taken);
          expect(minutes).toBeGreaterThanOrEqual(Math.min(sheet, ...taken) - 1e-9);
          expect(minutes).toBeLessThanOrEqual(Math.max(sheet, ...taken) + 1e-9);
        },
      ),
    );
    const steady = Array.from({ length: 40 }, (_, i) => 30 + (i % 3) - 1);
    expect(learn(30, steady).spread).toBeLessThan(learn(30, steady.slice(0, 3)).spread);
  });
});

describe('how often something has to be bought', () => {
  test('nothing known: two in five, two days', () => {
    expect(learnBuying([], []).buys).toBeCloseTo(0.4, 12);
    expect(learnBuying([], []).leadMinutes).toBe(2880);
  });
  test('by hand: of nine jobs six, with three usual ones of two fifths, are 7.2 of 12', () => {
    const bought = Array.from({ length: 9 }, (_, i) => i < 6);
    expect(learnBuying(bought, []).buys).toBeCloseTo(7.2 / 12, 12);
  });
  test('a supplier of half a day: three orders count as much as the usual two days, so their geometric mean', () => {
    expect(learnBuying([], [720, 720, 720]).leadMinutes).toBeCloseTo(Math.sqrt(720 * 2880), 6);
    expect(learnBuying([], [0, -5]).leadMinutes).toBe(2880);
  });
});
