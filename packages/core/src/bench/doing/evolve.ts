import type { DoingPayloads } from './events.ts';
import { done } from '../log/state-with.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const doingEvolvers: Evolvers<keyof DoingPayloads> = {
  'caution-acknowledged': (state, payload, stamp) => ({ ...done(state, stamp, payload.op) }),
  'op-done': (state, payload, stamp) => ({
    ...done(state, stamp, payload.op, {
      note: payload.note,
      answer: payload.answer,
      ...(payload.ticks ? { ticks: payload.ticks } : {}),
      ...(payload.amount ? { amount: payload.amount } : {}),
    }),
  }),
  'rung-done': (state, payload, stamp) => ({ steps: { ...state.steps, [payload.step]: stamp } }),
};
