import type { Deciders } from '../registry/shapes.ts';
import type { BookingCommand } from './commands.ts';
import type { Command } from '../command/commands.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import type { BenchState } from '../log/state.ts';

/** Another day is promised: somebody agreed to it, and it is a day to come that is another than before. */
export function decideMovePromise(
  state: BenchState,
  { promise, says }: Extract<Command, { type: 'move-promise' }>,
  at: string,
): Decision {
  const day = Date.parse(promise);
  const words = says.trim();
  if (words === '') return refuse('not-complete', 'Nobody is named who agreed to it', 'Say who agreed, and how');
  if (Number.isNaN(day)) return refuse('wrong-value', `"${promise}" is no day`, 'A day and a time');
  if (day <= Date.parse(at)) return refuse('wrong-value', 'That day is over', 'Promise a day to come');
  const kept = new Date(day).toISOString();
  if (kept === state.booked?.promise)
    return refuse('wrong-value', 'It is promised for that moment already', 'Another one');
  return accept({ type: 'promise-moved', payload: { promise: kept, says: words } });
}

/** How each of these commands is decided. */
export const bookingDeciders: Deciders<BookingCommand['type']> = {
  book: (state, _sheet, { type: _type, ...payload }) =>
    state.booked
      ? refuse('already-booked', `Booked as job ${state.booked.number} already`, 'Open it')
      : accept({ type: 'job-booked', payload }),
  'move-promise': (state, _sheet, command, { at }) => decideMovePromise(state, command, at),
};
