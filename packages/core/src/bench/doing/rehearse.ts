import { completes } from '../rehearsal/completes.ts';
import type { DoingOp } from './ops.ts';
import type { Hands } from '../registry/shapes.ts';

/** What steady hands give next at these operations. */
export const doingHands: Hands<DoingOp> = {
  caution: completes,
  do: completes,
  helper: completes,
  clean: completes,
  lubricate: completes,
  protect: completes,
  threadlock: completes,
  fill: completes,
  confirm: completes,
  drain: completes,
  'let-down': completes,
  lift: completes,
  lower: completes,
  'lock-off': completes,
  'let-run': completes,
  run: completes,
  move: completes,
  rework: (op) => ({
    type: 'complete',
    op: op.id,
    ticks: [...(op.check === undefined ? [] : ['check']), ...(op.clear === undefined ? [] : ['clear'])],
  }),
  bleed: (op) => ({ type: 'complete', op: op.id, ...(op.strokes === undefined ? {} : { strokes: op.strokes }) }),
};
