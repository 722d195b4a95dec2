import type { TightenOp } from './ops.ts';
import { accept, refuse } from '../command/refusal.ts';
import { tighteningState, computedFigure } from './index.ts';
import { formatQuantity, type Quantity } from '../../quantities/index.ts';
import { noteOf } from '../command/note-of.ts';
import type { NewEvent } from '../log/events.ts';
import type { Joint } from '../../sheet/index.ts';
import type { Completions } from '../registry/shapes.ts';

/** How these operations are completed. */
export const tighteningCompletions: Completions<TightenOp> = {
  tighten: (state, sheet, op, command, { step }) => {
    const joint = sheet.joints[op.joint];
    if (!joint) return refuse('unknown-op', `there is no joint "${op.joint}"`, 'Reload the bench');
    if (joint.stages.some((stage) => stage.unitAsked))
      return refuse('not-complete', 'The sheet gives a figure without a unit', 'Say which unit is meant');
    const t = tighteningState(joint, state);
    if (t.unanswered)
      return refuse(
        'unanswered-pull',
        `Fastener ${t.unanswered.bolt} ${t.unanswered.verdict === 'high' ? 'was pulled too high' : 'turned oddly'}`,
        'Say what was done about it',
      );
    if (op.through !== undefined && t.stage > op.through)
      return accept(
        { type: 'op-done', payload: { op: op.id, kind: op.kind, ...noteOf(command) } },
        ...(t.complete
          ? []
          : [{ type: 'set-between', payload: { op: op.id, state: 'started', joint: joint.id } } satisfies NewEvent]),
      );
    if (!t.complete) return refuse('not-complete', `Fastener ${t.bolt} is not pulled`, 'Pull in order');
    const computed = computedFigure(joint);
    const told = state.lessons.some((l) => l.kind === 'no-figure' && l.words.startsWith(joint.title));
    return accept(
      {
        type: 'joint-tightened',
        payload: {
          op: op.id,
          joint: joint.id,
          fastener: joint.fastener,
          count: joint.count,
          ...(computed ? { computed: computed.working } : {}),
        },
      },
      ...(computed && !told ? [noFigureLesson(joint, step.rung, computed.torque)] : []),
    );
  },
};

/** The sheet had no figure, and one was computed: for its next revision. */
function noFigureLesson(joint: Joint, rung: string, torque: Quantity): NewEvent {
  const words = `${joint.title}: no figure in the sheet; ${formatQuantity(torque)} was computed from ${joint.thread}${joint.propertyClass ? ` ${joint.propertyClass}` : ''}, and held`;
  return { type: 'lesson-filed', payload: { rung, words, kind: 'no-figure' } };
}
