import { describe, expect, test } from '@jest/globals';
import { convert, isQuantity, parseQuantity, type Quantity } from '../quantities/index.ts';
import { reckoners } from './index.ts';

/** The result at a path such as "stacks.0.total". */
function at(results: unknown, path: string): unknown {
  return path.split('.').reduce<unknown>((value, key) => (value as Record<string, unknown>)[key], results);
}

/** Decimals of a figure as it is written: a check holds to the last digit shown. */
const decimals = (text: string): number => /\.(\d+)/.exec(text)?.[1]?.length ?? 0;

describe('check values of the catalogue, each right to the last digit shown', () => {
  const all = reckoners.flatMap((r) => r.checks.map((c, i) => ({ name: `${r.id} ${i + 1} (${c.source})`, r, c })));
  test.each(all)('$name', ({ r, c }) => {
    const { results } = r.reckon(c.inputs);
    expect(Object.keys(c.gives)).not.toEqual([]);
    for (const [path, wanted] of Object.entries(c.gives)) {
      const got = at(results, path);
      if (isQuantity(got)) {
        const want: Quantity = /[a-zµΩ°%³]/i.test(wanted)
          ? parseQuantity(wanted)
          : { value: Number(wanted), unit: '1' };
        const inUnit = got.unit === want.unit ? got.value : convert(got, want.unit).value;
        expect({
          path,
          off: Math.abs(inUnit - want.value) <= 0.5000001 * 10 ** -decimals(wanted) ? 0 : inUnit - want.value,
        }).toEqual({ path, off: 0 });
      } else if (Array.isArray(got)) expect(got.join(' ')).toBe(wanted);
      else if (typeof got === 'number') expect(got).toBeCloseTo(Number(wanted), decimals(wanted));
      else expect(got).toBe(wanted);
    }
  });
  test('each working leads to the result: some line’s value is each quantity that a check names', () => {
    for (const r of reckoners) {
      const check = r.checks[0];
      const { results, working } = r.reckon(check.inputs);
      expect(working.length).toBeGreaterThan(0);
      for (const path of Object.keys(check.gives)) {
        const got = at(results, path);
        if (!isQuantity(got)) continue;
        const close = working.some(
          ({ value }) =>
            typeof value !== 'string' &&
            value.unit === got.unit &&
            Math.abs(value.value - got.value) <= 1e-6 * Math.abs(got.value) + 1e-9,
        );
        expect({ reckoner: r.id, path, inWorking: close }).toEqual({ reckoner: r.id, path, inWorking: true });
      }
    }
  });
});

describe('choices', () => {
  test('spaces and capitals do not matter, an unknown word does', () => {
    const at = (fluid: string): unknown =>
      reckoners
        .find((r) => r.id === 'seal-material')!
        .reckon({ fluid, temperatureMin: '0 °C', temperatureMax: '80 °C', motion: 'static' }).results['suited'];
    expect(at('Mineral oil')).toEqual(at('mineral-oil'));
    expect(() => at('olive oil')).toThrow(/olive oil/);
  });
});
