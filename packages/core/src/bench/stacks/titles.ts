import type { StackOp } from './ops.ts';
import { lowerFirst } from '../ladder/words.ts';
import type { Titles } from '../registry/shapes.ts';

/** These operations in a few words, as the next move. */
export const stacksTitles: Titles<StackOp> = {
  stack: (sheet, op) => `Record the stack as it lies: ${lowerFirst(sheet.stacks[op.stack]?.title ?? op.stack)}`,
  restack: (sheet, op) => `Stack in order: ${lowerFirst(sheet.stacks[op.stack]?.title ?? op.stack)}`,
};
