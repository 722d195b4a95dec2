import { takeFromTray, settled } from '../strip/tray.ts';
import type { FitPayloads } from './events.ts';
import { done } from '../log/state-with.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const fittingEvolvers: Evolvers<keyof FitPayloads> = {
  'part-fitted': (state, payload, stamp) => {
    const { part, count, renewed, op, reason } = payload;
    return {
      ...done(state, stamp, op, reason === undefined ? {} : { note: reason }),
      off: takeFromTray(state.off, part, count),
      between: settled(state.between, `part:${part}`),
      renewed: renewed
        ? { ...state.renewed, [part]: { count: (state.renewed[part]?.count ?? 0) + count, ...stamp } }
        : state.renewed,
    };
  },
};
