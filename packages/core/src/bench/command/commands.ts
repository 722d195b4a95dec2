import type { BookingCommand } from '../booking/commands.ts';
import type { DoingCommand } from '../doing/commands.ts';
import type { StripCommand } from '../strip/commands.ts';
import type { StackCommand } from '../stacks/commands.ts';
import type { LookCommand } from '../looking/commands.ts';
import type { IdentifyCommand } from '../identify/commands.ts';
import type { CountCommand } from '../counting/commands.ts';
import type { WaitCommand } from '../waiting/commands.ts';
import type { ShelfCommand } from '../shelf/commands.ts';
import type { SurpriseCommand } from '../surprises/commands.ts';
import type { NoteCommand } from '../notes/commands.ts';
import type { MeasureCommand } from '../measuring/commands.ts';
import type { JudgeCommand } from '../judging/commands.ts';
import type { SettingCommand } from '../setting/commands.ts';
import type { PullCommand } from '../tightening/commands.ts';
import type { ProveCommand } from '../proving/commands.ts';
import type { PartsCommand } from '../parts/commands.ts';
import type { QuoteCommand } from '../quote/commands.ts';
import type { ClosingCommand } from '../closing/commands.ts';
import type { AcceptSo } from '../bad/events.ts';
import type { Correct, JudgeAgain } from '../corrections/events.ts';
import type { EndOtherwise } from '../ends/events.ts';
import type { SaySource } from '../sources/events.ts';
import type { Person } from '../log/facts.ts';
import type { Quantity } from '../../quantities/index.ts';
import type { BillSettings } from '../quote/money.ts';

/** What a person asks for, by type, a family each. `op` is the id of an operation of the sheet. */
export type Command =
  | BookingCommand
  | DoingCommand
  | StripCommand
  | StackCommand
  | LookCommand
  | IdentifyCommand
  | CountCommand
  | WaitCommand
  | ShelfCommand
  | SurpriseCommand
  | NoteCommand
  | MeasureCommand
  | JudgeCommand
  | SettingCommand
  | PullCommand
  | ProveCommand
  | PartsCommand
  | QuoteCommand
  | ClosingCommand
  | AcceptSo
  | Correct
  | JudgeAgain
  | EndOtherwise
  | SaySource;
export type CommandType = Command['type'];
export type CommandOf<T extends CommandType> = Extract<Command, { readonly type: T }>;

/** A command with who asks, when and from where. Ids are made by the asker, so that asking again is safe. */
export interface CommandEnvelope {
  readonly id: string;
  readonly job: string;
  readonly who: Person;
  readonly at: string;
  readonly deviceAt?: string;
  readonly receivedAt?: string;
  readonly device: string;
  readonly command: Command;
}

/** One size in a shim drawer. */
export interface DrawerStock {
  readonly thickness: Quantity;
  readonly count: number;
}

/** What a decision may look at beside the log and the sheet. */
export interface DecideContext {
  /** Drawer name → what lies in it now. */
  readonly drawers: Readonly<Record<string, readonly DrawerStock[]>>;
  /** What an hour costs here; left out where no price is reckoned. */
  readonly money?: BillSettings;
}
