import { verbTitle } from '../ladder/words.ts';
import type { FitOp } from './ops.ts';
import { lowerFirst, partTitle } from '../ladder/words.ts';
import type { Titles } from '../registry/shapes.ts';

/** These operations in a few words, as the next move. */
export const fittingTitles: Titles<FitOp> = {
  place: (sheet, op) => `Place the ${lowerFirst(partTitle(sheet, op.what))}`,
  press: (sheet, op) => `Press the ${lowerFirst(partTitle(sheet, op.what))}${op.to ? `, ${op.to}` : ''}`,
  seal: verbTitle,
};
