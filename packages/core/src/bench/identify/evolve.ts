import type { IdentifyPayloads } from './events.ts';
import { done } from '../log/state-with.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const identifyEvolvers: Evolvers<keyof IdentifyPayloads> = {
  identified: (state, payload, stamp) => {
    const { op, variant, part, order } = payload;
    return {
      ...done(state, stamp, op),
      identified: [...state.identified, { ...payload, ...stamp }],
      variant: variant ?? state.variant,
      orders: part !== undefined && order !== undefined ? { ...state.orders, [part]: order } : state.orders,
    };
  },
};
