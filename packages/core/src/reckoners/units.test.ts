import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { convert, isQuantity, unitsOf, type Quantity } from '../quantities/index.ts';
import { reckoners, type Field, type Fields } from './index.ts';

/** Inputs with every quantity rewritten in another unit of its dimension, picked by `pick`. */
function rewritten(
  fields: Fields,
  inputs: Readonly<Record<string, unknown>>,
  pick: (units: readonly string[]) => string,
): Record<string, unknown> {
  return Object.fromEntries(Object.entries(inputs).map(([name, value]) => [name, rewrite(fields[name]!, value, pick)]));
}
function rewrite(field: Field, value: unknown, pick: (units: readonly string[]) => string): unknown {
  if (field.kind === 'record') return rewritten(field.fields, value as Record<string, unknown>, pick);
  if (field.kind === 'list') return Array.isArray(value) ? value.map((v) => rewrite(field.of, v, pick)) : value;
  if (field.kind !== 'quantity' || typeof value !== 'string') return value;
  const match = /^([-\d.e]+)\s*(.*)$/.exec(value)!;
  const own: Quantity = { value: Number(match[1]), unit: match[2]! };
  const unit = pick(unitsOf(field.dimension).map((u) => u.symbol));
  return convert(own, unit, field.dimension);
}
/** Every number of a result, with its path. */
function numbersOf(value: unknown, at = ''): [string, number][] {
  if (typeof value === 'number') return [[at, value]];
  if (isQuantity(value)) return [[`${at} ${value.unit}`, value.value]];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([k, v]) => numbersOf(v, `${at}.${k}`));
}
const wordsOf = (value: unknown): string =>
  JSON.stringify(value, (_, v: unknown) => (typeof v === 'number' ? undefined : v));

describe('the unit of an input never changes the answer', () => {
  const withQuantities = reckoners.filter((r) =>
    Object.values(r.inputs).some((f) => f.kind === 'quantity' || f.kind === 'list'),
  );
  test.each(withQuantities.map((r) => [r.id, r] as const))('%s', (_, r) => {
    fc.assert(
      fc.property(
        fc.constantFrom(...r.checks),
        fc.array(fc.nat(), { minLength: 40, maxLength: 40 }),
        (check, picks) => {
          let next = 0;
          const other = rewritten(
            r.inputs,
            check.inputs,
            (units) => units[picks[next++ % picks.length]! % units.length]!,
          );
          const [a, b] = [r.reckon(check.inputs).results, r.reckon(other).results];
          const numbers = numbersOf(b);
          for (const [i, [path, value]] of numbersOf(a).entries()) {
            expect(numbers[i]![0]).toBe(path);
            expect(Math.abs(numbers[i]![1] - value)).toBeLessThanOrEqual(1e-7 * Math.max(1, Math.abs(value)));
          }
          if (!/reason|words|evidence/.test(Object.keys(r.outputs).join()) && r.id !== 'torque-sanity')
            // torque-sanity names the unit that was typed, and no other: its words differ with it, as they should.
            expect(wordsOf(b)).toBe(wordsOf(a));
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('results are in the canonical unit of their dimension', () => {
  test.each(reckoners.map((r) => [r.id, r] as const))('%s', (_, r) => {
    for (const check of r.checks)
      for (const [name, value] of Object.entries(r.reckon(check.inputs).results)) {
        const is = r.outputs[name]?.is;
        expect({ name, declared: is !== undefined }).toEqual({ name, declared: true });
        if (!isQuantity(value) || is === 'own unit' || is === 'word' || is === 'list' || is === 'table') continue;
        expect({ name, unit: value.unit }).toEqual({ name, unit: unitsOf(is!)[0]!.symbol });
      }
  });
});
