import { describe, expect, test } from '@jest/globals';
import { canonical, inCanonical } from '../../quantities/index.ts';
import type { Fit } from '../../sheet/index.ts';
import { clearanceOf, gripOf } from '../index.ts';

const mm = (n: number) => canonical(n, 'length');
const celsius = (n: number) => canonical(n, 'temperature');
/** An outer ring of 62 mm in a case, 0.01 to 0.03 mm tight. */
const fit: Fit = { diameter: mm(62), interference: { low: mm(0.01), high: mm(0.03) } } as Fit;

describe('what a fit is worth once it is in', () => {
  test('nothing is reckoned where the sheet says nothing of warmth or of a bearing', () => {
    expect([gripOf(fit), clearanceOf(fit)]).toEqual([undefined, undefined]);
  });

  test('warm, an aluminium case lets a steel ring go, by the loosest fit', () => {
    const asked = gripOf({ ...fit, warm: { around: 'aluminium', temperature: celsius(90) } })!;
    expect(asked.inputs).toMatchObject({ interference: mm(0.01), outerMaterial: 'aluminium' });
    expect(asked.reckoned.results.verdict).toBe('loose');
    // By hand, expansions of 23.1 and 11.5 µm/(m·K): 20 + 0.01/(62 × 11.6e-6) = 33.9 °C.
    expect(inCanonical(asked.reckoned.results.loosensAt!, 'temperature')).toBeCloseTo(33.9, 0);
  });

  test('a steel case grips it as well warm as cold', () => {
    const asked = gripOf({ ...fit, warm: { around: 'steel', temperature: celsius(90) } })!;
    expect(asked.reckoned.results.verdict).not.toBe('loose');
  });

  test('the tightest fit leaves the least clearance, and more of it leaves less', () => {
    const bearing = { outside: mm(62), clearance: mm(0.02), type: 'ball' } as const;
    const left = (high: number): number =>
      inCanonical(
        clearanceOf({ diameter: mm(30), interference: { low: mm(0), high: mm(high) }, bearing } as Fit)!.reckoned
          .results.runningClearance,
        'length',
      );
    expect(left(0.002)).toBeLessThan(0.02);
    expect(left(0.012)).toBeLessThan(left(0.002));
    expect(left(0.04)).toBeLessThan(0);
  });
});
