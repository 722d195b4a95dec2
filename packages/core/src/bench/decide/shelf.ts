import type { Command } from '../commands.ts';
import { holdReasons } from '../events.ts';
import { accept, refuse, type Decision } from '../refusal.ts';
import type { BenchState } from '../state.ts';

/** Puts the job on hold for a reason. The hold's id is the command's, so that asking again is safe. */
export function decideHold(
  state: BenchState,
  command: Extract<Command, { type: 'hold' }>,
  commandId: string,
): Decision {
  if (!holdReasons.some((r) => r === command.why))
    return refuse('not-a-choice', `"${command.why}" is no reason to hold`, `One of: ${holdReasons.join(', ')}`);
  if (state.holds.some((h) => !h.cleared && h.why === command.why && h.note === command.note.trim()))
    return refuse('already-done', 'It is on hold for that already', 'Clear the hold first');
  return accept({ type: 'held', payload: { hold: commandId, why: command.why, note: command.note.trim() } });
}

export function decideClearHold(state: BenchState, command: Extract<Command, { type: 'clear-hold' }>): Decision {
  const hold = state.holds.find((h) => h.id === command.hold);
  if (!hold) return refuse('unknown-hold', 'There is no such hold', 'Reload the bench');
  if (hold.cleared) return refuse('already-done', 'That hold is cleared already', 'Go on');
  return accept({
    type: 'hold-cleared',
    payload: { hold: hold.id, ...(command.note === undefined ? {} : { note: command.note }) },
  });
}

export function decideMove(state: BenchState, command: Extract<Command, { type: 'move' }>): Decision {
  const to = command.to.trim();
  if (to === '') return refuse('not-complete', 'Where to?', 'Name a bench place or a shelf');
  if (state.place === to) return refuse('already-done', `It stands at ${to} already`, 'Choose another place');
  return accept({ type: 'moved', payload: { to } });
}
