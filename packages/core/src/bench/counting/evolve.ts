import type { CountPayloads } from './events.ts';
import { without } from '../strip/tray.ts';
import type { BenchState, Changes, Stamp } from '../log/state.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const countingEvolvers: Evolvers<keyof CountPayloads> = {
  counted: evolveCounted,
  'count-left': (state, payload, stamp) => ({ uncounted: { ...state.uncounted, [payload.part]: stamp } }),
};

function evolveCounted(state: BenchState, payload: CountPayloads['counted'], stamp: Stamp): Changes {
  const { op, part, count, agrees, moment, lost } = payload;
  const next = { counted: [...state.counted, { ...payload, ...stamp }] };
  if (moment === 'build') {
    if (!agrees && lost === undefined) return next;
    const lying = state.off[part];
    return {
      ...next,
      ...(op === null ? {} : { done: { ...state.done, [op]: stamp } }),
      off: lying ? { ...state.off, [part]: { ...lying, count } } : state.off,
    };
  }
  const lying = state.off[part];
  return {
    ...next,
    counts: { ...state.counts, [part]: count },
    uncounted: part in state.uncounted ? without(state.uncounted, part) : state.uncounted,
    off: moment === 'tray' && lying ? { ...state.off, [part]: { ...lying, count } } : state.off,
  };
}
