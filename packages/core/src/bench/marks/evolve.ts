import type { MarkPayloads } from './events.ts';
import { done } from '../log/state-with.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const marksEvolvers: Evolvers<keyof MarkPayloads> = {
  'aid-fitted': (state, payload, stamp) => ({
    ...done(state, stamp, payload.op),
    aids: { ...state.aids, [payload.aid]: { fitted: stamp } },
  }),
  'aid-removed': (state, payload, stamp) => {
    const aid = state.aids[payload.aid];
    return {
      ...done(state, stamp, payload.op),
      aids: { ...state.aids, [payload.aid]: { fitted: aid?.fitted ?? stamp, removed: stamp } },
    };
  },
  'mark-made': (state, payload, stamp) => ({
    ...done(state, stamp, payload.op),
    marks: { ...state.marks, [payload.mark]: { made: stamp } },
  }),
  'mark-aligned': (state, payload, stamp) => {
    const mark = state.marks[payload.mark];
    return {
      ...done(state, stamp, payload.op),
      marks: { ...state.marks, [payload.mark]: { made: mark?.made ?? stamp, aligned: stamp } },
    };
  },
};
