import { describe, expect, test } from '@jest/globals';
import { booked, librarySheet, type TestBench } from '../bench.fixtures.ts';
import { answersThatStand, goesBackNew, variantsLeft } from '../index.ts';
import { partsOfVariant, stackAsSheet } from '../../sheet/index.ts';
import fc from 'fast-check';

const gearbox = (): TestBench => booked(librarySheet('gearbox-four'), null);

describe('which one it is', () => {
  test('an answer given anew replaces the one before: what it ruled out is open again', () => {
    const bench = gearbox();
    const [question] = bench.sheet.identify;
    const says = (variant: string): string => {
      const choice = question!.choices.find((c) => c.variants.includes(variant) && c.variants.length === 1)!;
      return choice.word!;
    };
    const [one, other] = bench.sheet.variants.map((v) => v.id) as [string, string];
    bench.do({ type: 'identify', question: question!.id, answer: says(one) });
    expect(variantsLeft(bench.sheet, bench.state)).toEqual([one]);
    bench.do({ type: 'identify', question: question!.id, answer: says(other) });
    expect(variantsLeft(bench.sheet, bench.state)).toEqual([other]);
    expect(bench.state.identified).toHaveLength(2);
    expect(answersThatStand(bench.state).map((a) => a.answer)).toEqual([says(other)]);
    expect(answersThatStand(bench.state, question!.id)).toEqual([]);
  });

  test('nothing answered: it could be any of them', () => {
    const bench = gearbox();
    expect(variantsLeft(bench.sheet, bench.state)).toEqual(bench.sheet.variants.map((v) => v.id));
  });

  test('the parts of a variant: those of the other’s rungs are not among them', () => {
    for (const name of ['gearbox-four', 'alternator-brushpin', 'prop-centre']) {
      const sheet = librarySheet(name);
      const any = partsOfVariant(sheet, undefined);
      expect(any).toEqual(new Set(Object.keys(sheet.parts)));
      for (const v of sheet.variants) {
        const its = partsOfVariant(sheet, v.id);
        expect([...its].every((p) => any.has(p))).toBe(true);
        expect(its.size).toBeGreaterThan(any.size / 2);
      }
    }
  });
});

describe('what goes back new', () => {
  test('by the sheet’s rule, or by what was found; a watched part stays', () => {
    const bench = booked(librarySheet('axle-clip'), 'short-ratio');
    const { sheet, state } = bench;
    const found = (finding: 'renew' | 'scrap' | 'watch' | 'reuse') => ({ ...state, findings: { cover: finding } });
    const always = Object.values(sheet.parts).find((p) => p.renew === 'always')!.id;
    expect(goesBackNew(sheet, state, always)).toBe(true);
    expect(goesBackNew(sheet, state, 'cover')).toBe(false);
    expect((['renew', 'scrap', 'watch', 'reuse'] as const).map((f) => goesBackNew(sheet, found(f), 'cover'))).toEqual([
      true, true, false, false,
    ]); // prettier-ignore
  });
});

describe('a stack against its sheet', () => {
  const part = fc.constantFrom('fibre', 'steel', 'shim');
  test('layers of one part may change places; of two, never', () => {
    fc.assert(
      fc.property(fc.array(part, { minLength: 2, maxLength: 9 }), fc.nat(), fc.nat(), (parts, a, b) => {
        const stack = { layers: parts.map((p) => ({ part: p, title: p })) } as unknown as Parameters<
          typeof stackAsSheet
        >[0];
        const order = parts.map((_, i) => i);
        const [i, j] = [a % parts.length, b % parts.length];
        [order[i], order[j]] = [order[j]!, order[i]!];
        expect(stackAsSheet(stack, order)).toBe(parts[i] === parts[j]);
      }),
    );
  });
});
