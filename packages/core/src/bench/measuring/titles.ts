import type { MeasureOp } from './ops.ts';
import { lowerFirst } from '../ladder/words.ts';
import type { Titles } from '../registry/shapes.ts';

/** These operations in a few words, as the next move. */
export const measuringTitles: Titles<MeasureOp> = {
  measure: (sheet, op) => `Measure: ${lowerFirst(sheet.measures[op.measure]?.title ?? op.measure)}`,
};
