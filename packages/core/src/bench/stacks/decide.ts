import type { CommandOf } from '../command/commands.ts';
import type { BenchState } from '../log/state.ts';
import { type Sheet, stackAsSheet } from '../../sheet/index.ts';
import { type Decision, refuse, accept } from '../command/refusal.ts';
import { reach } from '../command/reach.ts';
import type { Deciders } from '../registry/shapes.ts';
import type { StackCommand } from './commands.ts';

/** How each of these commands is decided. */
export const stacksDeciders: Deciders<StackCommand['type']> = {
  'order-stack': decideOrderStack,
};

/** Records the order of a stack as it came off, or holds it against the sheet as it goes back. */
export function decideOrderStack(state: BenchState, sheet: Sheet, command: CommandOf<'order-stack'>): Decision {
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
