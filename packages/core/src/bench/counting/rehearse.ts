import type { CountOp } from './ops.ts';
import { UNTOLD_COUNT } from '../rehearsal/middle.ts';
import type { Hands } from '../registry/shapes.ts';

/** What steady hands give next at these operations. */
export const countingHands: Hands<CountOp> = {
  count: (op, { sheet, state, figures }) => {
    const part = op.part ?? op.what;
    return {
      type: 'count',
      op: op.id,
      count: state.uncounted[part] ? Number(figures.counts?.(part)) || UNTOLD_COUNT : sheet.parts[part]!.count,
    };
  },
};
