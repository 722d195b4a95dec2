import { decideJudgeAgain } from './judge-again.ts';
import { hangsOn, replayed } from './replay.ts';
import { rightedPayload } from './righted.ts';
import type { Deciders } from '../registry/shapes.ts';
import type { Correct, JudgeAgain } from './events.ts';
import { followsFinding } from '../judging/decide.ts';
import type { EventPayloads, JobEvent, NewEvent } from '../log/events.ts';
import { jobSheet } from '../ladder/job-sheet.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import { eventsOf, type BenchState } from '../log/state.ts';
import { type Sheet } from '../../sheet/index.ts';
import { asItStands } from './as-it-stands.ts';
import { saidBy } from './words.ts';

/**
 * Puts right what was said: the earlier event stays in the log, and the log folds from now on as if it had said the right
 * thing. Later readings whose mean hung on a wrong one are judged anew; a setting whose confirmation no longer holds opens.
 */
export function decideCorrect(state: BenchState, pinned: Sheet, command: Correct, commandId: string): Decision {
  const events = eventsOf(state);
  const event = events[command.seq - 1];
  const now = event && asItStands(events)(event);
  const said = now && saidBy(jobSheet(pinned, state), now);
  if (!now || !said)
    return refuse(
      'unknown-op',
      `Event ${command.seq} says nothing that can be put right`,
      'Choose a reading, a look, an answer, a count, a finding, a note or the booking',
    );
  const reason = command.reason.trim();
  if (reason === '') return refuse('not-complete', `${said.title}: ${said.words}`, 'Say why it was wrong');
  let refused: Decision | undefined;
  const changes = replayed(events, (e, before) => {
    if (refused) return undefined;
    const sheet = jobSheet(pinned, before);
    if (e.seq !== now.seq) return e.seq > now.seq ? hangsOn(now, e, before, sheet, command.to) : undefined;
    const put = rightedPayload(e, { to: command.to, reason, before, sheet, now: state });
    if ('refused' in put) {
      refused = put.refused;
      return undefined;
    }
    return put.payload;
  });
  if (refused) return refused;
  const own = changes.find((c) => c.seq === now.seq);
  if (!own) return refuse('already-done', `${said.title}: it says ${said.words} already`, 'Give what it should be');
  const after =
    own.payload === null ? undefined : saidBy(jobSheet(pinned, state), { ...now, payload: own.payload } as JobEvent);
  const found = now.type === 'finding-made' ? (own.payload as EventPayloads['finding-made']) : undefined;
  const part = found && found.finding !== (now.payload as typeof found).finding ? pinned.parts[found.part] : undefined;
  const follows = found && part ? followsFinding(pinned, part, found.finding, found.reason, commandId) : [];
  const corrected: NewEvent = {
    type: 'corrected',
    payload: {
      what: said.what,
      of: now.seq,
      title: said.title,
      before: said.words,
      now: after?.words ?? 'taken out',
      reason,
      changes,
    },
  };
  return accept(corrected, ...follows);
}

/** How each of these commands is decided. */
export const correctionsDeciders: Deciders<(Correct | JudgeAgain)['type']> = {
  correct: (state, sheet, command, { id }) => decideCorrect(state, sheet, command, id),
  'judge-again': decideJudgeAgain,
};
