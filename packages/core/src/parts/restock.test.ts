import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { levelProblem, toRestock } from './restock.ts';

describe('what is to be ordered for the drawers', () => {
  test.each([
    ['no level, none is asked for', { count: 0, least: null, upTo: null, coming: 0 }, 0],
    ['at its level', { count: 5, least: 5, upTo: 20, coming: 0 }, 0],
    ['one below it', { count: 4, least: 5, upTo: 20, coming: 0 }, 16],
    ['nobody said how far', { count: 1, least: 5, upTo: null, coming: 0 }, 4],
    ['enough is coming', { count: 1, least: 5, upTo: 20, coming: 4 }, 0],
    ['not enough is coming', { count: 1, least: 5, upTo: 20, coming: 3 }, 16],
  ])('%s', (_, kept, pieces) => {
    expect(toRestock(kept)).toBe(pieces);
  });

  test('once it has come it is at its level, and nothing is asked for twice (fast-check)', () => {
    const small = fc.nat(200);
    fc.assert(
      fc.property(small, small, fc.option(small), small, (count, least, upTo, coming) => {
        const pieces = toRestock({ count, least, upTo, coming });
        expect(pieces).toBeGreaterThanOrEqual(0);
        expect(toRestock({ count, least, upTo, coming: coming + pieces })).toBe(0);
        if (pieces > 0) expect(count + coming + pieces).toBeGreaterThanOrEqual(Math.max(least, upTo ?? 0));
      }),
    );
  });
});

test('a level is below how many, and up to as many or more', () => {
  expect(levelProblem({ least: null, upTo: 4 })?.field).toBe('least');
  expect(levelProblem({ least: 5, upTo: 4 })).toEqual({
    field: 'upTo',
    says: '5 at least: that is where it is ordered',
  });
  for (const [least, upTo] of [
    [null, null],
    [5, null],
    [5, 5],
    [0, 9],
  ] as const)
    expect(levelProblem({ least, upTo })).toBeUndefined();
});
