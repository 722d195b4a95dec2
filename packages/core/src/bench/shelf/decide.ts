import type { Deciders } from '../registry/shapes.ts';
import type { ShelfCommand } from './commands.ts';
import type { Sheet } from '../../sheet/index.ts';
import type { Command } from '../command/commands.ts';
import { type NewEvent } from '../log/events.ts';
import { holdReasons, type HoldReason } from './events.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import type { BenchState } from '../log/state.ts';
import { notACount, refuseCount } from '../counting/decide.ts';

type Of<T extends Command['type']> = Extract<Command, { type: T }>;

const notAReason = (why: string): Decision | undefined =>
  holdReasons.some((r) => r === why)
    ? undefined
    : refuse('not-a-choice', `"${why}" is no reason to hold`, `One of: ${holdReasons.join(', ')}`);
const holds = (state: BenchState, why: HoldReason, note: string): boolean =>
  state.holds.some((h) => !h.cleared && h.why === why && h.note === note.trim());

/** Puts the job on hold for a reason. The hold's id is the command's, so that asking again is safe. */
export function decideHold(state: BenchState, command: Of<'hold'>, commandId: string): Decision {
  const wrong = notAReason(command.why);
  if (wrong) return wrong;
  if (holds(state, command.why, command.note))
    return refuse('already-done', 'It is on hold for that already', 'Clear the hold first');
  return accept({ type: 'held', payload: { hold: commandId, why: command.why, note: command.note.trim() } });
}

export function decideClearHold(state: BenchState, command: Of<'clear-hold'>): Decision {
  const hold = state.holds.find((h) => h.id === command.hold);
  if (!hold) return refuse('unknown-hold', 'There is no such hold', 'Reload the bench');
  if (hold.cleared) return refuse('already-done', 'That hold is cleared already', 'Go on');
  return accept({
    type: 'hold-cleared',
    payload: { hold: hold.id, ...(command.note === undefined ? {} : { note: command.note }) },
  });
}

export function decideMove(state: BenchState, command: Of<'move'>): Decision {
  const to = command.to.trim();
  if (to === '') return refuse('not-complete', 'Where to?', 'Name a bench place or a shelf');
  if (state.place === to) return refuse('already-done', `It stands at ${to} already`, 'Choose another place');
  return accept({ type: 'moved', payload: { to } });
}

/** Puts the unit on the shelf: what it waits for, where it stands, and what the next hands should know. */
export function decidePark(state: BenchState, command: Of<'park'>, commandId: string): Decision {
  const wrong = notAReason(command.why);
  if (wrong) return wrong;
  const to = command.to.trim();
  const note = command.note.trim();
  if (to === '') return refuse('not-complete', 'Where does it go?', 'Name a place on the shelf');
  const held: NewEvent[] = holds(state, command.why, note)
    ? []
    : [{ type: 'held', payload: { hold: commandId, why: command.why, note } }];
  return accept(...held, { type: 'parked', payload: { to, note } });
}

/** Takes the unit back to a bench. What lies in the trays is counted again; a difference needs its reason. */
export function decideResume(state: BenchState, sheet: Sheet, command: Of<'resume'>): Decision {
  if (!state.parked) return refuse('already-done', 'It is not parked', 'Go on');
  const to = command.to.trim();
  if (to === '') return refuse('not-complete', 'Where to?', 'Name a bench place');
  const counts: { part: string; expected: number; found: number }[] = [];
  const first: NewEvent[] = [];
  for (const [part, lying] of Object.entries(state.off)) {
    const found = command.counts[part];
    const title = sheet.parts[part]?.title ?? part;
    const uncounted = state.uncounted[part] !== undefined;
    // What nobody counted may stay so, or is counted now for the first time.
    if (found === undefined && uncounted) continue;
    if (found === undefined) return refuse('not-complete', `${title}: not counted`, `Look into tray ${lying.tray}`);
    if (notACount(found)) return refuseCount(found);
    if (!uncounted) counts.push({ part, expected: lying.count, found });
    else if (found > 0)
      first.push({
        type: 'counted',
        payload: { op: null, part, count: found, expected: null, agrees: true, moment: 'tray' },
      });
  }
  const reason = command.reason?.trim();
  const wrong = counts.filter((c) => c.found !== c.expected);
  if (wrong.length > 0 && !reason) {
    const { part, found, expected } = wrong[0]!;
    return refuse(
      'count-disagrees',
      `${sheet.parts[part]?.title ?? part}: ${found} found, ${expected} came off`,
      'Count again, or say what became of it',
    );
  }
  return accept(
    { type: 'resumed', payload: { to, counts, ...(reason ? { reason } : {}) } },
    ...first,
    ...state.holds
      .filter((h) => !h.cleared)
      .map((h): NewEvent => ({ type: 'hold-cleared', payload: { hold: h.id, note: 'resumed' } })),
  );
}

/** How each of these commands is decided. */
export const shelfDeciders: Deciders<ShelfCommand['type']> = {
  hold: (state, _sheet, command, { id }) => decideHold(state, command, id),
  'clear-hold': (state, _sheet, command) => decideClearHold(state, command),
  move: (state, _sheet, command) => decideMove(state, command),
  park: (state, _sheet, command, { id }) => decidePark(state, command, id),
  resume: decideResume,
};
