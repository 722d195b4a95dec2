import type { StackOp } from './ops.ts';
import type { Hands, Hand } from '../registry/shapes.ts';

const orderIsRecorded: Hand<StackOp> = (op, { sheet }) => ({
  type: 'order-stack',
  op: op.id,
  order: sheet.stacks[op.stack]!.layers.map((_, i) => i),
});

/** What steady hands give next at these operations. */
export const stacksHands: Hands<StackOp> = {
  stack: orderIsRecorded,
  restack: orderIsRecorded,
};
