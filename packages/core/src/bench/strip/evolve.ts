import { layInTray } from './tray.ts';
import type { StripPayloads } from './events.ts';
import { done } from '../log/state-with.ts';
import { settled, takeFromTray, without } from './tray.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const stripEvolvers: Evolvers<keyof StripPayloads> = {
  'joint-undone': (state, payload, stamp) => ({
    ...done(state, stamp, payload.op),
    joints: {
      ...state.joints,
      [payload.joint]: {
        pulls: [],
        undone: stamp,
        ...(payload.left ? { left: payload.left } : {}),
      },
    },
    between: settled(state.between, `joint:${payload.joint}`),
  }),
  'last-out': (state, payload, stamp) => {
    const known = state.joints[payload.joint];
    return {
      ...done(state, stamp, payload.op),
      joints: { ...state.joints, [payload.joint]: { pulls: [], ...known, left: 0 } },
    };
  },
  'parts-off': (state, payload, stamp) => {
    const { parts, tray, note, op } = payload;
    const off = { ...state.off };
    let { between } = state;
    for (const { part, count } of parts) {
      off[part] = { count: (off[part]?.count ?? 0) + count, tray, ...stamp, ...(note === undefined ? {} : { note }) };
      between = settled(between, `part:${part}`);
    }
    return { ...done(state, stamp, op), off, between };
  },
  'lead-parted': (state, payload, stamp) => ({
    ...done(state, stamp, payload.op),
    leads: { ...state.leads, [payload.lead]: { parted: stamp } },
  }),
  'lead-reconnected': (state, payload, stamp) => {
    const { op, lead } = payload;
    const parted = state.leads[lead]?.parted ?? stamp;
    return { ...done(state, stamp, op), leads: { ...state.leads, [lead]: { parted, reconnected: stamp } } };
  },
  'set-between': (state, payload, stamp) => {
    const { op, joint, part } = payload;
    const key = joint === undefined ? `part:${part}` : `joint:${joint}`;
    return {
      ...done(state, stamp, op),
      // Refitted for the time being: it is on the unit, so no longer in the tray.
      off: payload.state === 'refitted' && part !== undefined ? without(state.off, part) : state.off,
      between: { ...state.between, [key]: { ...payload, ...stamp } },
    };
  },
  'part-scrapped': (state, payload, stamp) => {
    const { op, part } = payload;
    return { ...done(state, stamp, op), off: without(state.off, part) };
  },
  'way-failed': (state, payload) => ({ ways: { ...state.ways, [payload.op]: payload.next } }),
  'part-destroyed': (state, payload, stamp) => {
    const { part, saved } = payload;
    const lying = state.off[part];
    const off = takeFromTray(state.off, part, lying?.count ?? 0);
    return {
      off: saved === undefined ? off : layInTray(off, saved, { count: 1, tray: lying?.tray ?? '', ...stamp }),
    };
  },
};
