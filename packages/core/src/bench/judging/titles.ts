import type { JudgeOp } from './ops.ts';
import { lowerFirst, partTitle } from '../ladder/words.ts';
import type { Titles } from '../registry/shapes.ts';

/** These operations in a few words, as the next move. */
export const judgingTitles: Titles<JudgeOp> = {
  judge: (sheet, op) =>
    op.parts.length > 3
      ? `Judge ${op.parts.length} parts`
      : `Judge ${op.parts.map((p) => lowerFirst(partTitle(sheet, p))).join(', ')}`,
  cause: (sheet, op) => sheet.causes[op.cause]?.ask ?? op.cause,
  choose: (sheet, op) => sheet.methods[op.method]?.ask ?? op.method,
};
