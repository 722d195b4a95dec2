import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  convert,
  dimensionNames,
  formatBand,
  limitsOf,
  formatQuantity,
  inCanonical,
  parseBand,
  parseInUnit,
  parseNumber,
  parseQuantity,
  QuantityError,
  roundTo,
  unitsOf,
  type Dimension,
} from './index.ts';

const code = (f: () => unknown): string => {
  try {
    f();
  } catch (e) {
    if (e instanceof QuantityError) return e.code;
    throw e;
  }
  return 'accepted';
};

describe('unit factors', () => {
  // NIST SP 811 (2008), appendix B.8, the printed factors (7 figures where the printed one is rounded).
  test.each<[string, string, string, number]>([
    ['1 ft·lbf', 'N·m', 'torque', 1.355818],
    ['1 in·lbf', 'N·m', 'torque', 0.1129848],
    ['1 kgf·m', 'N·m', 'torque', 9.80665],
    ['1 ozf·in', 'N·m', 'torque', 0.007061552],
    ['1 in', 'mm', 'length', 25.4],
    ['1 thou', 'mm', 'length', 0.0254],
    ['1 ft', 'm', 'length', 0.3048],
    ['1 lbf', 'N', 'force', 4.448222],
    ['1 kgf', 'N', 'force', 9.80665],
    ['1 psi', 'kPa', 'pressure', 6.894757],
    ['1 ksi', 'MPa', 'stress', 6.894757],
    ['1 inHg', 'kPa', 'pressure', 3.386389],
    ['1 mmHg', 'Pa', 'pressure', 133.3224],
    ['1 lb', 'kg', 'mass', 0.4535924],
    ['1 oz', 'g', 'mass', 28.34952],
    ['1 pt US', 'l', 'volume', 0.4731765],
    ['1 pt imp', 'l', 'volume', 0.5682613],
    ['1 qt US', 'l', 'volume', 0.9463529],
    ['1 cfm', 'l/min', 'flow', 28.31685],
    ['212 °F', '°C', 'temperature', 100],
    ['0 °C', 'K', 'temperature', 273.15],
    ['9 °F', 'K', 'temperatureDifference', 5],
    ['1 oz·in', 'g·mm', 'unbalance', 720.0778],
  ])('%s in %s', (from, to, dimension, expected) => {
    const got = convert(parseQuantity(from, dimension as Dimension), to, dimension as Dimension).value;
    expect(got / expected).toBeCloseTo(1, 6);
  });

  test('the two figures of the bench: 12 N·m and 30 ft·lbf', () => {
    expect(roundTo(convert(parseQuantity('12 N·m'), 'ft·lbf').value, 2)).toBe(8.85);
    expect(roundTo(convert(parseQuantity('30 ft-lb'), 'N·m').value, 2)).toBe(40.67);
  });
});

describe('reading', () => {
  test.each<[string, number, string]>([
    ['59 ft·lbf', 59, 'ft·lbf'],
    ['59ft-lb', 59, 'ft·lbf'],
    ['59 lbf ft', 59, 'ft·lbf'],
    ['0.05 mm', 0.05, 'mm'],
    ['1,5 mm', 1.5, 'mm'],
    ['2 thou', 2, 'thou'],
    ['1 3/8 in', 1.375, 'in'],
    ['3/8"', 0.375, 'in'],
    ['−0.02 mm', -0.02, 'mm'],
    ['90°', 90, 'deg'],
    ['110 degC', 110, '°C'],
    ['4.7 kohm', 4.7, 'kΩ'],
    ['1e3 N', 1000, 'N'],
  ])('%s', (text, value, unit) => {
    expect(parseQuantity(text)).toEqual({ value, unit });
  });

  test.each<[unknown, Dimension, string]>([
    ['24', 'torque', 'unit-missing'],
    [24, 'torque', 'unit-missing'],
    ['59 mm', 'torque', 'wrong-dimension'],
    ['59 furlong', 'torque', 'unknown-unit'],
    ['lots', 'torque', 'not-a-quantity'],
    ['', 'torque', 'not-a-quantity'],
    [NaN, 'torque', 'not-a-number'],
    [{ value: Infinity, unit: 'N·m' }, 'torque', 'not-a-number'],
    ['1e999 mm', 'length', 'not-a-number'],
    ['1/0 in', 'length', 'not-a-number'],
    ['1,500 mm', 'length', 'ambiguous-number'],
    [null, 'length', 'not-a-quantity'],
    [['1 mm'], 'length', 'not-a-quantity'],
    ['9'.repeat(200), 'length', 'not-a-quantity'],
  ])('%p as %s is refused: %s', (text, dimension, expected) => {
    expect(code(() => parseQuantity(text, dimension))).toBe(expected);
  });

  test('a bare number is asked for its unit by name', () => {
    expect(() => parseQuantity(24, 'torque')).toThrow(/N·m, N·cm or ft·lbf\?/);
  });

  test('case separates milli from mega', () => {
    expect(inCanonical(parseQuantity('5 mΩ'), 'resistance')).toBeCloseTo(0.005);
    expect(inCanonical(parseQuantity('5 MΩ'), 'resistance')).toBe(5e6);
  });

  test('numbers as written', () => {
    expect(parseNumber('1 3/8')).toBe(1.375);
    expect(code(() => parseNumber('1.2.3'))).toBe('not-a-number');
  });
});

describe('bands', () => {
  test('plus-minus keeps its nominal', () => {
    const band = parseBand('24 ± 2 N·m', 'torque');
    expect([band.low.value, band.high.value, band.nominal?.value]).toEqual([22, 26, 24]);
    expect(formatBand(band)).toBe('24 ± 2\u202fN·m');
  });
  test('a range lends its unit to the first end', () => {
    const band = parseBand('20 to 30 N·m', 'torque');
    expect(band).toEqual({ low: { value: 20, unit: 'N·m' }, high: { value: 30, unit: 'N·m' } });
    expect(formatBand(parseBand('0.03 mm to 0.08 mm'))).toBe('0.03 to 0.08\u202fmm');
  });
  test('a spread in another unit is turned into the nominal’s', () => {
    expect(parseBand('1 in ± 0.254 mm').high.value).toBeCloseTo(1.01, 12);
    expect(parseBand('100 °C ± 9 °F', 'temperature').high.value).toBeCloseTo(105, 9);
  });
  test('a limit on one side is judged by that side only', () => {
    const most = parseBand('at most 0.05 mm', 'length');
    expect([most.low.value, most.high.value, formatBand(most)]).toEqual([0, 0.05, 'at most 0.05\u202fmm']);
    expect(limitsOf(most)).toEqual({ upper: { value: 0.05, unit: 'mm' } });
    const least = parseBand('at least 12 bar', 'pressure');
    expect([limitsOf(least), formatBand(least)]).toEqual([
      { lower: { value: 12, unit: 'bar' } },
      'at least 12\u202fbar',
    ]);
    expect(least.high.value).toBeGreaterThan(12);
    expect(Object.keys(limitsOf(parseBand('1 to 2 bar')))).toEqual(['lower', 'upper']);
    expect(parseBand('at most -5 °C', 'temperature').low.value).toBeLessThan(-5);
  });
  test('refusals', () => {
    expect(code(() => parseBand('at most 3 N', 'length'))).toBe('wrong-dimension');
    expect(code(() => parseBand('30 to 20 N·m'))).toBe('band-upside-down');
    expect(code(() => parseBand('24 N·m'))).toBe('not-a-band');
    expect(code(() => parseBand('24 ± 2 mm', 'torque'))).toBe('wrong-dimension');
  });
});

describe('writing', () => {
  test('thin space, real minus, half away from zero', () => {
    expect(formatQuantity({ value: -21.85, unit: 'N·m' }, 1)).toBe('−21.9\u202fN·m');
    expect(formatQuantity({ value: 60, unit: 'deg' }, 0)).toBe('60°');
    expect(roundTo(1.005, 2)).toBe(1.01);
    expect(roundTo(-0.0001, 2)).toBe(0);
  });
});

describe('always', () => {
  const dims = dimensionNames.flatMap((d) =>
    unitsOf(d).flatMap((a) => unitsOf(d).map((b) => [d, a.symbol, b.symbol] as const)),
  );
  test('there and back gives the same value, in every pair of units', () => {
    fc.assert(
      fc.property(fc.constantFrom(...dims), fc.double({ min: -1e6, max: 1e6, noNaN: true }), ([d, a, b], value) => {
        const back = convert(convert({ value, unit: a }, b, d), a, d).value;
        expect(Math.abs(back - value)).toBeLessThanOrEqual(1e-9 * Math.max(1000, Math.abs(value)));
      }),
    );
  });
  test('every unit symbol and alias reads back as itself', () => {
    for (const d of dimensionNames)
      for (const u of unitsOf(d))
        for (const s of [u.symbol, ...(u.aliases ?? [])])
          expect(parseQuantity(`2.5 ${s}`, d)).toEqual({ value: 2.5, unit: u.symbol });
  });
});

describe('a field that shows its own unit', () => {
  const typed = (text: string): unknown => {
    try {
      return parseInUnit(text, 'length', 'mm');
    } catch (e) {
      return e instanceof QuantityError ? e.code : e;
    }
  };
  test.each<[string, unknown]>([
    ['59.97', { value: 59.97, unit: 'mm' }],
    ['59,97', { value: 59.97, unit: 'mm' }],
    [' -0.02 ', { value: -0.02, unit: 'mm' }],
    ['2e-2', { value: 0.02, unit: 'mm' }],
    ['0.5 in', { value: 0.5, unit: 'in' }],
    ['', 'not-a-number'],
    ['about 40', 'not-a-quantity'],
    ['24 N·m', 'wrong-dimension'],
  ])('%j is %j', (text, meant) => {
    expect(typed(text)).toEqual(meant);
  });
});
