import type { MarkOp } from './ops.ts';
import { lowerFirst } from '../ladder/words.ts';
import type { Titles } from '../registry/shapes.ts';

/** These operations in a few words, as the next move. */
export const marksTitles: Titles<MarkOp> = {
  'fit-aid': (sheet, op) => `Fit the ${lowerFirst(sheet.aids[op.aid]?.title ?? op.aid)}`,
  'remove-aid': (sheet, op) => `Take the ${lowerFirst(sheet.aids[op.aid]?.title ?? op.aid)} out`,
  mark: (sheet, op) => `Mark ${lowerFirst(sheet.marks[op.mark]?.title ?? op.mark)}`,
  align: (sheet, op) => `Line up the mark, ${lowerFirst(sheet.marks[op.mark]?.title ?? op.mark)}`,
};
