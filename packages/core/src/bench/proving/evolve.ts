import type { ProvePayloads } from './events.ts';
import { ledBack } from './return-to-step/evolve.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const provingEvolvers: Evolvers<keyof ProvePayloads> = {
  'led-back': (state, payload, stamp) => ledBack(state, payload, stamp),
};
