import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { boreReadings } from './bore-readings.ts';
import { gaugeChoice } from './gauge-choice.ts';
import { gaugeUncertainty } from './gauge-uncertainty.ts';
import { propagate, rootSumSquares } from './gum.ts';
import { gravest, judge } from './judge.ts';
import { sizeAt20 } from './size-at-20.ts';

const mm = (value: number): { value: number; unit: string } => ({ value, unit: 'mm' });
const size = fc.double({ min: 10, max: 200, noNaN: true });

describe('uncertainty (GUM, JCGM 100:2008)', () => {
  test('propagation of a product: relative uncertainties in squares, for small ones', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 50, noNaN: true }),
        fc.double({ min: 1, max: 50, noNaN: true }),
        fc.double({ min: 1e-5, max: 1e-3, noNaN: true }),
        fc.double({ min: 1e-5, max: 1e-3, noNaN: true }),
        (a, b, ra, rb) => {
          const u = propagate((x, y) => x * y, [a, b], [a * ra, b * rb]);
          expect(u / (a * b)).toBeCloseTo(Math.hypot(ra, rb), 8);
        },
      ),
    );
  });
  test('equal uncertainties of a sum add in squares', () => {
    // Sum of two lengths with ±0.01 (k = 2) each.
    expect(propagate((x, y) => x + y, [10, 20], [0.01, 0.01])).toBeCloseTo(rootSumSquares([0.01, 0.01]), 9);
  });
  test('the budget adds up, each part counts, and more repeats make it smaller', () => {
    const U = (more: object): number => gaugeUncertainty.reckon({ resolution: '0.001 mm', ...more }).results.U.value;
    const repeats = ['10.001 mm', '10.003 mm', '10.002 mm', '10.004 mm'];
    const { U: whole, budget } = gaugeUncertainty.reckon({
      resolution: '0.001 mm',
      calibration: '0.002 mm',
      repeats,
      temperature: { length: '100 mm', difference: '2 K' },
    }).results;
    expect(whole.value).toBeCloseTo(2 * Math.hypot(...budget.map((b) => b.standard.value)), 12);
    expect(budget.map((b) => b.source)).toEqual(['Resolution', 'Calibration', 'Repeats', 'Temperature']);
    // s = 0.001291 for these four; 11.5e-6 × 100 × 2/√3.
    expect(budget[2]!.standard.value).toBeCloseTo(0.001291 / 2, 6);
    expect(budget[3]!.standard.value).toBeCloseTo(0.001328, 6);
    expect(U({ repeats: [...repeats, ...repeats] })).toBeLessThan(U({ repeats }));
  });
});

describe('judging', () => {
  test('a wider guard never turns undecided into a decision, and never within into outside', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 0.5, noNaN: true }),
        fc.double({ min: 0, max: 0.5, noNaN: true }),
        (x, guard, more) => {
          const [narrow, wide] = [
            judge(x, guard, { lower: -0.5, upper: 0.5 }),
            judge(x, guard + more, { lower: -0.5, upper: 0.5 }),
          ];
          if (wide !== 'undecided') expect(wide).toBe(narrow);
          if (narrow === 'undecided') expect(wide).toBe('undecided');
        },
      ),
    );
  });
  test('the gravest of several', () => {
    expect(gravest(['within', 'undecided'])).toBe('undecided');
    expect(gravest(['within', 'undecided', 'outside'])).toBe('outside');
    expect(gravest([])).toBe('within');
  });
});

describe('gauge-choice', () => {
  test('one-sided limits count from the nominal, and a limit alone is refused', () => {
    expect(
      gaugeChoice.reckon({ upper: '0.10 mm', nominal: '0 mm', uncertainty: '0.01 mm' }).results.ratio.value,
    ).toBeCloseTo(10, 9);
    expect(() => gaugeChoice.reckon({ upper: '0.10 mm', uncertainty: '0.01 mm' })).toThrow(
      expect.objectContaining({ field: 'nominal' }),
    );
    expect(() => gaugeChoice.reckon({ lower: '2 mm', upper: '1 mm', uncertainty: '0.01 mm' })).toThrow(
      expect.objectContaining({ field: 'lower' }),
    );
  });
  test('units of the gauge and of the limits may differ', () => {
    expect(
      gaugeChoice.reckon({ lower: '1 in', upper: '1.010 in', uncertainty: '0.0254 mm' }).results.ratio.value,
    ).toBeCloseTo(5, 6);
  });
});

describe('bore-readings', () => {
  test('against plain arithmetic on random bores', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(size, size), { minLength: 1, maxLength: 8 }),
        fc.array(size, { minLength: 1, maxLength: 5 }),
        (bore, shaft) => {
          const { results } = boreReadings.reckon({ bore: bore.map(([x, y]) => [mm(x), mm(y)]), shaft: shaft.map(mm) });
          expect(results.outOfRound.value).toBeCloseTo(Math.max(...bore.map(([x, y]) => Math.abs(x - y))), 9);
          expect(results.clearanceMax!.value).toBeCloseTo(Math.max(...bore.flat()) - Math.min(...shaft), 9);
          expect(results.clearanceMin!.value).toBeLessThanOrEqual(results.clearanceMean!.value + 1e-9);
          expect(results.clearanceMean!.value).toBeLessThanOrEqual(results.clearanceMax!.value + 1e-9);
        },
      ),
    );
  });
  test('the least and the largest are judged by themselves, with the gauge', () => {
    const { results } = boreReadings.reckon({
      bore: [['50.02 mm', '50.052 mm']],
      limits: ['50.00 mm', '50.05 mm'],
      gaugeUncertainty: '0.004 mm',
    });
    expect(results.verdicts).toEqual({ least: 'within', largest: 'undecided' });
  });
  test('a shaft that is too large is said to be a press', () => {
    expect(boreReadings.reckon({ bore: [['50 mm', '50 mm']], shaft: ['50.01 mm'] }).warnings.join(' ')).toMatch(
      /press/,
    );
  });
});

describe('size-at-20', () => {
  test('a steel part and a steel gauge equally warm need no correction', () => {
    fc.assert(
      fc.property(size, fc.double({ min: -20, max: 80, noNaN: true }), (length, t) => {
        const { lengthAt20 } = sizeAt20.reckon({
          length: mm(length),
          material: 'steel',
          partTemperature: { value: t, unit: '°C' },
        }).results;
        expect(lengthAt20.value).toBeCloseTo(length, 9);
      }),
    );
  });
  test('grown by the temperature and corrected back, it is what it was', () => {
    fc.assert(
      fc.property(size, fc.double({ min: 20, max: 150, noNaN: true }), (length, t) => {
        const hot = length * (1 + 23.1e-6 * (t - 20));
        const { lengthAt20 } = sizeAt20.reckon({
          length: mm(hot),
          expansion: 23.1e-6,
          partTemperature: { value: t, unit: '°C' },
          gaugeTemperature: '20 °C',
        }).results;
        expect(lengthAt20.value).toBeCloseTo(length, 9);
      }),
    );
  });
  test('a material and an expansion together are refused', () =>
    expect(() =>
      sizeAt20.reckon({ length: '10 mm', material: 'steel', expansion: '11.5e-6 1/K', partTemperature: '30 °C' }),
    ).toThrow(expect.objectContaining({ code: 'inconsistent' })));
});
