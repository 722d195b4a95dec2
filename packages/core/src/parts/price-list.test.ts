import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { CatalogueItem } from './order-plan.ts';
import { priceChanges, readPriceList, writePriceList } from './price-list.ts';

const read = (text: string): ReturnType<typeof readPriceList> => readPriceList(text, 'Gannet Parts');
const item = (number: string, priceMinor: number, more: Partial<CatalogueItem> = {}): CatalogueItem => ({
  number,
  title: number,
  priceMinor,
  supplier: 'Gannet Parts',
  ...more,
});

describe('a price list', () => {
  test.each([
    ['commas', 'number,title,price\nA-1,Seal,12.50\n'],
    ['semicolons, decimal comma', 'Number;Description;Net price\nA-1;Seal;12,50\n'],
    ['tabs and a byte order mark', '\uFEFFPart number\tName\tPrice\nA-1\tSeal\t£ 12.50\n'],
  ])('with %s reads the same', (_, text) => {
    expect(read(text)).toEqual({ items: [item('A-1', 1250, { title: 'Seal' })], errors: [], lines: 1 });
  });

  test.each([
    ['1234.5', 123450],
    ['1,234.50', 123450],
    ['1.234,50', 123450],
    ['0', 0],
    ['12,5', 1250],
  ])('%s is read as %p minor units', (text, minor) => {
    expect(read(`number;price\nA;${text}\n`).items[0]!.priceMinor).toBe(minor);
  });

  test('each bad line is named with its field, what came and why; the good ones are taken', () => {
    const { items, errors, lines } = read(
      [
        'number,title,price,superseded by',
        'A-1,Seal,12.50,',
        'A-2,Ring,-3.00,',
        'A-3,"=cmd|calc",4.00,',
        ',Nameless,1.00,',
        'A-5,Felt,cheap,',
        'A-1,Seal again,13.00,',
        'A-7,Pin,0.123,',
        'A-8,Nut,1.00,A-8',
        'A-9,Cup,1e9,',
        'B-1,Cone,21.50,B-2',
      ].join('\n'),
    );
    expect(items.map((i) => i.number)).toEqual(['A-1', 'B-1']);
    expect(lines).toBe(10);
    expect(errors.map((e) => [e.line, e.field])).toEqual([
      [3, 'price'], [4, 'title'], [5, 'number'], [6, 'price'], [7, 'number'], [8, 'price'], [9, 'superseded by'], [10, 'price'],
    ]); // prettier-ignore
    expect(errors[1]!.says).toMatch(/formula/);
    expect(errors[0]).toMatchObject({ given: '-3.00', says: 'a price is not negative' });
  });

  test('without a heading that says number and price it is refused whole, with what the heading has', () => {
    expect(() => read('a,b\n1,2\n')).toThrow(/no column "number"; it has: a, b/);
    expect(() => read('')).toThrow(/empty/);
  });

  test('what an import changes is said before it is done; a circle of supersessions never gets in', () => {
    const catalogue = new Map(
      [item('A', 100), item('B', 200, { supersededBy: 'C' }), item('C', 300)].map((i) => [i.number, i]),
    );
    const list = read('number,title,price,superseded by\nA,A,1.00,\nB,B,2.50,\nC,C,3.00,B\nD,D,4.00,\n');
    const { added, changed, same, errors } = priceChanges(list, catalogue);
    expect(added.map((i) => i.number)).toEqual(['D']);
    expect(changed).toEqual([]);
    expect(same).toBe(1);
    expect(errors.map((e) => e.says)).toEqual([
      'B: the supersessions would go round in a circle',
      'C: the supersessions would go round in a circle',
    ]);
    expect(priceChanges(read('number,price\nB,2.50\n'), catalogue).changed[0]!.after).toMatchObject({
      priceMinor: 250,
      supersededBy: 'C',
    });
  });

  test('what is written reads back as it was', () => {
    const word = fc
      .string({ minLength: 1, maxLength: 20 })
      .filter((s) => s.trim() === s && !/^[=+\-@'"]|[\r\n\t"]/.test(s));
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.record({ number: word, title: word, priceMinor: fc.nat(1e7), supplier: word }), {
          selector: (i) => i.number,
          minLength: 1,
          maxLength: 20,
        }),
        (items) => {
          expect(read(writePriceList(items)).items).toEqual(items);
        },
      ),
    );
  });

  test('a cell that a spreadsheet would run is held when the list is written', () => {
    expect(writePriceList([item('=1+1', 100)])).toMatch(/^'=1\+1,/m);
  });
});
