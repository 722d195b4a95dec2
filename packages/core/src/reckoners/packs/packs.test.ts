import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { platePack } from './plate-pack.ts';
import { springCheck } from './spring-check.ts';

const mm = (value: number): { value: number; unit: string } => ({ value, unit: 'mm' });

describe('plate-pack', () => {
  const plates = [
    { kind: 'friction', thicknesses: ['2.00 mm'], limit: '1.85 mm' },
    { kind: 'steel', thicknesses: ['1.80 mm'] },
  ];
  test('the plate chosen is the best of those that fit, by trying each', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 12, noNaN: true }),
        fc.array(fc.double({ min: 1, max: 5, noNaN: true }), { minLength: 1, maxLength: 8 }),
        (depth, selectable) => {
          const room = depth - 3.8;
          const fits = selectable.filter((t) => t <= room);
          const { results } = platePack.reckon({
            plates,
            housingDepth: mm(depth),
            target: ['0.8 mm', '1.2 mm'],
            selectable: selectable.map(mm),
          });
          if (fits.length === 0) return expect(results.choose).toBeUndefined();
          const best = Math.min(...fits.map((t) => Math.abs(room - t - 1)));
          expect(Math.abs(room - results.choose!.value - 1)).toBeCloseTo(best, 9);
          return expect(results.clearance.value).toBeCloseTo(room - results.choose!.value, 9);
        },
      ),
    );
  });
  test('a worn plate is named with its limit; one near the limit counts as worn for a coarse gauge', () => {
    const worn = (thickness: string, gaugeUncertainty?: string): number =>
      platePack.reckon({
        plates: [{ kind: 'friction', thicknesses: [thickness], limit: '1.85 mm' }],
        housingDepth: '3 mm',
        target: ['0.5 mm', '1.5 mm'],
        ...(gaugeUncertainty ? { gaugeUncertainty } : {}),
      }).results.worn.length;
    expect([worn('1.80 mm'), worn('1.86 mm'), worn('1.86 mm', '0.02 mm')]).toEqual([1, 0, 1]);
  });
  test('uncertainties of a stack add in squares', () => {
    const { results } = platePack.reckon({
      plates: [...plates, ...plates],
      housingDepth: '9 mm',
      target: ['0.8 mm', '2 mm'],
      gaugeUncertainty: '0.01 mm',
    });
    // Housing and four plates, one reading each.
    expect(results.uncertainty!.value).toBeCloseTo(0.01 * Math.sqrt(5), 9);
  });
  test('a tapered plate is warned of; a stack thicker than its housing, and both ways at once, are refused', () => {
    expect(
      platePack
        .reckon({
          plates: [{ kind: 'steel', thicknesses: ['1.8 mm', '1.6 mm'] }],
          housingDepth: '3 mm',
          target: ['0.5 mm', '1.5 mm'],
        })
        .warnings.join(' '),
    ).toMatch(/taper/);
    expect(() => platePack.reckon({ plates, housingDepth: '3 mm', target: ['0.5 mm', '1 mm'] })).toThrow(
      expect.objectContaining({ field: 'housingDepth' }),
    );
    expect(() =>
      platePack.reckon({ plates, housingDepth: '6 mm', measuredClearance: '1 mm', target: ['0.5 mm', '1 mm'] }),
    ).toThrow(expect.objectContaining({ code: 'inconsistent' }));
    expect(() => platePack.reckon({ plates, measuredClearance: '1 mm', target: ['1 mm', '0.5 mm'] })).toThrow(
      expect.objectContaining({ field: 'target' }),
    );
  });
});

describe('spring-check', () => {
  test('a straight spring gives its own rate, however many loads', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 200, noNaN: true }),
        fc.uniqueArray(fc.integer({ min: 10, max: 48 }), { minLength: 2, maxLength: 10 }),
        (rate, lengths) => {
          const loads = lengths.map((l) => ({ length: mm(l), force: { value: rate * (50 - l), unit: 'N' } }));
          expect(springCheck.reckon({ freeLength: '50 mm', loads }).results.rate!.value).toBeCloseTo(rate, 6);
        },
      ),
    );
  });
  test('a short spring is outside, a near one undecided, one without a limit is not judged', () => {
    const at = (freeLength: string, more: object = { limit: '47.5 mm', gaugeUncertainty: '0.1 mm' }): string =>
      springCheck.reckon({ freeLength, ...more }).results.verdict;
    expect([at('47 mm'), at('47.55 mm'), at('48 mm'), at('48 mm', {})]).toEqual([
      'outside',
      'undecided',
      'within',
      'no-limit',
    ]);
  });
  test('loads that push the wrong way, or at one length, are refused', () => {
    const load = (l: number, f: number): object => ({ length: mm(l), force: { value: f, unit: 'N' } });
    for (const loads of [
      [load(40, 300), load(30, 100)],
      [load(40, 100), load(40, 200)],
      [load(60, 100), load(40, 200)],
    ])
      expect(() => springCheck.reckon({ freeLength: '50 mm', loads })).toThrow(
        expect.objectContaining({ field: 'loads' }),
      );
  });
});
