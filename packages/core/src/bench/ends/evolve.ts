import type { EndPayloads } from './events.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const endsEvolvers: Evolvers<keyof EndPayloads> = {
  'ended-otherwise': (state, payload, stamp) => ({ end: { ...payload, ...stamp } }),
};
