import type { PartsPayloads } from './events.ts';
import { withLine } from '../log/state-with.ts';
import type { PartLineState } from '../log/state.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const partsEvolvers: Evolvers<keyof PartsPayloads> = {
  'parts-ordered': (state, payload, stamp) => {
    const { order, lines } = payload;
    const added = lines.map((l): [string, PartLineState] => [
      l.line,
      { ...l, order, status: 'ordered', missing: [], ordered: stamp, sentBack: [] },
    ]);
    return { partLines: { ...state.partLines, ...Object.fromEntries(added) } };
  },
  'part-arrived': (state, payload, stamp) => {
    const { line, missing } = payload;
    return withLine(state, line, (l) => ({ ...l, status: 'arrived', arrived: stamp, missing }));
  },
  'part-sent-back': (state, payload, stamp) => {
    const { line, why } = payload;
    return withLine(state, line, ({ arrived: _gone, ...l }) => ({
      ...l,
      status: 'ordered',
      missing: [],
      sentBack: [...l.sentBack, { why, ...stamp }],
    }));
  },
  'line-cancelled': (state, payload) => withLine(state, payload.line, (l) => ({ ...l, status: 'cancelled' })),
};
