import { done } from '../log/state-with.ts';
import type { BadPayloads } from './events.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const badEvolvers: Evolvers<keyof BadPayloads> = {
  'accepted-so': (state, payload, stamp) => {
    const { key, op, reason } = payload;
    return {
      ...(op === null || state.done[op] ? {} : done(state, stamp, op, { note: reason })),
      accepted: { ...state.accepted, [key]: { ...payload, ...stamp } },
    };
  },
};
