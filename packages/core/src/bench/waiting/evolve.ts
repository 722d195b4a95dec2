import type { WaitPayloads } from './events.ts';
import type { Timer } from '../log/state.ts';
import type { Evolvers } from '../registry/shapes.ts';

const MINUTE_MS = 60_000;

/** What each of these events makes of the state. */
export const waitingEvolvers: Evolvers<keyof WaitPayloads> = {
  'timer-started': (state, payload, stamp) => {
    const { timer: id, op, kind, title, minutes } = payload;
    const due = new Date(new Date(stamp.at).getTime() + minutes * MINUTE_MS).toISOString();
    const timer: Timer = { id, op, kind, title, minutes, due, ...stamp };
    return { timers: { ...state.timers, [id]: timer } };
  },
  'timer-ended': (state, payload, stamp) => {
    const timer = state.timers[payload.timer];
    if (!timer) return {};
    return {
      timers: { ...state.timers, [timer.id]: { ...timer, ended: { ...stamp, early: payload.early } } },
    };
  },
  prepared: (state, payload, stamp) => ({ prepared: { ...state.prepared, [payload.item]: stamp } }),
};
