import type { StripOp } from './ops.ts';
import type { NewEvent } from '../log/events.ts';
import { takesWords } from '../tightening/takes.ts';
import { accept, refuse } from '../command/refusal.ts';
import { decideTakeOff } from './take-off.ts';
import { noSourceAt } from '../sources/decide.ts';
import { noteOf } from '../command/note-of.ts';
import type { Completions, Completion } from '../registry/shapes.ts';

const BETWEEN = { 'swing-aside': 'swung-aside', hang: 'hung', refit: 'refitted' } as const;

const setBetween: Completion<'slacken' | 'start'> = (state, sheet, op, command) => {
  const source = noSourceAt(sheet, state, op);
  if (source) return source;
  return accept({
    type: 'set-between',
    payload: { op: op.id, state: op.kind === 'slacken' ? 'slackened' : 'started', joint: op.joint, ...noteOf(command) },
  });
};

const setAside: Completion<'swing-aside' | 'hang' | 'refit'> = (_state, _sheet, op, command) =>
  accept({ type: 'set-between', payload: { op: op.id, state: BETWEEN[op.kind], part: op.part, ...noteOf(command) } });

/** How these operations are completed. */
export const stripCompletions: Completions<StripOp> = {
  undo: (_state, sheet, op, command, { step }) => {
    const joint = sheet.joints[op.joint];
    const count = joint?.count ?? 1;
    const undone = (left: object): NewEvent => ({
      type: 'joint-undone',
      payload: { op: op.id, joint: op.joint, count, ...left },
    });
    if (joint?.takes && command.answer === undefined)
      return refuse(
        'not-complete',
        `${joint.title}: are they as the sheet has them by place? ${takesWords(joint).join('; ')}`,
        'Look at each as it comes out, and say',
      );
    const left = op.leaveIn === undefined ? {} : { left: Math.min(op.leaveIn, count) };
    if (!joint?.takes || command.answer !== 'no') return accept(undone(left));
    const note = command.note?.trim() ?? '';
    if (note === '')
      return refuse('not-complete', `${joint.title}: which came out where?`, 'Write down place and length of each');
    // The sheet may be wrong: its next revision hears of it, and whoever builds up reads it here.
    return accept(
      undone(left),
      { type: 'noted', payload: { step: step.id, text: `${joint.title}, by place: ${note}`, about: 'not-as-sheet' } },
      {
        type: 'lesson-filed',
        payload: { rung: step.rung, words: `${joint.title}, by place: ${note}`, kind: 'not-as-sheet' },
      },
    );
  },
  'last-out': (_state, _sheet, op) =>
    accept({ type: 'last-out', payload: { op: op.id, joint: op.joint, count: op.count } }),
  off: (state, sheet, op, command) => decideTakeOff(state, sheet, op, command),
  disconnect: (_state, _sheet, op) => accept({ type: 'lead-parted', payload: { op: op.id, lead: op.lead } }),
  reconnect: (_state, _sheet, op) => accept({ type: 'lead-reconnected', payload: { op: op.id, lead: op.lead } }),
  slacken: setBetween,
  start: setBetween,
  'swing-aside': setAside,
  hang: setAside,
  refit: setAside,
  scrap: (state, _sheet, op) =>
    accept({
      type: 'part-scrapped',
      payload: { op: op.id, part: op.part, count: state.off[op.part]?.count ?? 0 },
    }),
};
