import type { CommandOf } from '../command/commands.ts';
import type { BenchState } from '../log/state.ts';
import type { Sheet, Look, Moment } from '../../sheet/index.ts';
import { type Decision, refuse, accept } from '../command/refusal.ts';
import { reach } from '../command/reach.ts';
import { ladderOf } from '../ladder/moves.ts';
import type { Deciders } from '../registry/shapes.ts';
import type { LookCommand } from './commands.ts';

/** How each of these commands is decided. */
export const lookingDeciders: Deciders<LookCommand['type']> = {
  look: decideLook,
};

/** Records what was seen, heard or felt. */
export function decideLook(state: BenchState, sheet: Sheet, command: CommandOf<'look'>): Decision {
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
