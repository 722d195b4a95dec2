import { decideCheckOver } from './check-over.ts';
import type { Deciders } from '../registry/shapes.ts';
import type { ClosingCommand } from './commands.ts';
import type { Sheet } from '../../sheet/index.ts';
import { blockers } from '../ladder/blockers.ts';
import type { Command } from '../command/commands.ts';
import type { EventType } from '../log/events.ts';
import type { Person } from '../log/facts.ts';
import { END_STATEMENTS } from '../ends/words.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import { eventsOf, type BenchState } from '../log/state.ts';

/** Signs the job off, when nothing stands against it. */
export function decideSignOff(state: BenchState, sheet: Sheet, who: Person): Decision {
  if (state.signed) return refuse('already-done', `Signed off by ${state.signed.by.name} already`, 'Hand it over');
  const inTheWay = blockers(sheet, state);
  if (inTheWay.length > 0) {
    return refuse(
      'blocked',
      `${inTheWay.length === 1 ? 'One thing is' : `${inTheWay.length} things are`} in the way`,
      inTheWay[0]!.says,
      inTheWay,
    );
  }
  if (state.checked?.by.id === who.id)
    return refuse('same-person', `${who.name} looked it over as the second person`, 'Who built it signs it');
  return accept({
    type: 'signed-off',
    payload: {
      statement: state.end
        ? END_STATEMENTS[state.end.how]
        : 'Built, set and tightened as recorded; every aid is out and every part is accounted for.',
    },
  });
}

/** Hands the signed unit over. */
export function decideHandOver(state: BenchState, command: Extract<Command, { type: 'hand-over' }>): Decision {
  if (!state.signed) return refuse('not-signed', 'Not signed off yet', 'Sign off first');
  const to = command.to.trim();
  if (to === '') return refuse('not-complete', 'To whom?', 'Name who takes the unit');
  return accept({
    type: 'handed-over',
    payload: { to, ...(command.note === undefined ? {} : { note: command.note }) },
  });
}

/** What others act on once it is done: it is corrected by its own contrary, not taken back. */
const OUT_OF_HAND: ReadonlySet<EventType> = new Set([
  'parts-ordered', 'part-arrived', 'part-sent-back', 'line-cancelled', 'quote-made', 'quote-answered',
]); // prettier-ignore

/** Takes the last command back. Older ones follow one by one, so that nothing is left hanging on what is gone. */
export function decideTakeBack(state: BenchState, command: Extract<Command, { type: 'take-back' }>): Decision {
  const events = eventsOf(state);
  const gone = new Set(events.flatMap((e) => (e.type === 'taken-back' ? e.payload.events : [])));
  const standing = events.filter((e) => e.type !== 'taken-back' && !gone.has(e.seq));
  const mine = standing.filter((e) => e.command === command.command);
  if (mine.length === 0)
    return refuse('unknown-command', 'There is nothing to take back', 'It may have been taken back already');
  if (mine.some((e) => e.type === 'job-booked'))
    return refuse('not-the-last', 'A booking is not taken back', 'Close the job with a note instead');
  const sent = mine.find((e) => OUT_OF_HAND.has(e.type));
  if (sent)
    return refuse('wrong-kind', 'It has gone out already', 'Cancel the line, send the part back, or make a new quote');
  if (standing.at(-1)?.command !== command.command)
    return refuse('not-the-last', 'Something was done after it', 'Take back the last thing first');
  return accept({
    type: 'taken-back',
    payload: {
      command: command.command,
      events: mine.map((e) => e.seq),
      reason: command.reason.trim() || 'pressed by mistake',
    },
  });
}

/** How each of these commands is decided. */
export const closingDeciders: Deciders<ClosingCommand['type']> = {
  'take-back': (state, _sheet, command) => decideTakeBack(state, command),
  'check-over': (state, sheet, _command, { who }) => decideCheckOver(state, sheet, who),
  'sign-off': (state, sheet, _command, { who }) => decideSignOff(state, sheet, who),
  'hand-over': (state, _sheet, command) => decideHandOver(state, command),
};
