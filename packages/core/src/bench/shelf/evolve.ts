import type { ShelfPayloads } from './events.ts';
import { without } from '../strip/tray.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const shelfEvolvers: Evolvers<keyof ShelfPayloads> = {
  held: (state, payload, stamp) => ({
    holds: [...state.holds, { id: payload.hold, why: payload.why, note: payload.note, ...stamp }],
  }),
  'hold-cleared': (state, payload, stamp) => ({
    holds: state.holds.map((h) => (h.id === payload.hold ? { ...h, cleared: stamp } : h)),
  }),
  moved: (state, payload) => ({ place: payload.to }),
  parked: (state, payload, stamp) => ({ parked: { ...payload, ...stamp }, place: payload.to }),
  resumed: (state, payload, stamp) => {
    let { off } = state;
    // What was found is what lies there from now on.
    for (const { part, found } of payload.counts) {
      const lying = off[part];
      if (lying && lying.count !== found)
        off = found === 0 ? without(off, part) : { ...off, [part]: { ...lying, count: found } };
    }
    return { parked: undefined, off, place: payload.to, resumed: [...state.resumed, { ...payload, ...stamp }] };
  },
};
