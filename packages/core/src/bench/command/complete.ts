import type { Op, OpKind, Sheet } from '../../sheet/index.ts';
import type { BenchState } from '../log/state.ts';
import { completions } from '../registry/completions.ts';
import type { Completion, Given } from '../registry/shapes.ts';
import type { CommandOf } from './commands.ts';
import { dangersOf } from '../ladder/unit-now.ts';
import { opTitle } from '../ladder/wording.ts';
import { reach } from './reach.ts';
import { accept, refuse, type Decision } from './refusal.ts';

/**
 * Completes one operation, once its turn has come, as its family says. What could throw, burst or crush as the unit
 * stands is refused, unless somebody says why it is safe: that stands in the log.
 */
export function decideComplete(
  state: BenchState,
  sheet: Sheet,
  command: CommandOf<'complete'>,
  { at }: Pick<Given, 'at'>,
): Decision {
  const reached = reach(sheet, state, command.op);
  if ('refused' in reached) return reached.refused;
  const op: Op = reached.op;
  const complete = completions[op.kind] as Completion<OpKind>;
  const decision = () => complete(state, sheet, op, command, { step: reached.step, at });
  const dangers = dangersOf(sheet, state, op);
  if (dangers.length === 0) return decision();
  const says = dangers.map((d) => d.says).join('; ');
  const reason = command.reason?.trim() ?? '';
  if (reason === '')
    return refuse('in-the-way', `${opTitle(sheet, op)}: ${says}`, 'See to that first, or say why it is safe as it is');
  const decided = decision();
  if (!decided.ok) return decided;
  const text = `${opTitle(sheet, op)}: ${says}. Done all the same: ${reason}`;
  return accept(...decided.events, { type: 'noted', payload: { step: reached.step.id, text, about: 'not-as-sheet' } });
}
