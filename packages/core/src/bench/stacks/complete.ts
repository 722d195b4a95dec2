import type { StackOp } from './ops.ts';
import { refuse } from '../command/refusal.ts';
import type { Completions, Completion } from '../registry/shapes.ts';

const orderIsRecorded: Completion<StackOp> = () =>
  refuse('not-complete', 'The order of the stack is not recorded', 'Put the layers as they lie');

/** How these operations are completed. */
export const stacksCompletions: Completions<StackOp> = {
  stack: orderIsRecorded,
  restack: orderIsRecorded,
};
