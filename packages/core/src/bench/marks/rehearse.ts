import { completes } from '../rehearsal/completes.ts';
import type { Hands } from '../registry/shapes.ts';
import type { MarkOp } from './ops.ts';

/** What steady hands give next at these operations. */
export const marksHands: Hands<MarkOp> = {
  'fit-aid': completes,
  'remove-aid': completes,
  mark: completes,
  align: completes,
};
