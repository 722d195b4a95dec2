import { unreachable } from '../../records.ts';
import type { Sheet } from '../../sheet/index.ts';
import type { CommandEnvelope, DecideContext } from './commands.ts';
import type { Command } from './commands.ts';
import { EVENT_VERSION, type JobEvent, type NewEvent } from '../log/events.ts';
import { evolve } from '../log/evolve.ts';
import { ladderOf, stepDone } from '../ladder/moves.ts';
import { accept, refuse, type Decision, type Refusal } from './refusal.ts';
import type { BenchState } from '../log/state.ts';
import { decideCheckOver } from '../closing/check-over.ts';
import { decideHandOver, decideSignOff, decideTakeBack } from '../closing/decide.ts';
import { decideComplete } from './complete.ts';
import { decideCause, decideChoose, decideJudge } from '../judging/decide.ts';
import { decideFitPack } from '../setting/fit-pack.ts';
import { decideArrive, decideCancelLine, decideOrder, decideSendBack } from '../parts/decide.ts';
import { decideMovePromise } from '../booking/decide.ts';
import { decideLeadBack, decideTakeRun } from '../proving/decide.ts';
import { decideAnswerQuote, decideMakeQuote } from '../quote/decide.ts';
import {
  decideAnswerPull,
  decideLoosen,
  decidePull,
  decideRenewFasteners,
  decideSayRunning,
} from '../tightening/decide.ts';
import { decideAnswer, decideMeasureAgain, decideTakeReading } from '../measuring/decide.ts';
import { decideAddPhoto, decideNote } from '../notes/decide.ts';
import { decideClearHold, decideHold, decideMove, decidePark, decideResume } from '../shelf/decide.ts';
import { decideCount, decideCountTray } from '../counting/decide.ts';
import { decideIdentify } from '../identify/decide.ts';
import { decideAdjust, decideLook, decideOrderStack, decideSayUnit, decideWayFailed } from '../strip/decide.ts';
import { decideAddMark, decideAddThing, decideSurprise } from '../surprises/decide.ts';
import { decideEndTimer, decidePrepare, decideStartTimer } from '../waiting/decide.ts';
import { billOf } from '../quote/bill.ts';
import { agreedMinor } from '../quote/money.ts';
import { decideAcceptSo } from '../bad/decide.ts';
import { decideCorrect, decideJudgeAgain } from '../corrections/decide.ts';
import { decideEndOtherwise } from '../ends/decide.ts';
import { decideSaySource } from '../sources/decide.ts';
import { jobSheet } from '../ladder/job-sheet.ts';

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
      ...(envelope.deviceAt === undefined ? {} : { deviceAt: envelope.deviceAt }),
      ...(envelope.receivedAt === undefined ? {} : { receivedAt: envelope.receivedAt }),
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
  'resume', 'move', 'move-promise', 'hold', 'clear-hold', 'note', 'add-photo', 'start-timer', 'end-timer', 'prepare', 'take-back',
  'say-source', 'order-parts', 'arrive-part', 'send-part-back', 'cancel-line', 'make-quote', 'answer-quote',
]); // prettier-ignore

function choose(
  state: BenchState,
  sheet: Sheet,
  { command, id, at, who }: CommandEnvelope,
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
  const past = pastTheAgreedSum(state, sheet, command, context);
  if (past) return past;
  switch (command.type) {
    case 'complete':
      return decideComplete(state, sheet, command, at);
    case 'take-reading':
      return decideTakeReading(state, sheet, command);
    case 'answer':
      return decideAnswer(state, sheet, command);
    case 'judge':
      return decideJudge(state, sheet, command, id);
    case 'measure-again':
      return decideMeasureAgain(state, sheet, command);
    case 'find-cause':
      return decideCause(state, sheet, command);
    case 'choose':
      return decideChoose(state, sheet, command);
    case 'fit-pack':
      return decideFitPack(state, sheet, command, context);
    case 'pull':
      return decidePull(state, sheet, command);
    case 'answer-pull':
      return decideAnswerPull(state, sheet, command);
    case 'say-running':
      return decideSayRunning(state, sheet, command);
    case 'loosen':
      return decideLoosen(state, sheet, command);
    case 'renew-fasteners':
      return decideRenewFasteners(state, sheet, command);
    case 'order-parts':
      return decideOrder(state, sheet, command, id);
    case 'arrive-part':
      return decideArrive(state, command);
    case 'send-part-back':
      return decideSendBack(state, command, id);
    case 'cancel-line':
      return decideCancelLine(state, command);
    case 'make-quote':
      return decideMakeQuote(state, command);
    case 'answer-quote':
      return decideAnswerQuote(state, command, id);
    case 'take-run':
      return decideTakeRun(state, sheet, command);
    case 'lead-back':
      return decideLeadBack(state, sheet, command);
    case 'accept-so':
      return decideAcceptSo(state, sheet, command);
    case 'correct':
      return decideCorrect(state, sheet, command, id);
    case 'end-otherwise':
      return decideEndOtherwise(state, command);
    case 'say-source':
      return decideSaySource(state, sheet, command);
    case 'judge-again':
      return decideJudgeAgain(state, sheet, command);
    case 'hold':
      return decideHold(state, command, id);
    case 'clear-hold':
      return decideClearHold(state, command);
    case 'move':
      return decideMove(state, command);
    case 'move-promise':
      return decideMovePromise(state, command, at);
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
      return decideSignOff(state, sheet, who);
    case 'check-over':
      return decideCheckOver(state, sheet, who);
    case 'hand-over':
      return decideHandOver(state, command);
    default:
      return unreachable('a command that nothing decides', command);
  }
}

/** Building up, and ordering, past what was agreed waits for a new yes; taking apart and looking never does. */
function pastTheAgreedSum(
  state: BenchState,
  sheet: Sheet,
  command: Command,
  { money }: DecideContext,
): Decision | undefined {
  const agreed = agreedMinor(state);
  const costs = command.type === 'order-parts' || ('op' in command && command.op?.startsWith('build/'));
  if (agreed === undefined || !money || !costs || state.end) return undefined;
  const { totalMinor } = billOf(sheet, state, money);
  if (totalMinor <= agreed) return undefined;
  const sum = (minor: number): string => (minor / 100).toFixed(2);
  return refuse(
    'past-agreed',
    `It comes to ${sum(totalMinor)}, and ${sum(agreed)} is agreed`,
    'Get a new yes: make a quote',
  );
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
