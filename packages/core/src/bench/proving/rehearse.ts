import type { ProveOp } from './ops.ts';
import { readingsOf } from '../measuring/readings-of.ts';
import { openBad } from '../bad/bad-things.ts';
import { middle } from '../rehearsal/middle.ts';
import type { Hands } from '../registry/shapes.ts';

/** What steady hands give next at these operations. */
export const provingHands: Hands<ProveOp> = {
  test: (op, { sheet, state, read, takenSo }) => {
    const failed = takenSo(openBad(sheet, state).find((b) => b.op === op.id));
    if (failed) return failed;
    if (readingsOf(state, op.id).length > 0) return { type: 'complete', op: op.id };
    const t = sheet.tests[op.test]!;
    return read(`${t.id} ${op.moment}`, middle(t.accept.low, t.accept.high), t.dimension);
  },
};
