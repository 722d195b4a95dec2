import { replaceLast } from '../log/state-with.ts';
import { without } from '../strip/tray.ts';
import type { MeasurePayloads } from './events.ts';
import { withSetting } from '../log/state-with.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const measuringEvolvers: Evolvers<keyof MeasurePayloads> = {
  'reading-taken': (state, payload, stamp) => {
    const reading = { ...payload, ...stamp };
    const read = { readings: [...state.readings, reading] };
    if (payload.subject !== 'setting' || payload.moment === 'as-found' || payload.moment === 'depth') return read;
    const tried = withSetting(state, payload.id, (s) => ({
      ...s,
      rounds: replaceLast(s.rounds, (r) => ({
        ...r,
        readings: [...r.readings, reading],
        result: payload.result ?? r.result,
      })),
    }));
    return { ...read, ...tried };
  },
  'sense-answered': (state, payload, stamp) => ({
    answers: {
      ...state.answers,
      [payload.op]: { ask: payload.ask, answer: payload.answer, ...stamp },
    },
  }),
  'measure-reopened': (state, payload) => ({ done: without(state.done, payload.op) }),
};
