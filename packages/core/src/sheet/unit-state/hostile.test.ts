import { describe, expect, test } from '@jest/globals';
import { stringify } from 'yaml';
import { readSheet } from '../read/index.ts';
import { sheetSchema } from '../schema/schema.ts';
import { WINCH } from './winch.fixtures.ts';

/** The good sheet with one text for another. @throws Error when it is not there */
function changed(from: string, to: string): string {
  if (!WINCH.includes(from)) throw new Error(`"${from}" must stand in the sheet`);
  return WINCH.replace(from, to);
}
const problems = (text: string): readonly string[] => readSheet(text).problems.map((p) => `${p.code} ${p.message}`);

describe('sheets that nobody meant: named and placed, never a hang', () => {
  test('a part that sits in itself', () => {
    const said = readSheet(
      changed('collar: { title: Collar, in: chamber,', 'collar: { title: Collar, in: collar,'),
    ).problems;
    expect(said.length).toBeGreaterThan(0);
    for (const p of said) expect(p.line).toBeGreaterThan(1);
  });
  test('parts behind each other', () => {
    const said = problems(
      changed('nut: { title: Shaft nut, in: chamber }', 'nut: { title: Shaft nut, in: chamber, behind: [collar] }'),
    );
    expect(said.some((s) => /in-the-way|cannot-be/.test(s))).toBe(true);
  });
  test('a space that nobody closes is no fault of itself', () => {
    const said = readSheet(changed('cover: { title: Cover, closes: [chamber] }', 'cover: { title: Cover }')).problems;
    expect(said.filter((p) => p.code === 'unknown-name')).toEqual([]);
  });
  test('a load that nobody frees', () => {
    const said = problems(changed('frees: [spring-joint]', 'frees: [moon]'));
    expect(said.some((s) => s.startsWith('unknown-name') && s.includes('moon'))).toBe(true);
  });
  test('variants that name none, and figures of a variant that is not there', () => {
    const said = problems(changed('shaft: { title: Shaft,', 'shaft: { title: Shaft, by: { moon: { price: 1 } },'));
    expect(said.some((s) => s.includes('moon'))).toBe(true);
  });
  test('steps that wait for each other are a cycle, and the ladder is not worked', () => {
    const waits = (text: string, rung: string, on: string): string => {
      const head = `  - id: ${rung}\n    title: ${rung[0]!.toUpperCase()}${rung.slice(1)}\n    strip:\n`;
      if (!text.includes(head)) throw new Error(`there is no rung ${rung}`);
      return text.replace(head, `${head}      - after: [${on}]\n`);
    };
    const said = readSheet(waits(waits(WINCH, 'nut', 'bearing'), 'bearing', 'nut')).problems;
    expect(said.map((p) => p.code)).toContain('cycle');
  });
  test('ten thousand operations are worked through, or refused as too many', () => {
    const many = Array.from({ length: 10_000 }, (_, i) => `      - do: "Line ${i}"\n`).join('');
    const { sheet, problems: said } = readSheet(changed('      - off: collar\n', `${many}      - off: collar\n`));
    if (said.length === 0) expect(sheet!.steps.flatMap((s) => s.ops).length).toBeGreaterThan(10_000);
    else for (const p of said) expect(p.message).toMatch(/\d/);
  });

  test.each(['build-sheet/1', 'build-sheet/2'])(
    '%s with every key that there is: each fault named and placed',
    (form) => {
      const text = stringify({ ...(filled(sheetSchema, 'sheet', 0) as object), jubb: form });
      for (const key of ['loads', 'routes', 'faults', 'scopes', 'stacks', 'leads', 'identify', 'while-open'])
        expect(text).toContain(`\n${key}:`);
      const { problems: said } = readSheet(text);
      expect(said.length).toBeGreaterThan(5);
      for (const p of said) {
        expect(p.line).toBeGreaterThanOrEqual(1);
        expect(p.message.length).toBeGreaterThan(5);
      }
    },
  );
});

type Loose = Readonly<Record<string, unknown>>;
/** Deeper than this the rungs of rungs are not filled. */
const DEEPEST = 9;
/** Something of every key that a schema has: the first of what may be chosen, one of what there may be many of. */
function filled(schema: object, key: string, depth: number): unknown {
  const s = schema as Loose;
  if (typeof s['$ref'] === 'string') {
    const defs = (sheetSchema as unknown as { readonly $defs: Readonly<Record<string, object>> }).$defs;
    return filled(defs[s['$ref'].split('/').at(-1)!]!, key, depth + 1);
  }
  const choice = (s['anyOf'] ?? s['oneOf']) as readonly object[] | undefined;
  if (choice) return filled(choice[0]!, key, depth);
  if ('const' in s) return s['const'];
  if (Array.isArray(s['enum'])) return s['enum'][0];
  if (s['type'] === 'array') {
    const least = Math.max(1, Number(s['minItems'] ?? 1));
    const items = s['items'] ?? (s['prefixItems'] as readonly object[] | undefined)?.[0] ?? {};
    return depth > DEEPEST ? [] : Array.from({ length: least }, () => filled(items, key, depth + 1));
  }
  if (s['type'] === 'object') {
    if (depth > DEEPEST) return {};
    const own = Object.entries((s['properties'] ?? {}) as Readonly<Record<string, object>>);
    const map = s['additionalProperties'];
    return own.length > 0
      ? Object.fromEntries(own.map(([k, of]) => [k, filled(of, k, depth + 1)]))
      : typeof map === 'object' && map !== null
        ? { one: filled(map, key, depth + 1), two: filled(map, key, depth + 1) }
        : {};
  }
  if (s['type'] === 'integer' || s['type'] === 'number') return Number(s['minimum'] ?? 1);
  if (s['type'] === 'boolean') return true;
  return 'one';
}
