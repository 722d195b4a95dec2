import { deciders } from '../registry/deciders.ts';
import type { Given } from '../registry/shapes.ts';
import type { Sheet } from '../../sheet/index.ts';
import type { CommandEnvelope, DecideContext } from './commands.ts';
import type { Command } from './commands.ts';
import { EVENT_VERSION, type JobEvent, type NewEvent } from '../log/events.ts';
import { evolve } from '../log/evolve.ts';
import { ladderOf, stepDone } from '../ladder/moves.ts';
import { refuse, type Decision, type Refusal } from './refusal.ts';
import type { BenchState } from '../log/state.ts';
import { billOf } from '../quote/bill.ts';
import { agreedMinor } from '../quote/money.ts';
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
  'resume', 'move', 'move-delivery-date', 'widen-scope', 'hold', 'clear-hold', 'note', 'add-photo', 'start-timer', 'end-timer', 'prepare', 'take-back',
  'say-source', 'order-parts', 'arrive-part', 'send-part-back', 'cancel-line', 'make-quote', 'answer-quote',
]); // prettier-ignore

function choose(
  state: BenchState,
  sheet: Sheet,
  { command, ...given }: CommandEnvelope,
  context: DecideContext,
): Decision {
  const inTheWay = command.type === 'book' ? undefined : jobIsClosed(state, command);
  return (
    inTheWay ??
    pastTheAgreedSum(state, sheet, command, context) ??
    decided(state, sheet, command, { ...given, context })
  );
}

/** The family that knows the command decides it. */
function decided(state: BenchState, sheet: Sheet, command: Command, given: Given): Decision {
  const decider = deciders[command.type] as
    ((state: BenchState, sheet: Sheet, command: Command, given: Given) => Decision) | undefined;
  if (!decider) throw new Error(`a command that nothing decides: ${JSON.stringify(command)}`);
  return decider(state, sheet, command, given);
}

/** What a job that is not open, or not at hand, refuses whatever is asked of it. */
function jobIsClosed(state: BenchState, command: Command): Decision | undefined {
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
  return undefined;
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
