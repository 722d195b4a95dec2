import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { ReckonError } from '../shape/index.ts';
import { shimForSetting } from './shim-for-setting.ts';
import { shimStack } from './shim-stack.ts';

describe('shim-for-setting', () => {
  const trial = { method: 'trial', trialShim: '1.50 mm', measured: '0.23 mm', target: '0.05 mm' };
  test('the check values of the catalogue', () => {
    expect(shimForSetting.reckon({ ...trial, thickerShim: 'looser' }).results.shimNeeded.value).toBeCloseTo(1.32, 10);
    expect(shimForSetting.reckon({ ...trial, thickerShim: 'tighter' }).results.shimNeeded.value).toBeCloseTo(1.68, 10);
  });

  test('from depths, with uncertainties added in squares', () => {
    const { results } = shimForSetting.reckon({
      method: 'depths',
      depths: [
        { name: 'case depth', value: '42.10 mm', sign: 'plus', uncertainty: '0.03 mm' },
        { name: 'bearing width', value: '40.85 mm', sign: 'minus', uncertainty: '0.04 mm' },
      ],
      target: '0.05 mm',
      thickerShim: 'tighter',
    });
    expect(results.shimNeeded.value).toBeCloseTo(1.2, 10);
    expect(results.uncertainty!.value).toBeCloseTo(0.05, 10);
  });

  test('the pack put back in as the trial reads the target: it asks for itself', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 5, noNaN: true }),
        fc.double({ min: -0.2, max: 0.5, noNaN: true }),
        fc.double({ min: -0.2, max: 0.3, noNaN: true }),
        fc.constantFrom('looser', 'tighter'),
        (shim, measured, target, thickerShim) => {
          const mm = (value: number): { value: number; unit: string } => ({ value, unit: 'mm' });
          const first = shimForSetting.reckon({
            method: 'trial',
            trialShim: mm(shim),
            measured: mm(measured),
            target: mm(target),
            thickerShim,
          }).results.shimNeeded;
          const again = shimForSetting.reckon({
            method: 'trial',
            trialShim: first,
            measured: mm(target),
            target: mm(target),
            thickerShim,
          }).results.shimNeeded;
          expect(again.value).toBeCloseTo(first.value, 9);
        },
      ),
    );
  });

  test('a unit of the input never changes the answer', () => {
    const inch = shimForSetting.reckon({
      method: 'trial',
      trialShim: '60 thou',
      measured: '9 thou',
      target: '0.05 mm',
      thickerShim: 'looser',
    });
    const mm = shimForSetting.reckon({
      method: 'trial',
      trialShim: '1.524 mm',
      measured: '0.2286 mm',
      target: '0.05 mm',
      thickerShim: 'looser',
    });
    expect(inch.results.shimNeeded.value).toBeCloseTo(mm.results.shimNeeded.value, 12);
  });

  test('impossible figures are refused, not shown as a negative shim', () => {
    expect(() => shimForSetting.reckon({ ...trial, trialShim: '0.1 mm', thickerShim: 'looser' })).toThrow(ReckonError);
    expect(() => shimForSetting.reckon({ method: 'trial', target: '0.05 mm', thickerShim: 'looser' })).toThrow(
      /trialShim is needed/,
    );
  });
});

describe('shim-stack', () => {
  const drawer = [
    { thickness: '1.50 mm', count: 2 },
    { thickness: '1.20 mm', count: 3 },
    { thickness: '1.00 mm', count: 1 },
    { thickness: '0.30 mm', count: 4 },
    { thickness: '0.20 mm', count: 0 },
    { thickness: '0.12 mm', count: 2 },
    { thickness: '0.10 mm', count: 5 },
    { thickness: '0.05 mm', count: 6 },
  ];
  test('two pieces before three, exactly', () => {
    const { stacks } = shimStack.reckon({ needed: '1.32 mm', tolerance: '0.02 mm', drawer }).results;
    expect(stacks[0]).toEqual({
      pieces: [
        { value: 1.2, unit: 'mm' },
        { value: 0.12, unit: 'mm' },
      ],
      total: { value: 1.32, unit: 'mm' },
      error: { value: 0, unit: 'mm' },
    });
  });

  test('none within: nearest under, nearest over, and what to buy', () => {
    const { results } = shimStack.reckon({
      needed: '0.71 mm',
      tolerance: '0.005 mm',
      drawer: [
        { thickness: '0.30 mm', count: 2 },
        { thickness: '1 mm', count: 1 },
      ],
    });
    expect(results.stacks).toEqual([]);
    expect(results.nearestUnder?.total.value).toBeCloseTo(0.6, 9);
    expect(results.nearestOver?.total.value).toBeCloseTo(1, 9);
    expect(results.buySize?.value).toBeCloseTo(0.71, 9);
  });

  test('thou and millimetres add up exactly', () => {
    const { stacks } = shimStack.reckon({
      needed: '0.381 mm',
      tolerance: '0 mm',
      drawer: [{ thickness: '5 thou', count: 3 }],
    }).results;
    expect(stacks[0]?.pieces).toHaveLength(3);
  });

  /** Every multiset, counted up like an odometer: slow, plain and independent of the search. */
  function bruteForce(
    needed: number,
    tolerance: number,
    sizes: readonly { nm: number; count: number }[],
    maxPieces: number,
  ): { best?: [number, number]; under?: number; over?: number } {
    let best: [number, number] | undefined;
    let under: number | undefined;
    let over: number | undefined;
    const counts = sizes.map(() => 0);
    for (;;) {
      let i = 0;
      while (i < counts.length && counts[i] === sizes[i]!.count) counts[i++] = 0;
      if (i === counts.length) break;
      counts[i]! += 1;
      const pieces = counts.reduce((a, b) => a + b, 0);
      if (pieces > maxPieces) continue;
      const total = counts.reduce((sum, c, j) => sum + c * sizes[j]!.nm, 0);
      const error = Math.abs(total - needed);
      if (error <= tolerance && (!best || pieces < best[0] || (pieces === best[0] && error < best[1])))
        best = [pieces, error];
      if (total <= needed && (under === undefined || total > under)) under = total;
      if (total >= needed && (over === undefined || total < over)) over = total;
    }
    return { best, under, over };
  }

  test('agrees with brute force', () => {
    let withinSome = 0;
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 300 }),
        fc.integer({ min: 0, max: 12 }),
        fc.uniqueArray(fc.record({ h: fc.integer({ min: 5, max: 150 }), count: fc.integer({ min: 0, max: 3 }) }), {
          minLength: 1,
          maxLength: 6,
          selector: (s) => s.h,
        }),
        fc.integer({ min: 1, max: 4 }),
        (neededH, toleranceH, sizes, maxPieces) => {
          const mm = (h: number): { value: number; unit: string } => ({ value: h / 100, unit: 'mm' });
          const { results } = shimStack.reckon({
            needed: mm(neededH),
            tolerance: mm(toleranceH),
            maxPieces,
            drawer: sizes.map((s) => ({ thickness: mm(s.h), count: s.count })),
          });
          const brute = bruteForce(
            neededH,
            toleranceH,
            sizes.map((s) => ({ nm: s.h, count: s.count })),
            maxPieces,
          );
          const h = (q: { value: number } | undefined): number | undefined =>
            q ? Math.round(q.value * 100) : undefined;
          if (brute.best) {
            withinSome += 1;
            expect(results.stacks[0]?.pieces.length).toBe(brute.best[0]);
            expect(Math.abs(h(results.stacks[0]?.error)!)).toBe(brute.best[1]);
          } else {
            expect(results.stacks).toEqual([]);
            expect(h(results.nearestUnder?.total)).toBe(brute.under);
            expect(h(results.nearestOver?.total)).toBe(brute.over);
          }
        },
      ),
      { numRuns: 400 },
    );
    expect(withinSome).toBeGreaterThan(40);
  });

  test('refusals name the row of the drawer', () => {
    const bad = (): unknown =>
      shimStack.reckon({
        needed: '1 mm',
        tolerance: '0 mm',
        drawer: [
          { thickness: '1 mm', count: 1 },
          { thickness: '-1 mm', count: 1 },
        ],
      });
    expect(bad).toThrow(/drawer\[1\]\.thickness/);
    expect(() => shimStack.reckon({ needed: '1 mm', tolerance: '0 mm', drawer: [] })).toThrow(ReckonError);
  });
});

describe('a full drawer', () => {
  const drawer = (sizes: number): object[] =>
    Array.from({ length: sizes }, (_, i) => ({ thickness: { value: 0.05 + i * 0.037, unit: 'mm' }, count: 6 }));
  test('a wide tolerance lists the best twenty, in order', () => {
    const { stacks } = shimStack.reckon({ needed: '1.5 mm', tolerance: '1.4 mm', drawer: drawer(12) }).results;
    expect(stacks).toHaveLength(20);
    const rank = stacks.map((s) => s.pieces.length * 10 + Math.abs(s.error.value));
    expect(rank).toEqual([...rank].sort((a, b) => a - b));
  });
  test('more packs than can be weighed at once are refused, with what to do', () => {
    expect(() => shimStack.reckon({ needed: '1.5 mm', tolerance: '0 mm', drawer: drawer(30), maxPieces: 6 })).toThrow(
      expect.objectContaining({ code: 'too-many', field: 'maxPieces', accepted: expect.stringContaining('fewer') }),
    );
  });
});
