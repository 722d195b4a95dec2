import { describe, expect, test } from '@jest/globals';
import { parse } from 'csv-parse/sync';
import fc from 'fast-check';
import { cellText, plainText, writeCsv } from './write-csv.ts';

describe('CSV', () => {
  test.each(['=1+1', '+1', '-1+cmd', '@SUM(A1)', '\t=1', '\r=1', '\n=1', '＝1', '=HYPERLINK("http://x")'])(
    '%j is no live cell',
    (text) => {
      const [, row] = parse(writeCsv(['a', 'b'], [[text, 'x']]));
      expect(row![0]).toBe(`'${text}`);
    },
  );
  test('numbers stay numbers, also below nothing', () => {
    expect(writeCsv(['a', 'b'], [[-0.05, 3]])).toBe('a,b\n-0.05,3\n');
  });
  test('whatever a text is, it comes back as it was, and no cell begins like a formula', () => {
    fc.assert(
      fc.property(fc.array(fc.string({ unit: 'grapheme' }), { minLength: 1, maxLength: 5 }), (texts) => {
        const columns = texts.map((_, i) => `c${i}`);
        const [, row] = parse(writeCsv(columns, [texts]), { relax_column_count: true });
        for (const cell of row!) expect(cell).not.toMatch(/^[=+\-@\t\r]/);
        if (texts.every((t) => !/^'/.test(t))) expect(row!.map(plainText)).toEqual(texts);
        expect(
          texts.map((t) => plainText(cellText(t))).filter((t, i) => t !== texts[i] && !texts[i]!.startsWith("'")),
        ).toEqual([]);
      }),
    );
  });
});
