import type { JudgeOp } from './ops.ts';
import type { Hands } from '../registry/shapes.ts';

/** What steady hands give next at these operations. */
export const judgingHands: Hands<JudgeOp> = {
  judge: (op, { state, figures }) => {
    const part = op.parts.find((p) => state.findings[p] === undefined);
    if (part === undefined) return { type: 'complete', op: op.id };
    return {
      type: 'judge',
      op: op.id,
      part,
      ...(figures.finding?.(part) ?? { finding: 'reuse' as const, reason: 'As new to eye and finger' }),
    };
  },
  cause: (op, { figures }) => ({ type: 'find-cause', op: op.id, choice: figures.cause?.(op.cause) ?? null }),
  choose: (op, { sheet, figures }) => ({
    type: 'choose',
    op: op.id,
    choice: figures.choice?.(op.method) ?? sheet.methods[op.method]!.choices[0]!.id,
  }),
};
