import type { LadderStep, OpKind, OpOf, Sheet } from '../../sheet/index.ts';
import type { Command, CommandOf, CommandType, DecideContext } from '../command/commands.ts';
import type { Decision } from '../command/refusal.ts';
import type { EventPayloads, EventType } from '../log/events.ts';
import type { Person } from '../log/facts.ts';
import type { BenchState, Changes, Stamp } from '../log/state.ts';
import type { BadThing } from '../bad/bad-things.ts';
import type { Said } from '../corrections/said.ts';
import type { Quantity } from '../../quantities/index.ts';
import type { RehearsalFigures } from '../rehearsal/figures.ts';

/**
 * What a family of operations exports, each in a file of its own name: its events and commands, how they fold and are
 * decided, how its operations are completed, titled and rehearsed. The registries beside this file put the families
 * together: a type that no family knows does not compile, and one that two of them claim is found when they are put together.
 */

/** `evolve.ts`: what each event changes of the state. Pure. */
export type Evolvers<T extends EventType> = {
  readonly [K in T]: (state: BenchState, payload: EventPayloads[K], stamp: Stamp) => Changes;
};

/** Who asks, when, and under which id: what a decision may use beside state, sheet and command. */
export interface Given {
  /** The command's id: ids of what it makes are made of it, so that asking again makes nothing twice. */
  readonly id: string;
  /** ISO 8601, by the server's clock. */
  readonly at: string;
  readonly who: Person;
  readonly context: DecideContext;
}

/** `decide.ts`: the events that a command leads to, or why it is refused. */
export type Deciders<T extends CommandType> = {
  readonly [K in T]: (state: BenchState, sheet: Sheet, command: CommandOf<K>, given: Given) => Decision;
};

/** How an operation is completed, once its turn has come. */
export type Completion<K extends OpKind> = (
  state: BenchState,
  sheet: Sheet,
  op: OpOf<K>,
  command: CommandOf<'complete'>,
  when: { readonly step: LadderStep; readonly at: string },
) => Decision;

/** `complete.ts`: how operations of each kind are completed. */
export type Completions<K extends OpKind> = { readonly [P in K]: Completion<P> };

/** `titles.ts`: an operation in a few words, as the next move. */
export type Titles<K extends OpKind> = { readonly [P in K]: (sheet: Sheet, op: OpOf<P>) => string };

/** `instructions.ts`: what there is to do at an operation, line by line. */
export type Instruction<K extends OpKind> = (sheet: Sheet, op: OpOf<K>, state: BenchState) => readonly string[];
export type Instructions<K extends OpKind> = { readonly [P in K]: Instruction<P> };

/** `words.ts`: what an event said that can be put right, in words. */
export type Sayings = {
  readonly [T in EventType]?: (sheet: Sheet, payload: EventPayloads[T]) => Said;
};

/** What a rehearsal knows when it is asked for the next command. */
export interface HandGiven {
  readonly sheet: Sheet;
  readonly state: BenchState;
  readonly context: DecideContext;
  readonly figures: RehearsalFigures;
  /** Takes the reading that is named, or the one given where the figures have none. */
  readonly read: (what: string, otherwise: Quantity, dimension: string) => CommandOf<'take-reading'>;
  /** Takes something bad as it is, where the figures say why. */
  readonly takenSo: (bad: BadThing | undefined) => Command | undefined;
}
export type Hand<K extends OpKind> = (op: OpOf<K>, given: HandGiven) => Command | undefined;

/** `rehearse.ts`: what steady hands give next at an operation; undefined where a rehearsal cannot settle it. */
export type Hands<K extends OpKind> = { readonly [P in K]: Hand<P> };
