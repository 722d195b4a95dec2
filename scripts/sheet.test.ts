import { describe, expect, jest, test } from '@jest/globals';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { jubbIn, ROOT, workFolder } from './jubb.fixtures.ts';

jest.setTimeout(240_000);
const work = workFolder('sheet');
const jubb = jubbIn(work);

describe('./jubb sheet', () => {
  interface Row {
    readonly n: number;
    readonly side: string;
    readonly step: string;
    readonly kind: string;
    readonly says: string;
  }
  const order = (...args: readonly string[]): Row[] =>
    JSON.parse(jubb(['sheet', 'order', ...args, '--json']).out) as Row[];

  test('the whole library can be worked', () => {
    const ran = jubb(['sheet', '--all']);
    expect([ran.code, ran.out.trim()]).toEqual([0, expect.stringMatching(/^\d+ sheets can be worked$/)]);
  });
  test('a file with a fault: its line, its code, exit 1', () => {
    const file = join(work, 'winch.yaml');
    const good = readFileSync(join(ROOT, 'library/axle-pinion.yaml'), 'utf8');
    writeFileSync(
      file,
      good.replace('      - fit: flange-bar\n      - undo: pinion-joint\n', '      - undo: pinion-joint\n'),
    );
    const ran = jubb(['sheet', 'lint', file]);
    expect(ran.code).toBe(1);
    expect(ran.out).toMatch(/winch\.yaml:\d+:\d+: error aid-not-in: "Flange bar" is not in/);
  });
  test('the order: the sides one after another, numbered, and cut by a scope', () => {
    const rows = order('axle-pinion');
    expect(rows.map((r) => r.n)).toEqual(rows.map((_, i) => i + 1));
    expect([...new Set(rows.map((r) => r.side))]).toEqual(['strip', 'bottom', 'build']);
    const sleeve = rows.findIndex((r) => /crush sleeve/i.test(r.says) && r.kind === 'place');
    const preload = rows.findIndex((r) => r.kind === 'set' && /preload/i.test(r.says));
    expect([sleeve >= 0, preload > sleeve]).toEqual([true, true]);
    const few = order('axle-pinion', '--scope', 'half-shafts');
    expect(few.length).toBeLessThan(rows.length / 2);
    expect(few.some((r) => /pinion nut/i.test(r.says))).toBe(false);
  });
  test('a variant and a method change the order', () => {
    const says = (...args: readonly string[]): string =>
      order('axle-pinion', ...args)
        .map((r) => r.says)
        .join('\n');
    expect(says('--variant', 'nuts')).toMatch(/adjuster nut/i);
    expect(says('--variant', 'shims')).not.toMatch(/adjuster nut/i);
    const strap = order('cylinder-lift', '--method', 'cap-heat=strap').map((r) => r.kind);
    expect([
      strap.includes('heat'),
      order('cylinder-lift', '--method', 'cap-heat=heat').some((r) => r.kind === 'heat'),
    ]).toEqual([false, true]);
  });
  test.each([
    ['a sheet that is not there', ['order', 'moon'], /no file and no sheet "moon"; the library has: .*axle-pinion/],
    ['a variant', ['order', 'axle-pinion', '--variant', 'moon'], /moon.*nuts, shims/],
    ['a scope', ['order', 'axle-pinion', '--scope', 'moon'], /moon.*half-shafts/],
    ['a method', ['order', 'axle-pinion', '--method', 'moon=x'], /moon/],
    ['a choice', ['order', 'axle-pinion', '--method', 'head-off=moon'], /moon.*plates, split/],
    ['a finding', ['order', 'axle-pinion', '--finding', 'hub=moon'], /moon/],
  ])('refused by name: %s', (_, args, says) => {
    const ran = jubb(['sheet', ...args]);
    expect(ran.code).toBe(2);
    expect(ran.err).toMatch(says);
  });
});
