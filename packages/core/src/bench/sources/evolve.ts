import type { SourcePayloads } from './events.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const sourcesEvolvers: Evolvers<keyof SourcePayloads> = {
  'part-sourced': (state, payload, stamp) => {
    const { parts, from, words } = payload;
    const said = Object.fromEntries(parts.map((p) => [p, { from, words, ...stamp }]));
    return { sources: { ...state.sources, ...said } };
  },
};
