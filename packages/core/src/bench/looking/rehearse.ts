import type { LookOp } from './ops.ts';
import { openBad } from '../bad/bad-things.ts';
import type { Hands } from '../registry/shapes.ts';

/** What steady hands give next at these operations. */
export const lookingHands: Hands<LookOp> = {
  look: (op, { sheet, state, figures, takenSo }) => {
    const seen = openBad(sheet, state).find((b) => b.op === op.id);
    const taken = takenSo(seen);
    if (taken) return taken;
    const { choices } = sheet.looks[op.look]!;
    const good = choices.find((c) => c.verdict === 'good') ?? choices[0]!;
    return { type: 'look', op: op.id, choice: (seen ? undefined : figures.look?.(op.look, op.moment)) ?? good.id };
  },
  inspect: (op) => ({ type: 'complete', op: op.id, answer: 'no' }),
};
