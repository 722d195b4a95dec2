import { canonical } from '../../quantities/index.ts';
import type { TightenOp } from './ops.ts';
import { tighteningState, runningNm, windowOf } from './index.ts';
import { inCanonical } from '../../quantities/index.ts';
import type { Hands } from '../registry/shapes.ts';

/** What steady hands give next at these operations. */
export const tighteningHands: Hands<TightenOp> = {
  tighten: (op, { sheet, state, figures }) => {
    const joint = sheet.joints[op.joint]!;
    const asked = joint.stages.find((stage) => stage.unitAsked)?.unitAsked;
    if (asked) return { type: 'say-unit', op: op.id, unit: asked[0]!, reason: 'Rehearsed' };
    if (joint.running && !state.joints[joint.id]?.running)
      return {
        type: 'say-running',
        op: op.id,
        torque: canonical(windowOf(joint, 0).low * 0.1, 'torque'),
        how: 'hand',
      };
    if (state.joints[joint.id]?.usedUp) return { type: 'renew-fasteners', op: op.id };
    const t = tighteningState(joint, state);
    if (op.through !== undefined && t.stage > op.through) return { type: 'complete', op: op.id };
    if (t.unanswered)
      return {
        type: 'answer-pull',
        op: op.id,
        bolt: t.unanswered.bolt,
        answer: t.unanswered.advice === 'renew' || joint.fasteners === 'new' ? 'renewed' : 'slackened',
      };
    if (t.complete || t.bolt === undefined) return { type: 'complete', op: op.id };
    const running = runningNm(joint, state);
    const window = windowOf(joint, t.stage, running);
    const turn = window.unit === 'deg';
    // A turn goes on from the torque of the stage before it.
    const torqueWindow = turn ? windowOf(joint, t.stage - 1, running) : window;
    const rig = figures.wrench?.rig ?? { extensionMm: 0, extensionAngleDeg: 0 };
    const wanted = figures.reading?.(`${joint.id} ${t.stage} ${t.bolt}`);
    const atBolt = wanted ? inCanonical(wanted, 'torque') : (torqueWindow.low + torqueWindow.high) / 2;
    const lever = rig.wrenchLengthMm
      ? rig.wrenchLengthMm / (rig.wrenchLengthMm + rig.extensionMm * Math.cos((rig.extensionAngleDeg * Math.PI) / 180))
      : 1;
    return {
      type: 'pull',
      op: op.id,
      bolt: t.bolt,
      reading: canonical(Math.round(atBolt * lever * 100) / 100, 'torque'),
      rig,
      ...(turn ? { turnedDeg: (window.low + window.high) / 2 } : {}),
      how: figures.wrench ? 'instrument' : 'hand',
      ...(figures.wrench ? { instrument: figures.wrench.facts } : {}),
    };
  },
};
