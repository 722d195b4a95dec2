import type { AcceptSo } from '../bad/events.ts';
import type { Correct, JudgeAgain } from '../corrections/events.ts';
import type { Quantity } from '../../quantities/index.ts';
import type { Finding } from '../../sheet/index.ts';
import type { EndOtherwise } from '../ends/events.ts';
import type { EventPayloads, HoldReason, HowRead, InstrumentFacts, Person } from '../log/events.ts';
import type { OrderedLine } from '../parts/events.ts';
import type { BillSettings } from '../quote/money.ts';
import type { Run } from '../proving/run.ts';
import type { PullCommand } from '../tightening/commands.ts';
import type { QuotePayloads } from '../quote/events.ts';
import type { SaySource } from '../sources/events.ts';
import type { StripCommand } from '../strip/commands.ts';

/** What a person asks for, by type. `op` is the id of an operation of the sheet. */
export type Command =
  | ({ readonly type: 'book' } & Omit<EventPayloads['job-booked'], never>)
  /** Completes an operation that is done, looked at or acknowledged. */
  | {
      readonly type: 'complete';
      readonly op: string;
      readonly tray?: string;
      readonly note?: string;
      readonly answer?: 'yes' | 'no';
      /** Of parts taken off: how many there are, where it is not what the sheet says. `later`: counted from the tray. */
      readonly counts?: Readonly<Record<string, number | 'later'>>;
      /** Why the count differs, or why a wait is cut short. */
      readonly reason?: string;
      /** Of rework: `check` and `clear`; of a part that goes home: `check`. */
      readonly ticks?: readonly string[];
      /** Of a bleed: clean strokes in a row. */
      readonly strokes?: number;
    }
  | {
      readonly type: 'take-reading';
      readonly op: string;
      readonly where?: string;
      /** Which of two settings that are read in one try; the operation's own when left out. */
      readonly setting?: string;
      readonly value: Quantity;
      readonly how: HowRead;
      readonly instrument?: InstrumentFacts;
      /** Of a winding: how warm it is. */
      readonly temperature?: Quantity;
      /** It was asked whether so odd a figure is right, and it is. */
      readonly sure?: boolean;
    }
  /** Keeps a run on a stand. */
  | { readonly type: 'take-run'; readonly op: string; readonly run: Run; readonly instrument?: InstrumentFacts }
  /** From a test that failed, down to what could cause it. */
  | { readonly type: 'lead-back'; readonly op: string; readonly suspect: string }
  /** Takes a measure up again that is done: a finer gauge, or more readings. */
  | { readonly type: 'measure-again'; readonly op: string }
  | { readonly type: 'find-cause'; readonly op: string; readonly choice: string | null; readonly note?: string }
  | { readonly type: 'answer'; readonly op: string; readonly answer: 'yes' | 'no' }
  | {
      readonly type: 'judge';
      readonly op: string;
      readonly part: string;
      readonly finding: Finding;
      /** May be left out where the finding is what was advised. */
      readonly reason?: string;
    }
  | { readonly type: 'choose'; readonly op: string; readonly choice: string }
  /** `made`: not out of the drawer, and where the piece comes from. */
  | { readonly type: 'fit-pack'; readonly op: string; readonly pieces: readonly Quantity[]; readonly made?: string }
  | PullCommand
  | StripCommand
  /** Takes something bad as it is, by name, with a reason. */
  | AcceptSo
  /** Puts right what was said. */
  | Correct
  | JudgeAgain
  | SaySource
  | EndOtherwise
  /** Ids of lines are made of the command's, so that asking again orders nothing twice. */
  | { readonly type: 'order-parts'; readonly lines: readonly Omit<OrderedLine, 'line'>[] }
  | { readonly type: 'arrive-part'; readonly line: string; readonly missing: readonly string[] }
  | { readonly type: 'send-part-back'; readonly line: string; readonly why: string }
  | { readonly type: 'cancel-line'; readonly line: string; readonly why: string }
  | ({ readonly type: 'make-quote' } & Omit<QuotePayloads['quote-made'], 'version'>)
  | ({ readonly type: 'answer-quote' } & QuotePayloads['quote-answered'])
  | { readonly type: 'hold'; readonly why: HoldReason; readonly note: string }
  | { readonly type: 'clear-hold'; readonly hold: string; readonly note?: string }
  | { readonly type: 'move'; readonly to: string }
  /** Promises another day, once whoever waits for it has said yes. */
  | { readonly type: 'move-promise'; readonly promise: string; readonly says: string }
  | { readonly type: 'take-back'; readonly command: string; readonly reason: string }
  /** A second person looks the finished unit over. */
  | { readonly type: 'check-over' }
  | { readonly type: 'sign-off' }
  | { readonly type: 'hand-over'; readonly to: string; readonly note?: string };
export type CommandType = Command['type'];

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
