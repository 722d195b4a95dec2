import { describe, expect, test } from '@jest/globals';
import { booked, librarySheet, libraryText, upTo } from '../bench.fixtures.ts';
import { readSheet } from '../../sheet/read/index.ts';
import { linesOf, takesWords } from '../index.ts';

const sheet = librarySheet('clutch-wet');
const undoing = () => {
  const bench = booked(sheet, sheet.variants[0]!.id);
  return { bench, op: upTo(bench, 'undo', 'strip cover') };
};

describe('fasteners that are not all alike', () => {
  test('are said by place, at the undoing and at the tightening', () => {
    expect(takesWords(sheet.joints['cover-screws']!)).toEqual(['long, M6 × 45: places 8 and 9']);
    const op = sheet.steps.flatMap((s) => s.ops).find((o) => o.kind === 'tighten' && o.joint === 'cover-screws')!;
    expect(linesOf(sheet, booked(sheet, null).state, op)).toContain('long, M6 × 45: places 8 and 9');
  });

  test('are asked about as they come out', () => {
    const { bench, op } = undoing();
    expect(bench.refused({ type: 'complete', op }).says).toMatch(/as the sheet has them by place\? long, M6 × 45/);
    bench.do({ type: 'complete', op, answer: 'yes' });
    expect(bench.state.joints['cover-screws']!.undone).toBeDefined();
  });

  test('where the sheet is wrong, what came out where is written down, and its next revision hears of it', () => {
    const { bench, op } = undoing();
    expect(bench.refused({ type: 'complete', op, answer: 'no' }).says).toMatch(/which came out where/);
    bench.do({ type: 'complete', op, answer: 'no', note: 'long ones at 3 and 5' });
    expect(bench.state.lessons.at(-1)).toMatchObject({
      kind: 'not-as-sheet',
      words: 'Cover, by place: long ones at 3 and 5',
    });
    expect(bench.state.notes.at(-1)!.text).toBe('Cover, by place: long ones at 3 and 5');
  });

  test('a place that the joint does not have is refused by the reader', () => {
    const text = libraryText('clutch-wet').replace('takes: { 8: "long', 'takes: { 12: "long');
    expect(readSheet(text).problems).toContainEqual(
      expect.objectContaining({ code: 'count-disagrees', message: 'there is no place 12: the joint has 9 fasteners' }),
    );
  });
});
