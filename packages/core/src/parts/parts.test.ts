import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { cheapestCover, type CoverKit, type CoverNeed } from './kit-cover.ts';

/** The cheapest cover by trying every set of kits: slow, and plainly right. */
function exhaustive(needs: readonly CoverNeed[], kits: readonly CoverKit[]): number {
  let best = Number.POSITIVE_INFINITY;
  for (let set = 0; set < 1 << kits.length; set += 1) {
    const bought = kits.filter((_, i) => set & (1 << i));
    const rest = needs.filter((n) => !bought.some((k) => k.covers.includes(n.id)));
    if (rest.some((n) => n.singleMinor === null)) continue;
    const cost = [...bought.map((k) => k.priceMinor), ...rest.map((n) => n.singleMinor!)].reduce((a, b) => a + b, 0);
    best = Math.min(best, cost);
  }
  return best;
}
const names = Array.from({ length: 9 }, (_, i) => `p${i}`);
const arbitraryKits = fc.array(
  fc.record({ priceMinor: fc.integer({ min: 0, max: 4000 }), covers: fc.subarray(names, { minLength: 1 }) }),
  { maxLength: 9 },
);
const arbitraryPrices = fc.array(fc.option(fc.integer({ min: 0, max: 1500 }), { freq: 6 }), {
  minLength: 9,
  maxLength: 9,
});

describe('kits against singles', () => {
  test('the cheapest cover is that of an exhaustive search, and it covers everything that can be bought', () => {
    fc.assert(
      fc.property(arbitraryPrices, arbitraryKits, (prices, given) => {
        const kits = given.map((k, i) => ({ ...k, id: `k${i}` }));
        const needs = names.map((id, i) => ({ id, singleMinor: prices[i]! }));
        const cover = cheapestCover(needs, kits);
        const buyable = needs.filter((n) => !cover.unpriced.includes(n.id));
        expect(cover.totalMinor).toBe(exhaustive(buyable, kits));
        const bought = kits.filter((k) => cover.kits.includes(k.id));
        for (const n of buyable)
          expect(cover.singles.includes(n.id) || bought.some((k) => k.covers.includes(n.id))).toBe(true);
        const paid =
          bought.reduce((s, k) => s + k.priceMinor, 0) +
          cover.singles.reduce((s, id) => s + needs.find((n) => n.id === id)!.singleMinor, 0);
        expect(paid).toBe(cover.totalMinor);
      }),
      { numRuns: 400 },
    );
  });

  test('worked by hand: a kit for £11.20 against three parts for £12.35', () => {
    const needs = [
      { id: 'ring', singleMinor: 340 },
      { id: 'seal', singleMinor: 860 },
      { id: 'pin', singleMinor: 35 },
      { id: 'felt', singleMinor: 190 },
    ];
    const kits = [{ id: 'seal-kit', priceMinor: 1120, covers: ['ring', 'seal', 'pin'] }];
    expect(cheapestCover(needs, kits)).toEqual({
      kits: ['seal-kit'],
      singles: ['felt'],
      totalMinor: 1310,
      singlesMinor: 1425,
      unpriced: [],
    });
    expect(cheapestCover(needs, [{ ...kits[0]!, priceMinor: 1235 }]).kits).toEqual([]);
  });

  test('equally cheap: fewer lines', () => {
    const needs = ['a', 'b', 'c'].map((id) => ({ id, singleMinor: 100 }));
    const kits = [
      { id: 'two', priceMinor: 150, covers: ['a', 'b'] },
      { id: 'three', priceMinor: 250, covers: ['a', 'b', 'c'] },
    ];
    expect(cheapestCover(needs, kits).kits).toEqual(['three']);
  });

  test('a part sold in no kit and without a price is named, and no total is made up for it', () => {
    const cover = cheapestCover([{ id: 'a', singleMinor: null }, { id: 'b', singleMinor: 5 }], []); // prettier-ignore
    expect(cover).toMatchObject({ unpriced: ['a'], totalMinor: 5 });
    const inKit = cheapestCover([{ id: 'a', singleMinor: null }], [{ id: 'k', priceMinor: 9, covers: ['a'] }]);
    expect(inKit).toMatchObject({ kits: ['k'], totalMinor: 9, singlesMinor: null, unpriced: [] });
  });

  test.each([-1, 1.5, Number.NaN])('%p is no price', (priceMinor) => {
    expect(() => cheapestCover([], [{ id: 'k', priceMinor, covers: [] }])).toThrow(RangeError);
  });
});
