import { replaceLast } from '../log/state-with.ts';
import { without } from '../strip/tray.ts';
import type { MeasurePayloads } from './events.ts';
import { withSetting } from '../log/state-with.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const measuringEvolvers: Evolvers<keyof MeasurePayloads> = {
  'reading-taken': (state, payload, stamp) => {
    const reading = { ...payload, ...stamp };
    const next = { ...state, readings: [...state.readings, reading] };
    if (payload.subject !== 'setting' || payload.moment === 'as-found' || payload.moment === 'depth') return next;
    return withSetting(next, payload.id, (s) => ({
      ...s,
      rounds: replaceLast(s.rounds, (r) => ({
        ...r,
        readings: [...r.readings, reading],
        result: payload.result ?? r.result,
      })),
    }));
  },
  'sense-answered': (state, payload, stamp) => ({
    ...state,
    answers: {
      ...state.answers,
      [payload.op]: { ask: payload.ask, answer: payload.answer, ...stamp },
    },
  }),
  'measure-reopened': (state, payload) => ({ ...state, done: without(state.done, payload.op) }),
};
