import type { Deciders } from '../registry/shapes.ts';
import type { IdentifyCommand } from './commands.ts';
import { JubbError } from '../../error.ts';
import { parseQuantity } from '../../quantities/index.ts';
import { identify, narrow, type IdentifyQuestion, type Sheet } from '../../sheet/index.ts';
import type { Command } from '../command/commands.ts';
import type { NewEvent } from '../log/events.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import type { BenchState } from '../log/state.ts';
import { answersThatStand } from './variants-left.ts';
import { reach } from '../command/reach.ts';

type Of<T extends Command['type']> = Extract<Command, { type: T }>;

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
  const told = identifiedBy(sheet, question, command.answer, answersThatStand(state, question.id));
  return 'problem' in told
    ? refuse('wrong-value', told.problem, told.clears)
    : accept({ type: 'identified', payload: { op: command.op ?? null, ...told } });
}

type Told = Omit<Extract<NewEvent, { type: 'identified' }>['payload'], 'op'>;

/**
 * What an answer says of the unit, together with those before it.
 * `problem` when it cannot be read, lies near two choices or none, or contradicts what was answered before.
 */
export function identifiedBy(
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

/** How each of these commands is decided. */
export const identifyDeciders: Deciders<IdentifyCommand['type']> = {
  identify: decideIdentify,
};
