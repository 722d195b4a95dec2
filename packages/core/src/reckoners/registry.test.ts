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

/** The first place in an answer that holds NaN, an infinity or null. */
function firstUnsound(value: unknown, at = ''): string | undefined {
  if (typeof value === 'number') return Number.isFinite(value) ? undefined : at;
  if (value === null) return at;
  if (typeof value !== 'object') return undefined;
  for (const [k, v] of Object.entries(value)) {
    const found = firstUnsound(v, `${at}.${k}`);
    if (found) return found;
  }
  return undefined;
}

type Path = readonly (string | number)[];
/** Every place in an input, at most 40 of a long list. */
function pathsOf(value: unknown, at: Path = []): Path[] {
  if (typeof value !== 'object' || value === null) return [at];
  const inner = Object.entries(value)
    .slice(0, 40)
    .flatMap(([k, v]) => pathsOf(v, [...at, Array.isArray(value) ? Number(k) : k]));
  return at.length > 0 ? [at, ...inner] : inner;
}
function put(value: unknown, [first, ...rest]: Path, bad: unknown): unknown {
  if (first === undefined) return bad;
  if (typeof value !== 'object' || value === null || (Array.isArray(value) && typeof first !== 'number')) return value;
  const copy = (Array.isArray(value) ? [...(value as unknown[])] : { ...value }) as Record<string | number, unknown>;
  copy[first] = put(copy[first], rest, bad);
  return copy;
}

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
          expect(firstUnsound(reckon(id, given))).toBeUndefined();
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

  test.each(reckoners.map((r) => [r.id] as const))('%s: a good input with one thing spoilt', (id) => {
    const { checks } = findReckoner(id);
    fc.assert(
      fc.property(fc.constantFrom(...checks), fc.nat(), fc.nat(), hostile, (check, which, spare, bad) => {
        const at = pathsOf(check.inputs);
        const spoilt = put(check.inputs, at[which % at.length]!, bad);
        const twice = spare % 3 === 0 ? put(spoilt, at[spare % at.length]!, bad) : spoilt;
        try {
          expect(firstUnsound(reckon(id, twice))).toBeUndefined();
        } catch (e) {
          if (!(e instanceof ReckonError)) throw e;
          expect(e.message.length).toBeGreaterThan(5);
        }
      }),
      { numRuns: 300 },
    );
  });

  test.each<[unknown]>([[null], [undefined], [7], ['x'], [[]]])('inputs %p are refused', (inputs) => {
    for (const r of reckoners) expect(() => r.reckon(inputs)).toThrow(ReckonError);
  });

  test('an unknown id names the known ones', () => {
    expect(() => reckon('nonsense', {})).toThrow(/no reckoner "nonsense"/);
  });
});
