import type { Op, OpKind, Sheet } from '../../sheet/index.ts';
import type { BenchState } from '../log/state.ts';
import { completions } from '../registry/completions.ts';
import type { Completion, Given } from '../registry/shapes.ts';
import type { CommandOf } from './commands.ts';
import { reach } from './reach.ts';
import type { Decision } from './refusal.ts';

/** Completes one operation, once its turn has come, as its family says. */
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
  return complete(state, sheet, op, command, { step: reached.step, at });
}
