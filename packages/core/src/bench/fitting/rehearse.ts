import type { FitOp } from './ops.ts';
import type { Hands, Hand } from '../registry/shapes.ts';

const goesIn: Hand<FitOp> = (op) => ({
  type: 'complete',
  op: op.id,
  ...(op.check === undefined ? {} : { ticks: ['check'] }),
});

/** What steady hands give next at these operations. */
export const fittingHands: Hands<FitOp> = {
  place: goesIn,
  press: goesIn,
  seal: goesIn,
};
