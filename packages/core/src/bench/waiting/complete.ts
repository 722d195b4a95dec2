import type { WaitOp } from './ops.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import { readingsOf } from '../measuring/readings-of.ts';
import { timerOf } from './timers.ts';
import { decideEndTimer } from './decide.ts';
import { heatWindow } from '../fitting/windows.ts';
import { formatQuantity, formatBand, inCanonical } from '../../quantities/index.ts';
import type { BenchState } from '../log/state.ts';
import type { NewEvent } from '../log/events.ts';
import type { Sheet } from '../../sheet/index.ts';
import type { CommandOf } from '../command/commands.ts';
import type { Completions, Completion } from '../registry/shapes.ts';

const wait: Completion<WaitOp> = (state, sheet, op, command, { at }) => {
  const timer = timerOf(state, op.id);
  const endsNow: NewEvent[] = [];
  if (op.minutes !== undefined) {
    if (!timer) return refuse('not-complete', `It takes ${op.minutes} min`, 'Start the timer');
    if (!timer.ended) {
      const ended = decideEndTimer(state, { type: 'end-timer', timer: timer.id, reason: command.reason }, at);
      if (!ended.ok) return ended;
      endsNow.push(...ended.events);
    }
  }
  const tooCold = op.kind === 'heat' ? notHot(sheet, state, op.id, op.part, command) : undefined;
  if (tooCold) return tooCold;
  const reason = command.note ?? command.reason?.trim();
  return accept(...endsNow, {
    type: 'op-done',
    payload: { op: op.id, kind: op.kind, ...(reason ? { note: reason } : {}) },
  });
};

/** How these operations are completed. */
export const waitingCompletions: Completions<WaitOp> = {
  cure: wait,
  soak: wait,
  rest: wait,
  heat: wait,
};

/** A heated part goes on when it is read hot enough and not too hot, or with a reason. */
function notHot(
  sheet: Sheet,
  state: BenchState,
  op: string,
  part: string | undefined,
  command: CommandOf<'complete'>,
): Decision | undefined {
  const fit = part === undefined ? undefined : sheet.parts[part]?.fit;
  if (!fit || command.reason?.trim()) return undefined;
  const read = readingsOf(state, op).at(-1);
  const { low, high } = heatWindow(fit);
  if (!read) return refuse('not-complete', 'How hot is it?', `Read it: ${formatBand({ low, high }, 0)}`);
  const now = inCanonical(read.value, 'temperature');
  if (now > inCanonical(high, 'temperature'))
    return refuse(
      'not-complete',
      `${formatQuantity(read.value, 0)} is past the ${formatQuantity(high, 0)} that it stands`,
      'Renew it, or say why it is still good',
    );
  if (now < inCanonical(low, 'temperature'))
    return refuse(
      'not-complete',
      `${formatQuantity(read.value, 0)}: it drops on from ${formatQuantity(low, 0)}`,
      'Wait, and read it again',
    );
  return undefined;
}
