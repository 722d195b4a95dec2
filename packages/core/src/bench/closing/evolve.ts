import type { ClosingPayloads } from './events.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const closingEvolvers: Evolvers<keyof ClosingPayloads> = {
  'taken-back': (state) => state,
  'checked-over': (state, _payload, stamp) => ({ ...state, checked: stamp }),
  'signed-off': (state, _payload, stamp) => ({ ...state, signed: stamp }),
  'handed-over': (state, payload, stamp) => ({
    ...state,
    handedOver: { ...stamp, to: payload.to, note: payload.note },
  }),
};
