import { takeFromTray, settled } from '../strip/tray.ts';
import type { PullPayloads } from './events.ts';
import { done, withJoint, withJointState } from '../log/state-with.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const tighteningEvolvers: Evolvers<keyof PullPayloads> = {
  'unit-said': (state, payload, stamp) => {
    const { joint, unit, reason } = payload;
    return { units: { ...state.units, [joint]: { unit, reason, ...stamp } } };
  },
  'running-measured': (state, payload, stamp) =>
    withJointState(state, payload.joint, (j) => ({ ...j, running: { ...payload, ...stamp } })),
  'bolt-pulled': (state, payload, stamp) =>
    withJoint(state, payload.joint, (pulls) => [...pulls, { ...payload, ...stamp, void: false }]),
  'pull-answered': (state, payload, stamp) => {
    const { joint, stage, bolt, answer, note } = payload;
    const next = withJoint(state, joint, (pulls) =>
      pulls.map((p) =>
        // What was looked at and found good stands; anything else is pulled again.
        p.stage === stage && p.bolt === bolt && !p.void ? { ...p, void: answer !== 'accepted', answer } : p,
      ),
    );
    const noted =
      note === undefined ? next : { ...next, pullNotes: { ...state.pullNotes, [`${joint} ${stage} ${bolt}`]: note } };
    if (answer !== 'renewed') return noted;
    const fastener = `${joint}#${bolt}`;
    return {
      ...noted,
      renewed: { ...state.renewed, [fastener]: { count: (state.renewed[fastener]?.count ?? 0) + 1, ...stamp } },
    };
  },
  'joint-tightened': (state, payload, stamp) => {
    const { joint, fastener, count, op } = payload;
    const known = state.joints[joint];
    return {
      ...done(state, stamp, op),
      joints: { ...state.joints, [joint]: { pulls: [], ...known, tightened: stamp } },
      off: takeFromTray(state.off, fastener, count),
      between: settled(state.between, `joint:${joint}`),
    };
  },
  'joint-loosened': (state, payload) => {
    const { joint, usedUp } = payload;
    const left = withJointState(state, joint, ({ tightened: _gone, running: _measured, ...j }) => ({
      ...j,
      pulls: j.pulls.map((p) => ({ ...p, void: true })),
      ...(usedUp ? { usedUp: true } : {}),
    }));
    const ops = new Set(state.joints[joint]?.pulls.map((p) => p.op));
    return { ...left, done: Object.fromEntries(Object.entries(state.done).filter(([op]) => !ops.has(op))) };
  },
  'fasteners-renewed': (state, payload, stamp) => {
    const { joint, fastener, count } = payload;
    const next = withJointState(state, joint, ({ usedUp: _gone, ...j }) => j);
    const before = state.renewed[fastener]?.count ?? 0;
    return { ...next, renewed: { ...state.renewed, [fastener]: { count: before + count, ...stamp } } };
  },
};
