import { done } from '../log/state-with.ts';
import type { LookPayloads } from './events.ts';
import { usedUp } from '../proving/return-to-step/evolve.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const lookingEvolvers: Evolvers<keyof LookPayloads> = {
  looked: (state, payload, stamp) => ({
    ...(payload.open ? {} : done(state, stamp, payload.op)),
    looks: [...state.looks, { ...payload, ...stamp }],
  }),
  'part-binned': (state, payload) => usedUp(state, payload.part),
};
