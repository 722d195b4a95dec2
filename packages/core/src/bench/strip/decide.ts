import { whyNotOf } from '../../quantities/index.ts';
import { stackAsSheet, type Look, type Moment, type Sheet } from '../../sheet/index.ts';
import type { Command } from '../command/commands.ts';
import type { NewEvent } from '../log/events.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import { ladderOf } from '../ladder/moves.ts';
import { schoolOf } from '../setting/index.ts';
import type { BenchState } from '../log/state.ts';
import { reach } from '../command/reach.ts';

type Of<T extends Command['type']> = Extract<Command, { type: T }>;
/** Records the order of a stack as it came off, or holds it against the sheet as it goes back. */
export function decideOrderStack(state: BenchState, sheet: Sheet, command: Of<'order-stack'>): Decision {
  const reached = reach(sheet, state, command.op, ['stack', 'restack']);
  if ('refused' in reached) return reached.refused;
  const { op } = reached;
  const stack = sheet.stacks[op.stack]!;
  const { order } = command;
  const sorted = [...order].sort((a, b) => a - b);
  if (order.length !== stack.layers.length || sorted.some((n, i) => n !== i))
    return refuse(
      'wrong-value',
      'Each layer lies in the stack once',
      `${stack.layers.length} layers, each with its own place`,
    );
  const asSheet = stackAsSheet(stack, order);
  const reason = command.reason?.trim();
  if (op.kind === 'restack' && !asSheet && !reason)
    return refuse('not-complete', 'This is not the order of the sheet', 'Put it in order, or say why it goes so');
  return accept({
    type: 'stack-recorded',
    payload: {
      op: op.id,
      stack: stack.id,
      moment: op.kind === 'stack' ? 'as-found' : 'built',
      order,
      asSheet,
      ...(reason ? { reason } : {}),
    },
  });
}

/** Records what was seen, heard or felt. */
export function decideLook(state: BenchState, sheet: Sheet, command: Of<'look'>): Decision {
  const reached = reach(sheet, state, command.op, ['look']);
  if ('refused' in reached) return reached.refused;
  const look = sheet.looks[reached.op.look]!;
  const choice = look.choices.find((c) => c.id === command.choice);
  if (!choice)
    return refuse(
      'not-a-choice',
      `"${command.choice}" is not offered`,
      `One of: ${look.choices.map((c) => c.id).join(', ')}`,
    );
  const note = command.note?.trim();
  const open = staysOpen(sheet, state, look, reached.op.moment, choice.verdict);
  return accept({
    type: 'looked',
    payload: {
      op: reached.op.id,
      look: look.id,
      moment: reached.op.moment,
      choice: choice.id,
      title: choice.title,
      verdict: choice.verdict,
      ...(note ? { note } : {}),
      ...(open ? { open: true as const } : {}),
    },
  });
}

/** A bad look stays open unless it is how the unit came in, or the part that it is about is judged after it. */
export function staysOpen(sheet: Sheet, state: BenchState, look: Look, moment: Moment, verdict: string): boolean {
  return verdict === 'bad' && moment !== 'as-found' && !judgedLater(sheet, state, look.part);
}

/** Is a finding of the part still to come in this job? */
function judgedLater(sheet: Sheet, state: BenchState, part: string | undefined): boolean {
  return (
    part !== undefined &&
    ladderOf(sheet, state).all.some((s) =>
      s.ops.some((o) => o.kind === 'judge' && o.parts.includes(part) && !state.done[o.id]),
    )
  );
}

/** A way of taking it off did not work: the next one, while there is one. */
export function decideWayFailed(state: BenchState, sheet: Sheet, command: Of<'way-failed'>): Decision {
  const reached = reach(sheet, state, command.op, ['off']);
  if ('refused' in reached) return reached.refused;
  const now = state.ways[reached.op.id] ?? 0;
  const way = reached.op.by[now];
  if (!way || now + 1 >= reached.op.by.length)
    return refuse('not-a-choice', 'The sheet has no other way', 'Say what is in the way: a surprise');
  return accept({
    type: 'way-failed',
    payload: { op: reached.op.id, way: way.title, next: now + 1, ...(command.note ? { note: command.note } : {}) },
  });
}

/**
 * A setting is moved after readings, or a feel, that were not good; what is read next is a try of its own. A setting that
 * pulls on another begins a try of both.
 */
export function decideAdjust(state: BenchState, sheet: Sheet, command: Of<'adjust'>): Decision {
  const reached = reach(sheet, state, command.op, ['set']);
  if ('refused' in reached) return reached.refused;
  const { op } = reached;
  const setting = sheet.settings[op.setting]!;
  const school = schoolOf(setting, state);
  if (school?.kind === 'trial' || school?.kind === 'depths')
    return refuse('wrong-kind', `${setting.title} is set by its pack`, 'Fit another pack');
  const both = [setting, ...(setting.together === undefined ? [] : [sheet.settings[setting.together]!])];
  const results = both.map((s) => state.settings[s.id]?.rounds.at(-1)?.result);
  const felt = state.answers[op.id]?.answer === 'yes';
  if (!felt && results.some((r) => !r)) return refuse('not-complete', 'Not read yet', 'Read it before it is moved');
  if (!felt && results.every((r) => r?.verdict === 'within'))
    return refuse('already-done', 'It is within its band', 'Complete the setting');
  const { type: _type, op: _op, note, ...how } = command;
  if (how.turned && whyNotOf(how.turned, 'angle') !== undefined)
    return refuse('wrong-value', 'A turn is an angle', 'Give it in degrees');
  for (const [key, q] of Object.entries({ left: how.left, right: how.right, slid: how.slid }))
    if (q && whyNotOf(q, 'length') !== undefined)
      return refuse('wrong-value', `${key} is a length`, 'Give it in millimetres');
  return accept(
    ...both.map((s): NewEvent => ({
      type: 'setting-adjusted',
      payload: { op: op.id, setting: s.id, note: note.trim(), ...how },
    })),
  );
}

/** Says in which unit a bare figure of the sheet is meant. */
export function decideSayUnit(state: BenchState, sheet: Sheet, command: Of<'say-unit'>): Decision {
  const reached = reach(sheet, state, command.op, ['tighten']);
  if ('refused' in reached) return reached.refused;
  const joint = sheet.joints[reached.op.joint]!;
  const asked = joint.stages.find((s) => s.unitAsked)?.unitAsked;
  if (!asked) return refuse('already-done', 'The figure has its unit', 'Pull');
  if (!asked.includes(command.unit))
    return refuse('not-a-choice', `"${command.unit}" is not what it could be`, `One of: ${asked.join(', ')}`);
  const reason = command.reason.trim();
  if (reason === '') return refuse('not-complete', 'Who says so?', 'Say how you know');
  return accept({ type: 'unit-said', payload: { op: reached.op.id, joint: joint.id, unit: command.unit, reason } });
}
