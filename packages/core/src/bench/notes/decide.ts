import type { Deciders } from '../registry/shapes.ts';
import type { NoteCommand } from './commands.ts';
import type { Sheet } from '../../sheet/index.ts';
import type { Command } from '../command/commands.ts';
import { nextMove } from '../ladder/moves.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import type { BenchState } from '../log/state.ts';

const MOST_PHOTOS = 200;

function stepId(sheet: Sheet, state: BenchState): string | null {
  const move = nextMove(sheet, state);
  return move.kind === 'op' ? move.step.id : null;
}

/** A note at the step at hand, for whoever comes next. */
export function decideNote(state: BenchState, sheet: Sheet, command: Extract<Command, { type: 'note' }>): Decision {
  const text = command.text.trim();
  if (text === '') return refuse('not-complete', 'The note is empty', 'Say something');
  return accept({ type: 'noted', payload: { step: stepId(sheet, state), text, about: 'note' } });
}

/** A picture that is kept with the job, at the step where it was taken. */
export function decideAddPhoto(
  state: BenchState,
  sheet: Sheet,
  command: Extract<Command, { type: 'add-photo' }>,
): Decision {
  if (state.photos.length >= MOST_PHOTOS)
    return refuse('wrong-value', `${MOST_PHOTOS} pictures are kept with this job already`, 'Say it in a note');
  const { type: _type, step, ...payload } = command;
  const known = step !== undefined && sheet.steps.some((s) => s.id === step) ? step : stepId(sheet, state);
  return accept({ type: 'photo-added', payload: { ...payload, step: known } });
}

/** How each of these commands is decided. */
export const notesDeciders: Deciders<NoteCommand['type']> = {
  note: decideNote,
  'add-photo': decideAddPhoto,
};
