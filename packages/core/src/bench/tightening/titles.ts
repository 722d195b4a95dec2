import type { TightenOp } from './ops.ts';
import { lowerFirst, countWords } from '../ladder/words.ts';
import type { Titles } from '../registry/shapes.ts';

/** These operations in a few words, as the next move. */
export const tighteningTitles: Titles<TightenOp> = {
  tighten: (sheet, op) => {
    const j = sheet.joints[op.joint];
    if (!j) return 'Tighten';
    const stage = op.through === undefined ? '' : `, ${lowerFirst(j.stages[op.through]?.name ?? '')} only`;
    return `Tighten the ${lowerFirst(j.title)}, ${countWords(j.count)} × ${j.thread}${stage}`;
  },
};
