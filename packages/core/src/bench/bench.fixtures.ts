import { librarySheet } from '../sheet/library.fixtures.ts';
import type { LadderStep, Op, OpKind, Sheet } from '../sheet/index.ts';
import {
  canonicalJson,
  decide,
  emptyBench,
  fold,
  nextMove,
  rehearse,
  sha256Hex,
  type BenchState,
  type Command,
  type CommandEnvelope,
  type DecideContext,
  type JobEvent,
  type RehearsalFigures,
} from './index.ts';

export { libraryNames, librarySheet, libraryText } from '../sheet/library.fixtures.ts';
export const hubDolly = (): Sheet => librarySheet('hub-dolly');

export const person = { id: 'p1', name: 'Una Reith', initials: 'UR' };
export const secondPerson = { id: 'p2', name: 'Ailsa Brock', initials: 'AB' };
export const context: DecideContext = {
  drawers: {
    'hub-shims': [
      [1.5, 2],
      [1.2, 3],
      [1.0, 1],
      [0.3, 4],
      [0.12, 2],
      [0.1, 5],
      [0.05, 6],
    ].map(([value, count]) => ({ thickness: { value: value!, unit: 'mm' }, count: count! })),
  },
};

export function booking(sheet: Sheet, variant: string | null = 'six-stud', scope?: string): Command {
  return {
    type: 'book',
    number: 318,
    customer: { id: 'c1', name: 'Skerrow Airfield' },
    unit: { id: 'u1', serial: '20417', model: 'BD-6' },
    sheet: { id: sheet.id, revision: sheet.revision, title: sheet.title, hash: sha256Hex(canonicalJson(sheet)) },
    complaint: 'leaks and growls',
    deliveryDate: '2026-11-26T14:00:00.000Z',
    spendLimitMinor: 24000,
    variant,
    identified: [{ ask: 'studs', answer: '65.2 mm' }],
    earlierVisits: 0,
    ...(scope === undefined ? {} : { scope }),
  };
}

/** One bench, driven by commands one after another, with ids and times counted up. */
export class TestBench {
  state: BenchState = emptyBench('j1');
  readonly events: JobEvent[] = [];
  private count = 0;
  constructor(readonly sheet: Sheet) {}

  /** Moves the clock on by so many minutes. */
  wait(minutes: number): void {
    this.count += minutes * 60;
  }

  envelope(command: Command, id = `c${this.count + 1}`): CommandEnvelope {
    return {
      id,
      job: 'j1',
      who: command.type === 'check-over' ? secondPerson : person,
      at: new Date(Date.UTC(2026, 10, 24, 8, 0, this.count)).toISOString(),
      device: 'bench A',
      command,
    };
  }

  /** Gives a command that must be accepted. */
  do(command: Command): void {
    const envelope = this.envelope(command);
    this.count += 1;
    const outcome = decide(this.state, this.sheet, envelope, context);
    if (!outcome.ok)
      throw new Error(`${command.type} was refused: ${outcome.refusal.says} (${outcome.refusal.clears})`);
    this.events.push(...outcome.events);
    this.state = outcome.state;
  }

  /** Gives a command that must be refused; its code and words. */
  refused(command: Command): {
    code: string;
    says: string;
    clears: string;
    blockers?: readonly { code: string; op?: string }[];
  } {
    const outcome = decide(this.state, this.sheet, this.envelope(command), context);
    if (outcome.ok) throw new Error(`${command.type} was accepted`);
    return outcome.refusal;
  }

  /** Rehearses until `stop` says so, or nothing is left. */
  run(stop: (command: Command, state: BenchState) => boolean = () => false, figures: RehearsalFigures = {}): void {
    for (let i = 0; i < 900; i += 1) {
      const command = rehearse(this.sheet, this.state, context, { impatience: 'rehearsed', ...figures });
      if (!command || stop(command, this.state)) return;
      this.do(command);
    }
    throw new Error('a rehearsal of more than 900 commands');
  }

  refold(): BenchState {
    return fold('j1', this.events);
  }
}

/** A job booked on a sheet. */
export function booked(sheet: Sheet = hubDolly(), variant: string | null = 'six-stud', scope?: string): TestBench {
  const bench = new TestBench(sheet);
  bench.do(booking(sheet, variant, scope));
  return bench;
}

/** The operation that is next, with its step. Throws when something else is. */
export function now(bench: TestBench): { step: LadderStep; op: Op } {
  const move = nextMove(bench.sheet, bench.state);
  if (move.kind !== 'op') throw new Error(`no operation is next: ${move.kind}`);
  return move;
}

/** Rehearses until an operation of a kind is next, on a step if one is named; answers its id. */
export function upTo(bench: TestBench, kind: OpKind, step?: string): string {
  bench.run((_, s) => {
    const move = nextMove(bench.sheet, s);
    return move.kind === 'op' && move.op.kind === kind && (step === undefined || move.step.id === step);
  });
  return now(bench).op.id;
}

/** The axle held by clips, booked with its short ratio. */
export const axle = (): TestBench => booked(librarySheet('axle-clip'), 'short-ratio');
