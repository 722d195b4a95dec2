import type { ProvePayloads } from './events.ts';
import { returned } from './return-to-step/evolve.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const provingEvolvers: Evolvers<keyof ProvePayloads> = {
  'led-back': (state, payload, stamp) => returned(state, payload, stamp),
};
