import type { ProveOp } from './ops.ts';
import type { Titles } from '../registry/shapes.ts';

/** These operations in a few words, as the next move. */
export const provingTitles: Titles<ProveOp> = {
  test: (sheet, op) => `${sheet.tests[op.test]?.title ?? op.test}, ${op.moment === 'as-found' ? 'as found' : 'now'}`,
};
