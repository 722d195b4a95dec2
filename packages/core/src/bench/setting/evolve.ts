import type { SettingPayloads } from './events.ts';
import { done, withSetting } from '../log/state-with.ts';
import { without } from '../strip/tray.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const settingEvolvers: Evolvers<keyof SettingPayloads> = {
  'pack-fitted': (state, payload, stamp) => ({
    ...withSetting(state, payload.setting, (s) => ({
      ...s,
      rounds: [...s.rounds, { fitted: { ...payload, ...stamp }, readings: [] }],
    })),
    answers: payload.op in state.answers ? without(state.answers, payload.op) : state.answers,
  }),
  'setting-confirmed': (state, payload, stamp) => ({
    ...withSetting(state, payload.setting, (s) => ({ ...s, confirmed: { ...payload, ...stamp } })),
    ...done(state, stamp, payload.op),
  }),
  'setting-adjusted': (state, payload, stamp) => {
    const { setting, op, ...how } = payload;
    const before = state.settings[setting] ?? { rounds: [] };
    const rounds = [...before.rounds, { adjusted: { ...how, ...stamp }, readings: [] }];
    return {
      settings: { ...state.settings, [setting]: { ...before, rounds } },
      // What was felt before it was moved says nothing of it now.
      answers: op in state.answers ? without(state.answers, op) : state.answers,
    };
  },
};
