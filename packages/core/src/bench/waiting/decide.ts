import { dangersOf } from '../ladder/unit-now.ts';
import type { Deciders } from '../registry/shapes.ts';
import type { WaitCommand } from './commands.ts';
import { ladderOf } from '../ladder/moves.ts';
import type { Sheet } from '../../sheet/index.ts';
import type { Command } from '../command/commands.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import type { BenchState } from '../log/state.ts';
import { minutesToRun, timerHasRun, timerOf } from './timers.ts';
import { timerKinds } from './events.ts';
import { reach } from '../command/reach.ts';

type Of<T extends Command['type']> = Extract<Command, { type: T }>;
/** A week: longer than any cure of the trade. */
const LONGEST_MINUTES = 7 * 24 * 60;

/** Starts a wait by the clock: of an operation, or of anything else. The timer's id is the command's. */
export function decideStartTimer(
  state: BenchState,
  sheet: Sheet,
  command: Of<'start-timer'>,
  commandId: string,
): Decision {
  if (!Number.isFinite(command.minutes) || command.minutes <= 0 || command.minutes > LONGEST_MINUTES)
    return refuse('wrong-value', `${command.minutes} min is no time to wait`, 'More than nothing, at most a week');
  if (!timerKinds.some((k) => k === command.kind))
    return refuse('not-a-choice', `"${command.kind}" is no kind of wait`, `One of: ${timerKinds.join(', ')}`);
  const title = command.title.trim();
  if (title === '') return refuse('not-complete', 'What is waited for?', 'Name it');
  if (command.op !== undefined) {
    const reached = reach(sheet, state, command.op, ['cure', 'soak', 'rest', 'heat']);
    if ('refused' in reached) return reached.refused;
    const [danger] = dangersOf(sheet, state, reached.op);
    if (danger) return refuse('in-the-way', `${title}: ${danger.says}`, 'See to that first');
    if (timerOf(state, command.op) && !timerOf(state, command.op)!.ended)
      return refuse('already-done', 'It is running already', 'Wait, or cut it short and say why');
  }
  return accept({
    type: 'timer-started',
    payload: { timer: commandId, op: command.op ?? null, kind: command.kind, title, minutes: command.minutes },
  });
}

/** Ends a timer. One that has not run asks why. */
export function decideEndTimer(state: BenchState, command: Of<'end-timer'>, at: string): Decision {
  const timer = state.timers[command.timer];
  if (!timer) return refuse('wrong-value', 'There is no such timer', 'Reload the bench');
  if (timer.ended) return refuse('already-done', `${timer.title}: ended already`, 'Go on');
  const reason = command.reason?.trim();
  const early = !timerHasRun(timer, at);
  if (early && !reason)
    return refuse(
      'still-waiting',
      `${timer.title}: ${minutesToRun(timer, at)} min to go`,
      'Wait, or say why it is cut short',
    );
  return accept({ type: 'timer-ended', payload: { timer: timer.id, early: early ? reason! : null } });
}

/** Something is made ready before its step: the oven is on, the tool is here. What takes time starts a timer. */
export function decidePrepare(state: BenchState, sheet: Sheet, command: Of<'prepare'>, commandId: string): Decision {
  const item = ladderOf(sheet, state)
    .all.flatMap((s) => s.ahead)
    .find((a) => a.id === command.item);
  if (!item) return refuse('unknown-op', 'There is no such thing to make ready', 'Reload the bench');
  if (state.prepared[item.id]) return refuse('already-done', `${item.what}: made ready already`, 'Go on');
  const prepared = { type: 'prepared', payload: { item: item.id, what: item.what } } as const;
  if (item.minutes <= 0 || item.kind === 'tool' || item.kind === 'order') return accept(prepared);
  return accept(prepared, {
    type: 'timer-started',
    payload: { timer: commandId, op: null, kind: item.kind, title: item.what, minutes: item.minutes },
  });
}

/** How each of these commands is decided. */
export const waitingDeciders: Deciders<WaitCommand['type']> = {
  'start-timer': (state, sheet, command, { id }) => decideStartTimer(state, sheet, command, id),
  'end-timer': (state, _sheet, command, { at }) => decideEndTimer(state, command, at),
  prepare: (state, sheet, command, { id }) => decidePrepare(state, sheet, command, id),
};
