import type { StackPayloads } from './events.ts';
import { done } from '../log/state-with.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const stacksEvolvers: Evolvers<keyof StackPayloads> = {
  'stack-recorded': (state, payload, stamp) => {
    const { stack, moment, op } = payload;
    const kept = { ...payload, ...stamp };
    const before = state.stacks[stack];
    return {
      ...done(state, stamp, op),
      stacks: {
        ...state.stacks,
        [stack]: moment === 'built' ? { ...before, built: kept } : { ...before, found: kept },
      },
    };
  },
};
