import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { rebuildOrReplace } from './rebuild-or-replace.ts';
import { whileOpen } from './while-open.ts';

const option = fc.record({
  parts: fc.integer({ min: 0, max: 100000 }),
  hours: fc.integer({ min: 0, max: 40 }),
  leadDays: fc.integer({ min: 0, max: 20 }),
  comebackRisk: fc.double({ min: 0, max: 0.5, noNaN: true }),
  comebackCost: fc.integer({ min: 1, max: 100000 }),
});

describe('rebuild-or-replace', () => {
  test('the cheapest is the cheapest by adding up, and at its break-even risk the two cost the same', () => {
    fc.assert(
      fc.property(
        fc.array(option, { minLength: 2, maxLength: 5 }),
        fc.integer({ min: 0, max: 10000 }),
        (given, rate) => {
          const options = given.map((o, i) => ({ ...o, name: `way ${i}` }));
          const cost = (o: (typeof options)[number], risk = o.comebackRisk): number =>
            o.parts + o.hours * rate + risk * o.comebackCost;
          const { results } = rebuildOrReplace.reckon({ options, rate });
          const sorted = [...options].sort((a, b) => cost(a) - cost(b));
          const cheapest = options.find((o) => o.name === results.cheapest)!;
          expect(cost(cheapest)).toBeCloseTo(cost(sorted[0]!), 6);
          if (results.breakEvenRisk)
            expect(cost(cheapest, results.breakEvenRisk.value)).toBeCloseTo(cost(sorted[1]!), 4);
          else expect(cost(cheapest, 1)).toBeLessThan(cost(sorted[1]!) + 1e-6);
        },
      ),
    );
  });
  test('standing still counts, and a longer life is said when it turns the answer round', () => {
    const options = [
      { name: 'quick', parts: 20000, hours: 1, leadDays: 0, comebackRisk: 0, comebackCost: 0, lifeYears: 2 },
      { name: 'slow', parts: 19000, hours: 1, leadDays: 5, comebackRisk: 0, comebackCost: 0, lifeYears: 10 },
    ];
    expect(rebuildOrReplace.reckon({ options, rate: 5000 }).results.cheapest).toBe('slow');
    const { results, warnings } = rebuildOrReplace.reckon({ options, rate: 5000, downtimePerDay: 4000 });
    expect(results.cheapest).toBe('quick');
    expect(warnings.join(' ')).toMatch(/by the year, slow is cheaper/);
  });
  test('two of one name, one way only, a risk over 1: refused', () => {
    const o = { name: 'a', parts: 1, hours: 1, leadDays: 1, comebackRisk: 0.1, comebackCost: 1 };
    expect(() => rebuildOrReplace.reckon({ options: [o, o], rate: 1 })).toThrow(
      expect.objectContaining({ field: 'options' }),
    );
    expect(() => rebuildOrReplace.reckon({ options: [o], rate: 1 })).toThrow(
      expect.objectContaining({ code: 'too-few' }),
    );
    expect(() => rebuildOrReplace.reckon({ options: [o, { ...o, name: 'b', comebackRisk: 1.2 }], rate: 1 })).toThrow(
      expect.objectContaining({ field: 'options[1].comebackRisk' }),
    );
  });
});

describe('while-open', () => {
  test('the advice turns at the break-even chance, and nowhere else', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 50000 }),
        fc.integer({ min: 0, max: 120 }),
        fc.integer({ min: 1, max: 600 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (price, extraMinutes, reopenMinutes, riskOfNeed) => {
          const { results } = whileOpen.reckon({
            part: 'seal',
            price,
            extraMinutes,
            rate: 5000,
            reopenMinutes,
            riskOfNeed,
          });
          const edge = results.breakEvenRisk!.value;
          expect(edge).toBeLessThan(1);
          if (Math.abs(riskOfNeed - edge) > 1e-9)
            expect(results.advice).toBe(riskOfNeed > edge ? 'renew-now' : 'leave-it');
        },
      ),
    );
  });
  test('a part that costs nothing and takes no time is renewed', () => {
    expect(
      whileOpen.reckon({ part: 'washer', price: 0, extraMinutes: 0, rate: 5000, reopenMinutes: 0, riskOfNeed: 0 })
        .results.advice,
    ).toBe('renew-now');
  });
});
