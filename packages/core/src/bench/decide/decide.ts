import type { Sheet } from '../../sheet/index.ts';
import type { CommandEnvelope, DecideContext } from '../commands.ts';
import type { Command } from '../commands.ts';
import { EVENT_VERSION, type JobEvent, type NewEvent } from '../events.ts';
import { evolve } from '../evolve.ts';
import { ladderOf, stepDone } from '../moves.ts';
import { accept, refuse, type Decision, type Refusal } from '../refusal.ts';
import type { BenchState } from '../state.ts';
import { decideHandOver, decideSignOff, decideTakeBack } from './closing.ts';
import { decideComplete } from './complete.ts';
import { decideChoose, decideJudge } from './findings.ts';
import { decideFitPack } from './packs.ts';
import { decideAnswerPull, decidePull } from './pulls.ts';
import { decideAnswer, decideTakeReading } from './readings.ts';
import { decideAddPhoto, decideNote } from './notes.ts';
import { decideClearHold, decideHold, decideMove, decidePark, decideResume } from './shelf.ts';
import {
  decideAdjust,
  decideCount,
  decideCountTray,
  decideIdentify,
  decideLook,
  decideOrderStack,
  decideSayUnit,
  decideWayFailed,
} from './strip.ts';
import { decideAddMark, decideAddThing, decideSurprise } from './surprises.ts';
import { decideEndTimer, decidePrepare, decideStartTimer } from './waits.ts';
import { jobSheet } from '../own.ts';

export type Outcome =
  | { readonly ok: true; readonly events: readonly JobEvent[]; readonly state: BenchState }
  | { readonly ok: false; readonly refusal: Refusal };

/**
 * Command in, events out. Every choice is made here and its result stored in the event; `evolve` only folds.
 * Pure: the same state, sheet and command give the same events, with the same ids, in the browser and on the server.
 */
export function decide(state: BenchState, sheet: Sheet, envelope: CommandEnvelope, context: DecideContext): Outcome {
  const decision = choose(state, jobSheet(sheet, state), envelope, context);
  if (!decision.ok) return decision;
  const events: JobEvent[] = [];
  let next = state;
  const append = (e: NewEvent): void => {
    const event = {
      ...e,
      job: envelope.job,
      seq: next.seq + 1,
      id: `${envelope.id}.${events.length + 1}`,
      v: EVENT_VERSION,
      who: envelope.who,
      at: envelope.at,
      device: envelope.device,
      command: envelope.id,
    } as JobEvent;
    events.push(event);
    next = evolve(next, event);
  };
  decision.events.forEach(append);
  for (const step of finishedSteps(state, next, jobSheet(sheet, next))) append({ type: 'rung-done', payload: step });
  return { ok: true, events, state: next };
}

/** What may be asked for while the unit stands on the shelf. */
const whileParked: ReadonlySet<Command['type']> = new Set([
  'resume', 'move', 'hold', 'clear-hold', 'note', 'add-photo', 'start-timer', 'end-timer', 'prepare', 'take-back',
]); // prettier-ignore

function choose(
  state: BenchState,
  sheet: Sheet,
  { command, id, at }: CommandEnvelope,
  context: DecideContext,
): Decision {
  if (command.type === 'book') {
    if (state.booked) return refuse('already-booked', `Booked as job ${state.booked.number} already`, 'Open it');
    const { type: _type, ...payload } = command;
    return accept({ type: 'job-booked', payload });
  }
  if (!state.booked) return refuse('not-booked', 'This job is not booked in', 'Book it in first');
  if (state.handedOver) return refuse('closed', 'This job is handed over', 'Book the unit in again');
  if (state.signed && command.type !== 'hand-over' && command.type !== 'move')
    return refuse('closed', `Signed off by ${state.signed.by.name}`, 'Hand it over, or book it in again');
  if (state.parked && !whileParked.has(command.type))
    return refuse(
      'parked',
      `The unit stands parked at ${state.parked.to}`,
      'Resume it first, and count what lies in the trays',
    );
  switch (command.type) {
    case 'complete':
      return decideComplete(state, sheet, command, at);
    case 'take-reading':
      return decideTakeReading(state, sheet, command);
    case 'answer':
      return decideAnswer(state, sheet, command);
    case 'judge':
      return decideJudge(state, sheet, command);
    case 'choose':
      return decideChoose(state, sheet, command);
    case 'fit-pack':
      return decideFitPack(state, sheet, command, context);
    case 'pull':
      return decidePull(state, sheet, command);
    case 'answer-pull':
      return decideAnswerPull(state, sheet, command);
    case 'hold':
      return decideHold(state, command, id);
    case 'clear-hold':
      return decideClearHold(state, command);
    case 'move':
      return decideMove(state, command);
    case 'order-stack':
      return decideOrderStack(state, sheet, command);
    case 'look':
      return decideLook(state, sheet, command);
    case 'identify':
      return decideIdentify(state, sheet, command);
    case 'way-failed':
      return decideWayFailed(state, sheet, command);
    case 'count':
      return decideCount(state, sheet, command);
    case 'count-tray':
      return decideCountTray(state, sheet, command);
    case 'adjust':
      return decideAdjust(state, sheet, command);
    case 'say-unit':
      return decideSayUnit(state, sheet, command);
    case 'start-timer':
      return decideStartTimer(state, sheet, command, id);
    case 'end-timer':
      return decideEndTimer(state, command, at);
    case 'prepare':
      return decidePrepare(state, sheet, command, id);
    case 'add-mark':
      return decideAddMark(state, sheet, command);
    case 'add-aid':
    case 'add-lead':
      return decideAddThing(state, sheet, command);
    case 'surprise':
      return decideSurprise(state, sheet, command);
    case 'note':
      return decideNote(state, sheet, command);
    case 'add-photo':
      return decideAddPhoto(state, sheet, command);
    case 'park':
      return decidePark(state, command, id);
    case 'resume':
      return decideResume(state, sheet, command);
    case 'take-back':
      return decideTakeBack(state, command);
    case 'sign-off':
      return decideSignOff(state, sheet);
    case 'hand-over':
      return decideHandOver(state, command);
    default:
      return unreachable(command);
  }
}

function unreachable(command: never): never {
  throw new Error(`a command that nothing decides: ${JSON.stringify(command)}`);
}

/** Steps that these events finished, and that the log does not yet say are done. */
function finishedSteps(
  before: BenchState,
  after: BenchState,
  sheet: Sheet,
): { step: string; side: 'strip' | 'bottom' | 'build' }[] {
  if (after.done === before.done && after.findings === before.findings) return [];
  return ladderOf(sheet, after)
    .all.filter((s) => s.ops.length > 0 && stepDone(s, after) && after.steps[s.id] === undefined)
    .map((s) => ({ step: s.id, side: s.side }));
}
