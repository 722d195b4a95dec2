import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { parse } from 'csv-parse/sync';
import { customerColumns, customersCsv, readCustomers, type CustomerFacts } from './index.ts';

const skerrow: CustomerFacts = {
  name: 'Skerrow Airfield',
  phone: '0555 1234',
  email: 'yard@skerrow.example',
  address: 'Hangar 3\nSkerrow',
  notes: '',
};

describe('customers of a CSV', () => {
  test('new, changed, as it is; a column that is not there leaves what is known', () => {
    const lines = readCustomers('Phone;Name\n0555 9999;skerrow  airfield\n;Brae Quarry\n', [skerrow]);
    expect(lines).toEqual([
      { line: 2, what: 'changed', facts: { ...skerrow, phone: '0555 9999' } },
      { line: 3, what: 'new', facts: { name: 'Brae Quarry', phone: '', email: '', address: '', notes: '' } },
    ]);
    expect(readCustomers('name\nSkerrow Airfield\n', [skerrow])).toEqual([{ line: 2, what: 'same', facts: skerrow }]);
  });

  test.each([
    ['a name of blanks', 'name,phone\n  ,1\n', 'name: A name is due'],
    ['no address of mail', 'name,email\nA,nowhere\n', 'email: "nowhere" is no address of mail'],
    ['a name that is too long', `name\n${'x'.repeat(81)}\n`, 'name: 81 letters; at most 80'],
  ])('a line with %s is named with why', (_, text, why) => {
    expect(readCustomers(text, [])).toEqual([{ line: 2, what: 'wrong', why }]);
  });

  test('the second line of one name is wrong, the others are taken', () => {
    const lines = readCustomers('name\nA\nB\n a \n', []);
    expect(lines.map((l) => l.what)).toEqual(['new', 'new', 'wrong']);
    expect(lines[2]).toMatchObject({ line: 4, why: 'name: "a" stands in line 2 already' });
  });

  test.each([
    ['without the column "name"', 'who,phone\nA,1\n', /no column "name"; the columns are who, phone/],
    ['of nothing', '', /no column "name"; the columns are none/],
    ['with a quote that never ends', 'name\n"A\nB\n', /[Qq]uote/],
    ['of too many lines', `name\n${'A\n'.repeat(5001)}`, /5001 lines; at most 5000/],
  ])('a file %s is refused whole', (_, text, says) => {
    expect(() => readCustomers(text, [])).toThrow(says);
  });

  const word = fc
    .string({ minLength: 1, maxLength: 30 })
    .map((s) => s.trim().replace(/\s+/g, ' '))
    .filter((s) => s !== '');
  test('what is written is read again as it was, whatever stands in it', () => {
    const list = fc.uniqueArray(
      fc.record({ name: word, phone: word, email: fc.constant('a@b'), address: word, notes: word }),
      { selector: (c) => c.name.toLowerCase(), maxLength: 12 },
    );
    fc.assert(
      fc.property(list, (customers) => {
        const again = readCustomers(customersCsv(customers), customers);
        expect(again.map((l) => l.what)).toEqual(customers.map(() => 'same'));
      }),
    );
  });

  test('what is written is plain CSV with its columns at the top', () => {
    const rows = parse(customersCsv([skerrow]), { columns: true }) as unknown as Record<string, string>[];
    expect(rows).toEqual([skerrow]);
    expect(Object.keys(rows[0]!)).toEqual([...customerColumns]);
  });
});
