import type { IdentifyOp } from './ops.ts';
import type { Titles } from '../registry/shapes.ts';

/** These operations in a few words, as the next move. */
export const identifyTitles: Titles<IdentifyOp> = {
  identify: (sheet, op) => sheet.identify.find((q) => q.id === op.question)?.ask ?? 'Which is it?',
};
