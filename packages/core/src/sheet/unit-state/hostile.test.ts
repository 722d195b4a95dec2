import { describe, expect, test } from '@jest/globals';
import { readSheet } from '../read/index.ts';
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
});
