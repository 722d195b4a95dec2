import type { JudgePayloads } from './events.ts';
import { done } from '../log/state-with.ts';
import { without } from '../strip/tray.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const judgingEvolvers: Evolvers<keyof JudgePayloads> = {
  'finding-made': (state, payload, stamp) => ({
    // What is found otherwise later is no deferral any more.
    deferrals:
      payload.part in state.deferrals && payload.finding !== 'watch'
        ? without(state.deferrals, payload.part)
        : state.deferrals,
    findings: { ...state.findings, [payload.part]: payload.finding },
    findingNotes: { ...state.findingNotes, [payload.part]: { ...payload, ...stamp } },
  }),
  'cause-found': (state, payload, stamp) => ({
    ...done(state, stamp, payload.op),
    causes: { ...state.causes, [payload.cause]: { ...payload, ...stamp } },
  }),
  'deferral-made': (state, payload, stamp) => ({
    deferrals: { ...state.deferrals, [payload.part]: { ...payload, ...stamp } },
  }),
  'method-chosen': (state, payload, stamp) => ({
    ...done(state, stamp, payload.op),
    methods: { ...state.methods, [payload.method]: payload.choice },
  }),
};
