import type { LookOp } from './ops.ts';
import { lowerFirst, partTitle } from '../ladder/words.ts';
import type { Titles } from '../registry/shapes.ts';

/** These operations in a few words, as the next move. */
export const lookingTitles: Titles<LookOp> = {
  look: (sheet, op) =>
    `${sheet.looks[op.look]?.title ?? op.look}${op.moment === 'bottom' ? '' : op.moment === 'as-found' ? ', as found' : ', now'}`,
  inspect: (sheet, op) => `Look at the ${lowerFirst(partTitle(sheet, op.what))}`,
};
