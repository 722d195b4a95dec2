import type { Sheet } from '../../sheet/index.ts';
import type { CommandEnvelope, DecideContext } from '../commands.ts';
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
import { decideClearHold, decideHold, decideMove } from './shelf.ts';

export type Outcome =
  | { readonly ok: true; readonly events: readonly JobEvent[]; readonly state: BenchState }
  | { readonly ok: false; readonly refusal: Refusal };

/**
 * Command in, events out. Every choice is made here and its result stored in the event; `evolve` only folds.
 * Pure: the same state, sheet and command give the same events, with the same ids, in the browser and on the server.
 */
export function decide(state: BenchState, sheet: Sheet, envelope: CommandEnvelope, context: DecideContext): Outcome {
  const decision = choose(state, sheet, envelope, context);
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
  for (const step of finishedSteps(state, next, sheet)) append({ type: 'rung-done', payload: step });
  return { ok: true, events, state: next };
}

function choose(state: BenchState, sheet: Sheet, { command, id }: CommandEnvelope, context: DecideContext): Decision {
  if (command.type === 'book') {
    if (state.booked) return refuse('already-booked', `Booked as job ${state.booked.number} already`, 'Open it');
    const { type: _type, ...payload } = command;
    return accept({ type: 'job-booked', payload });
  }
  if (!state.booked) return refuse('not-booked', 'This job is not booked in', 'Book it in first');
  if (state.handedOver) return refuse('closed', 'This job is handed over', 'Book the unit in again');
  if (state.signed && command.type !== 'hand-over' && command.type !== 'move')
    return refuse('closed', `Signed off by ${state.signed.by.name}`, 'Hand it over, or book it in again');
  switch (command.type) {
    case 'complete':
      return decideComplete(state, sheet, command);
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
