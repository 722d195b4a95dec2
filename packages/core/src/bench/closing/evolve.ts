import type { ClosingPayloads } from './events.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const closingEvolvers: Evolvers<keyof ClosingPayloads> = {
  'taken-back': () => ({}),
  'checked-over': (state, _payload, stamp) => ({ checked: stamp }),
  'signed-off': (state, _payload, stamp) => ({ signed: stamp }),
  'handed-over': (state, payload, stamp) => ({
    handedOver: { ...stamp, to: payload.to, note: payload.note },
  }),
};
