import type { CorrectionPayloads } from './events.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const correctionsEvolvers: Evolvers<keyof CorrectionPayloads> = {
  corrected: (state, payload, stamp) => ({ corrections: [...state.corrections, { ...payload, ...stamp }] }),
};
