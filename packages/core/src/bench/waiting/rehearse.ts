import { opTitle } from '../ladder/wording.ts';
import type { WaitOp } from './ops.ts';
import { readingsOf } from '../measuring/readings-of.ts';
import { timerOf } from './timers.ts';
import { heatWindow } from '../fitting/windows.ts';
import { middle } from '../rehearsal/middle.ts';
import type { Hands, Hand } from '../registry/shapes.ts';

const wait: Hand<WaitOp> = (op, { sheet, state, figures, read }) => {
  const fit = op.kind === 'heat' && op.part !== undefined ? sheet.parts[op.part]?.fit : undefined;
  if (fit && readingsOf(state, op.id).length === 0) {
    const { low, high } = heatWindow(fit);
    return read(`${op.part} heat`, middle(low, high), 'temperature');
  }
  if (op.minutes !== undefined && !timerOf(state, op.id))
    return { type: 'start-timer', op: op.id, title: opTitle(sheet, op), minutes: op.minutes, kind: op.kind };
  return {
    type: 'complete',
    op: op.id,
    ...(figures.impatience === undefined ? {} : { reason: figures.impatience }),
  };
};

/** What steady hands give next at these operations. */
export const waitingHands: Hands<WaitOp> = {
  cure: wait,
  soak: wait,
  rest: wait,
  heat: wait,
};
