import type { Deciders } from '../registry/shapes.ts';
import type { BookingCommand } from './commands.ts';
import type { Command } from '../command/commands.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import type { BenchState } from '../log/state.ts';
import { jobSheet } from '../ladder/job-sheet.ts';
import { ladderOf } from '../ladder/moves.ts';
import { FULL_SCOPE, scopeTitle, widerScopes, type Sheet } from '../../sheet/index.ts';

const scopesOf = (sheet: Sheet): string =>
  `One of: ${[...new Set([...Object.keys(sheet.scopes), FULL_SCOPE])].join(', ')}`;

/** Another day is promised: somebody agreed to it, and it is a day to come that is another than before. */
export function decideMoveDeliveryDate(
  state: BenchState,
  { deliveryDate, says }: Extract<Command, { type: 'move-delivery-date' }>,
  at: string,
): Decision {
  const day = Date.parse(deliveryDate);
  const words = says.trim();
  if (words === '') return refuse('not-complete', 'Nobody is named who agreed to it', 'Say who agreed, and how');
  if (Number.isNaN(day)) return refuse('wrong-value', `"${deliveryDate}" is no day`, 'A day and a time');
  if (day <= Date.parse(at)) return refuse('wrong-value', 'That day is over', 'Promise a day to come');
  const kept = new Date(day).toISOString();
  if (kept === state.booked?.deliveryDate)
    return refuse('wrong-value', 'It is promised for that moment already', 'Another one');
  return accept({ type: 'promise-moved', payload: { promise: kept, says: words } });
}

/**
 * More of the unit is taken in: somebody agreed to it, it is more than before, and the unit is still coming apart. What
 * stands in the log stays; the ladder grows by the rungs below, and by what they lay bare along the bottom.
 */
export function decideWidenScope(
  state: BenchState,
  pinned: Sheet,
  { scope, says }: Extract<Command, { type: 'widen-scope' }>,
): Decision {
  const sheet = jobSheet(pinned, state);
  const words = says.trim();
  const wider = widerScopes(sheet, state.scope);
  if (words === '') return refuse('not-complete', 'Nobody is named who agreed to it', 'Say who agreed, and how');
  if (!wider.some((s) => s.id === scope))
    return refuse(
      'wrong-value',
      `"${scope}" is not more than "${scopeTitle(sheet, state.scope)}"`,
      wider.length > 0 ? `One of: ${wider.map((s) => s.title).join(', ')}` : 'The job is about all of it already',
    );
  const begun = ladderOf(sheet, state).build.find((s) => s.ops.some((o) => state.done[o.id]));
  if (begun)
    return refuse(
      'not-reachable',
      `It is being put together: ${begun.title} is begun`,
      'Go back to the bottom first, and take off what is on',
    );
  return accept({ type: 'scope-widened', payload: { scope, from: state.scope ?? FULL_SCOPE, says: words } });
}

/** How each of these commands is decided. */
export const bookingDeciders: Deciders<BookingCommand['type']> = {
  book: (state, sheet, { type: _type, deliveryDate: promise, ...rest }) => {
    if (state.booked) return refuse('already-booked', `Booked as job ${state.booked.number} already`, 'Open it');
    const { scope } = rest;
    if (scope !== undefined && scope !== FULL_SCOPE && !sheet.scopes[scope])
      return refuse('wrong-value', `The sheet knows no scope "${scope}"`, scopesOf(sheet));
    return accept({ type: 'job-booked', payload: { ...rest, promise } });
  },
  'widen-scope': (state, sheet, command) => decideWidenScope(state, sheet, command),
  'move-delivery-date': (state, _sheet, command, { at }) => decideMoveDeliveryDate(state, command, at),
};
