import type { CountOp } from './ops.ts';
import { lowerFirst, partTitle } from '../ladder/words.ts';
import type { Titles } from '../registry/shapes.ts';

/** These operations in a few words, as the next move. */
export const countingTitles: Titles<CountOp> = {
  count: (sheet, op) => `Count the ${lowerFirst(partTitle(sheet, op.part ?? op.what))}`,
};
