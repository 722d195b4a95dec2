import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { convert } from '../../quantities/index.ts';
import { ReckonError } from '../shape/index.ts';
import { heatToFit } from './heat-to-fit.ts';
import { tolerance, zoneOf } from './iso-286.ts';
import { isoFit } from './iso-fit.ts';
import { pressFit } from './press-fit.ts';
import {
  clearanceDeviations,
  farAbove,
  farBelow,
  farSteps,
  fineDeviations,
  fineSteps,
  interferenceDeviations,
  sizeSteps,
  toleranceGrades,
} from './tables/iso-286.ts';

/** Geometric mean of a step of sizes, mm (ISO 286-1, the first step from 1 mm). */
const geometricMean = (steps: readonly number[], i: number): number => Math.sqrt((steps[i - 1] ?? 1) * steps[i]!);
/** Standard tolerance factor, µm (ISO 286-1). */
const factorI = (d: number): number => 0.45 * Math.cbrt(d) + 0.001 * d;

describe('ISO 286 tables against the standard’s generating formulas', () => {
  const multiples: Readonly<Record<number, number>> = {
    5: 7,
    6: 10,
    7: 16,
    8: 25,
    9: 40,
    10: 64,
    11: 100,
    12: 160,
    13: 250,
    14: 400,
    15: 640,
    16: 1000,
    17: 1600,
    18: 2500,
  };
  test.each(Object.entries(multiples))('IT%s = %s i, within its rounding', (grade, multiple) => {
    sizeSteps.forEach((_, i) => {
      const exact = multiple * factorI(geometricMean(sizeSteps, i));
      const table = toleranceGrades[Number(grade)]![i]!;
      // The standard rounds to whole numbers, then to preferred steps of 5 and 10; the first size step is the coarsest.
      expect(Math.abs(table - exact)).toBeLessThan(i === 0 ? 0.18 * exact : Math.max(1, 0.065 * exact));
    });
  });
  test.each<[keyof typeof clearanceDeviations, (d: number) => number]>([
    ['d', (d) => 16 * d ** 0.44],
    ['e', (d) => 11 * d ** 0.41],
    ['f', (d) => 5.5 * d ** 0.41],
    ['g', (d) => 2.5 * d ** 0.34],
  ])('%s shafts', (letter, formula) => {
    sizeSteps.forEach((_, i) => {
      const exact = formula(geometricMean(sizeSteps, i));
      expect(Math.abs(clearanceDeviations[letter][i]! - exact)).toBeLessThan(Math.max(1.6, 0.04 * exact));
    });
  });
  test.each<[string, (d: number) => number]>([
    ['01', (d) => 0.3 + 0.008 * d],
    ['0', (d) => 0.5 + 0.012 * d],
    ['1', (d) => 0.8 + 0.02 * d],
  ])('IT%s by its own formula', (grade, formula) => {
    sizeSteps.forEach((_, i) => {
      const exact = formula(geometricMean(sizeSteps, i));
      expect(Math.abs(toleranceGrades[grade]![i]! - exact)).toBeLessThan(Math.max(0.15, 0.3 * exact));
    });
  });
  test('IT2 to IT4 lie between IT1 and IT5, each wider than the last', () => {
    sizeSteps.forEach((_, i) => {
      const widths = [1, 2, 3, 4, 5].map((g) => toleranceGrades[g]![i]!);
      expect([...widths].sort((a, b) => a - b)).toEqual(widths);
      expect(new Set(widths).size).toBe(5);
    });
  });
  test.each<[string, (d: number, size: number) => number]>([
    ['a', (d, size) => (size <= 120 ? 265 + 1.3 * d : 3.5 * d)],
    ['b', (d, size) => (size <= 160 ? 140 + 0.85 * d : 1.8 * d)],
    ['c', (d, size) => (size <= 40 ? 52 * d ** 0.2 : 95 + 0.8 * d)],
    ['cd', (d) => Math.sqrt(52 * d ** 0.2 * 16 * d ** 0.44)],
    ['ef', (d) => Math.sqrt(11 * d ** 0.41 * 5.5 * d ** 0.41)],
    ['fg', (d) => Math.sqrt(5.5 * d ** 0.41 * 2.5 * d ** 0.34)],
    ['t', (d, size) => tolerance(7, size) + 0.63 * d],
    ['u', (d, size) => tolerance(7, size) + d],
    ['v', (d, size) => tolerance(7, size) + 1.25 * d],
    ['x', (d, size) => tolerance(7, size) + 1.6 * d],
    ['y', (d, size) => tolerance(7, size) + 2 * d],
    ['z', (d, size) => tolerance(7, size) + 2.5 * d],
    ['za', (d, size) => tolerance(8, size) + 3.15 * d],
    ['zb', (d, size) => tolerance(9, size) + 4 * d],
    ['zc', (d, size) => tolerance(10, size) + 5 * d],
  ])('%s by its formula, within the standard’s rounding', (letter, formula) => {
    const row = { ...farBelow, ...farAbove }[letter]!;
    let held = 0;
    farSteps.forEach((size, i) => {
      const table = row[i];
      if (table === undefined) return;
      // Up to 10 mm the printed rows of u to zc stand above the formula; c is rounded up by up to an eighth to 40 mm.
      if (size <= 10 && letter in farAbove) return;
      held += 1;
      const exact = formula(geometricMean(farSteps, i), size);
      expect(Math.abs(table - exact)).toBeLessThan(Math.max(4, (letter === 'c' ? 0.16 : 0.05) * exact));
    });
    expect(held).toBeGreaterThan(2);
  });
  test('k, m, n and p shafts', () => {
    sizeSteps.forEach((_, i) => {
      const d = geometricMean(sizeSteps, i);
      if (i > 0) expect(Math.abs(interferenceDeviations.k[i]! - 0.6 * Math.cbrt(d))).toBeLessThan(1.2);
      // m: IT7 − IT6; n: 5 D^0.34; p: IT7 and 0 to 6 more.
      expect(
        Math.abs(interferenceDeviations.m[i]! - (tolerance(7, sizeSteps[i]!) - tolerance(6, sizeSteps[i]!))),
      ).toBeLessThanOrEqual(2);
      expect(Math.abs(interferenceDeviations.n[i]! - 5 * d ** 0.34)).toBeLessThan(2.2);
      const more = interferenceDeviations.p[i]! - tolerance(7, sizeSteps[i]!);
      expect(more).toBeGreaterThanOrEqual(-4);
      expect(more).toBeLessThanOrEqual(6);
    });
  });
  test('s: IT7 + 0.4 D above 50 mm; r the geometric mean of p and s', () => {
    fineSteps.forEach((size, i) => {
      const d = geometricMean(fineSteps, i);
      if (size > 50) expect(Math.abs(fineDeviations.s[i]! - (tolerance(7, size) + 0.4 * d))).toBeLessThan(4);
      const p = interferenceDeviations.p[sizeSteps.findIndex((s) => size <= s)]!;
      expect(Math.abs(fineDeviations.r[i]! - Math.sqrt(p * fineDeviations.s[i]!))).toBeLessThan(2);
    });
  });
});

describe('iso-fit', () => {
  // ISO 286-2 as printed, µm.
  test.each<[number, string, number, number]>([
    [20, 'H8', 33, 0],
    [100, 'F7', 71, 36],
    [10, 'G6', 14, 5],
    [65, 'K7', 9, -21],
    [120, 'M7', 0, -35],
    [300, 'M6', -9, -41],
    [12, 'N9', 0, -43],
    [2, 'N9', -4, -29],
    [55, 'R7', -30, -60],
    [55, 'S7', -42, -72],
    [40, 'J7', 14, -11],
    [30, 'D10', 149, 65],
    [500, 'H11', 400, 0],
  ])('%s %s', (size, hole, upper, lower) => {
    expect(zoneOf(hole, size, 'hole')).toMatchObject({ upper, lower });
  });
  test.each<[number, string, number, number]>([
    [20, 'f7', -20, -41],
    [20, 'g6', -7, -20],
    [35, 'm6', 25, 9],
    [35, 'n6', 33, 17],
    [90, 'r6', 73, 51],
    [130, 's6', 117, 92],
    [40, 'j6', 11, -5],
    [25, 'd9', -65, -117],
    [8, 'k5', 7, 1],
    [8, 'k8', 22, 0],
  ])('%s %s', (size, shaft, upper, lower) => {
    expect(zoneOf(shaft, size, 'shaft')).toMatchObject({ upper, lower });
  });
  test('hole of the same letter mirrors the shaft: H/f and F/h have the same clearance', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 500, noNaN: true }),
        fc.constantFrom('d', 'e', 'f', 'g'),
        (value, letter) => {
          const size = { value, unit: 'mm' };
          const a = isoFit.reckon({ size, hole: 'H7', shaft: `${letter}7` }).results;
          const b = isoFit.reckon({ size, hole: `${letter.toUpperCase()}7`, shaft: 'h7' }).results;
          expect(a.clearanceMin!.value).toBeCloseTo(b.clearanceMin!.value, 9);
          expect(a.clearanceMax!.value).toBeCloseTo(b.clearanceMax!.value, 9);
          expect(a.kind).toBe('clearance');
        },
      ),
    );
  });
  test.each([
    ['H19', 'hole'],
    ['CD7', 'hole'],
    ['t6', 'shaft', '20 mm'],
    ['h7', 'hole'],
    ['Q7', 'hole'],
    ['j9', 'shaft'],
    ['K6', 'shaft'],
    ['7H', 'hole'],
  ])('%s as a %s is refused at its field', (code, field, size = '50 mm') => {
    expect(() => isoFit.reckon({ size, [field]: code })).toThrow(
      expect.objectContaining({ code: 'unknown-tolerance', field }),
    );
  });
});

describe('press-fit', () => {
  const base = { diameter: '50 mm', hubOutside: '100 mm', length: '40 mm', interference: '0.05 mm' };
  test('ring on a solid shaft of its own steel: p = δE/2d (1 − (d/D)²), a handbook form', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 0.9, noNaN: true }),
        fc.double({ min: 0.01, max: 0.1, noNaN: true }),
        (ratio, delta) => {
          const { pressure } = pressFit.reckon({
            diameter: '50 mm',
            hubOutside: { value: 50 / ratio, unit: 'mm' },
            length: '40 mm',
            interference: { value: delta, unit: 'mm' },
          }).results;
          expect(pressure.value).toBeCloseTo(((delta * 207000) / (2 * 50)) * (1 - ratio ** 2), 6);
        },
      ),
    );
  });
  test('more interference and a thicker hub press harder; a hollow shaft less', () => {
    const p = (more: object): number => pressFit.reckon({ ...base, ...more }).results.pressure.value;
    expect(p({ interference: '0.06 mm' })).toBeGreaterThan(p({}));
    expect(p({ hubOutside: '120 mm' })).toBeGreaterThan(p({}));
    expect(p({ shaftBore: '30 mm' })).toBeLessThan(p({}));
    expect(p({ roughness: '0.01 mm' })).toBeCloseTo(p({ interference: '0.042 mm' }), 9);
  });
  test('yield of the hub is said', () => {
    const { results, warnings } = pressFit.reckon({ ...base, hubYield: '200 MPa' });
    expect(results.verdict).toBe('hub-yields');
    expect(warnings.join(' ')).toMatch(/yields/);
    expect(pressFit.reckon({ ...base, hubYield: '300 MPa' }).results.verdict).toBe('holds');
  });
  test('a hub smaller than its shaft is refused', () => {
    expect(() => pressFit.reckon({ ...base, hubOutside: '40 mm' })).toThrow(ReckonError);
  });
});

describe('heat-to-fit', () => {
  const base = { diameter: '50 mm', interference: '0.042 mm', clearance: '0.030 mm' };
  test('past the limit it says how cold the shaft must be, and both together just reach', () => {
    const { chillShaftTo } = heatToFit.reckon(base).results;
    // 100 K on the ring give 0.0575 mm; 0.0145 mm are left: 25.2 K.
    expect(chillShaftTo!.value).toBeCloseTo(-5.2, 1);
    const together = heatToFit.reckon({ ...base, coolShaftTo: chillShaftTo! }).results;
    expect(together.temperatureNeeded.value).toBeCloseTo(120, 6);
  });
  test('cooling takes the logarithm’s time', () => {
    const { droppableFor } = heatToFit.reckon({
      ...base,
      clearance: '0.010 mm',
      mass: '1.5 kg',
      surface: '30000 mm²',
    }).results;
    const tau = (1.5 * 460) / (15 * 0.03);
    expect(droppableFor!.value).toBeCloseTo(tau * Math.log(0.052 / 0.042), 6);
  });
  test('hotter shop, same rise', () => {
    const { rise, temperatureNeeded } = heatToFit.reckon({
      ...base,
      ambient: '86 °F',
      limitTemperature: '300 °C',
    }).results;
    expect(rise.value).toBeCloseTo(125.2, 1);
    expect(convert(temperatureNeeded, '°C').value).toBeCloseTo(155.2, 1);
  });
});
