import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { findReckoner, reckon, reckoners, ReckonError } from './index.ts';

const hostile = fc.oneof(
  fc.anything({ withBigInt: true, withNullPrototype: true, withSparseArray: true }),
  fc.constantFrom(
    'NaN mm',
    '1e309 N·m',
    '9'.repeat(5000),
    '-0',
    '__proto__',
    '0 mm',
    '-5 N·m',
    'M8',
    '8.8',
    '10 N·m',
    '1 mm',
    'circle',
    7,
    -1,
    1e300,
    [],
    {},
  ),
);

describe('every reckoner', () => {
  test('has an id of its own, words to be found by, sources and labelled fields', () => {
    expect(new Set(reckoners.map((r) => r.id)).size).toBe(reckoners.length);
    for (const r of reckoners) {
      expect(r.asks.length).toBeGreaterThan(0);
      for (const f of Object.values(r.inputs)) expect(f.label).toMatch(/^[A-Z]/);
    }
  });

  test.each(reckoners.map((r) => [r.id] as const))('%s: hostile input gets a ReckonError or finite results', (id) => {
    const { inputs } = findReckoner(id);
    const names = Object.keys(inputs);
    let refused = 0;
    fc.assert(
      fc.property(fc.record(Object.fromEntries(names.map((n) => [n, hostile])), { requiredKeys: [] }), (given) => {
        try {
          expect(JSON.stringify(reckon(id, given))).not.toMatch(/NaN|Infinity|:null/);
        } catch (e) {
          if (!(e instanceof ReckonError)) throw e;
          refused += 1;
          expect(e.toJSON()).toMatchObject({
            code: expect.any(String),
            field: expect.any(String),
            accepted: expect.any(String),
          });
        }
      }),
      { numRuns: 500 },
    );
    expect(refused).toBeGreaterThan(0);
  });

  test.each<[unknown]>([[null], [undefined], [7], ['x'], [[]]])('inputs %p are refused', (inputs) => {
    for (const r of reckoners) expect(() => r.reckon(inputs)).toThrow(ReckonError);
  });

  test('an unknown id names the known ones', () => {
    expect(() => reckon('nonsense', {})).toThrow(/no reckoner "nonsense"/);
  });
});
