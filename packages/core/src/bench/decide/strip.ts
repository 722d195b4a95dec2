import { JubbError } from '../../error.ts';
import { parseQuantity } from '../../quantities/index.ts';
import { identify, narrow, type IdentifyQuestion, type Sheet } from '../../sheet/index.ts';
import type { Command } from '../commands.ts';
import type { NewEvent } from '../events.ts';
import { accept, refuse, type Decision } from '../refusal.ts';
import type { BenchState } from '../state.ts';
import { reach } from './reach.ts';

type Of<T extends Command['type']> = Extract<Command, { type: T }>;
/** More than this of one part is a slip of the finger. */
export const MOST_OF_A_PART = 1000;

export function notACount(count: number): boolean {
  return !Number.isInteger(count) || count < 0 || count > MOST_OF_A_PART;
}
export const refuseCount = (count: number): Decision =>
  refuse('wrong-value', `${count} is no count`, `A whole number from 0 to ${MOST_OF_A_PART}`);

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
  // Layers of the same part are alike: what counts is which part lies where.
  const asSheet = order.every((n, i) => stack.layers[n]!.part === stack.layers[i]!.part);
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
    },
  });
}

/** Narrows which variant it is. An answer that lies near two is undecided, and nothing is guessed. */
export function decideIdentify(state: BenchState, sheet: Sheet, command: Of<'identify'>): Decision {
  if (command.op !== undefined) {
    const reached = reach(sheet, state, command.op, ['identify']);
    if ('refused' in reached) return reached.refused;
    if (reached.op.question !== command.question)
      return refuse('wrong-value', 'That is not the question of this rung', `It asks: ${reached.op.question}`);
  }
  const question = sheet.identify.find((q) => q.id === command.question);
  if (!question) return refuse('unknown-op', `The sheet asks no "${command.question}"`, 'Reload the bench');
  const told = tell(sheet, question, command.answer, answersBefore(state, question.id));
  return 'problem' in told
    ? refuse('wrong-value', told.problem, told.clears)
    : accept({ type: 'identified', payload: { op: command.op ?? null, ...told } });
}

/** Answers that stand: the newest to each question, but for the one that is answered anew. */
function answersBefore(state: BenchState, question: string): readonly { readonly variants: readonly string[] }[] {
  const newest = new Map(state.identified.map((i) => [i.question, i]));
  newest.delete(question);
  return [...newest.values()];
}

type Told = Omit<Extract<NewEvent, { type: 'identified' }>['payload'], 'op'>;

/**
 * What an answer says of the unit, together with those before it.
 * `problem` when it cannot be read, lies near two choices or none, or contradicts what was answered before.
 */
export function tell(
  sheet: Sheet,
  question: IdentifyQuestion,
  answer: string,
  before: readonly { readonly variants: readonly string[] }[],
): Told | { readonly problem: string; readonly clears: string } {
  let result;
  try {
    result = identify(question, question.dimension ? parseQuantity(answer, question.dimension) : answer);
  } catch (e) {
    if (!(e instanceof JubbError)) throw e;
    return { problem: e.message, clears: `Measure it, and give it with its unit` };
  }
  const title = (id: string): string => sheet.variants.find((v) => v.id === id)?.title ?? id;
  const meant = (c: IdentifyQuestion['choices'][number]): string =>
    c.variants.length > 0 ? c.variants.map(title).join(' or ') : (c.order ?? c.says ?? c.word ?? '');
  if (!('choice' in result)) {
    const near = result.near.map(meant);
    return near.length > 0
      ? { problem: `${answer} is near ${near.join(' and ')}: undecided`, clears: 'Measure again, or leave it open' }
      : {
          problem: question.dimension ? `${answer} is near no variant` : `"${answer}" is not one of the answers`,
          clears: question.dimension
            ? 'Measure again, or leave it open'
            : `One of: ${question.choices.map((c) => c.word ?? '').join(', ')}`,
        };
  }
  const { choice } = result;
  const { candidates, variant } = narrow(sheet, [...before, choice]);
  if (choice.variants.length > 0 && candidates.length === 0)
    return {
      problem: `${answer} says ${meant(choice)}, and an answer before says otherwise`,
      clears: 'Look at both again: one of them is not what it seems',
    };
  return {
    question: question.id,
    ask: question.ask,
    answer: answer.trim(),
    ...(choice.says === undefined ? {} : { says: choice.says }),
    variants: choice.variants,
    variant,
    ...(question.part === undefined ? {} : { part: question.part }),
    ...(choice.order === undefined ? {} : { order: choice.order }),
  };
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

/** Counts a part before it goes back: what came off must go back, be renewed, or be scrapped on purpose. */
export function decideCount(state: BenchState, sheet: Sheet, command: Of<'count'>): Decision {
  const reached = reach(sheet, state, command.op, ['count']);
  if ('refused' in reached) return reached.refused;
  const { op } = reached;
  const id = op.part ?? op.what;
  const part = sheet.parts[id];
  if (notACount(command.count)) return refuseCount(command.count);
  if (state.uncounted[id] !== undefined && !part?.countKnown) {
    // Nobody counted when it came off: this is the count that there is.
    return accept({
      type: 'counted',
      payload: { op: null, part: id, count: command.count, expected: null, agrees: true, moment: 'tray' },
    });
  }
  const expected = part?.count ?? 1;
  const agrees = command.count === expected;
  const reason = command.reason?.trim();
  if (command.lost !== undefined && (agrees || !reason))
    return agrees
      ? refuse('wrong-value', 'The count agrees: none is lost', 'Complete the count')
      : refuse('not-complete', 'Why is one missing?', 'Say where it was looked for');
  const counted: NewEvent = {
    type: 'counted',
    payload: {
      op: op.id,
      part: id,
      count: command.count,
      expected,
      agrees,
      moment: 'build',
      ...(command.lost === undefined ? {} : { lost: command.lost }),
      ...(reason ? { reason } : {}),
    },
  };
  if (command.lost === undefined) return accept(counted);
  return accept(counted, {
    type: 'finding-made',
    payload: { op: op.id, part: id, finding: 'renew', reason: `${command.count} of ${expected} found: ${reason}` },
  });
}

/** Counts what was laid in a tray uncounted. */
export function decideCountTray(state: BenchState, sheet: Sheet, command: Of<'count-tray'>): Decision {
  if (state.uncounted[command.part] === undefined)
    return refuse('wrong-value', `${sheet.parts[command.part]?.title ?? command.part}: counted already`, 'Go on');
  if (notACount(command.count) || command.count === 0) return refuseCount(command.count);
  return accept({
    type: 'counted',
    payload: { op: null, part: command.part, count: command.count, expected: null, agrees: true, moment: 'tray' },
  });
}

/** A setting without shims is moved after readings that were not in its band; the next readings are a round of their own. */
export function decideAdjust(state: BenchState, sheet: Sheet, command: Of<'adjust'>): Decision {
  const reached = reach(sheet, state, command.op, ['set']);
  if ('refused' in reached) return reached.refused;
  const setting = sheet.settings[reached.op.setting]!;
  if (setting.shims) return refuse('wrong-kind', `${setting.title} is set by its pack`, 'Fit another pack');
  const last = state.settings[setting.id]?.rounds.at(-1);
  if (!last?.result) return refuse('not-complete', 'Not read yet', 'Read it before it is moved');
  if (last.result.verdict === 'within') return refuse('already-done', 'It is within its band', 'Complete the setting');
  return accept({
    type: 'setting-adjusted',
    payload: { op: reached.op.id, setting: setting.id, note: command.note.trim() },
  });
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
