import type { Quantity } from '../quantities/index.ts';
import type { Finding } from '../sheet/index.ts';
import type { EventPayloads, HoldReason, HowRead, InstrumentFacts, Person, TracePoint, WrenchRig } from './events.ts';
import type { StripCommand } from './strip-commands.ts';

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
      /** Of rework: `check` and `clear`. */
      readonly ticks?: readonly string[];
    }
  | {
      readonly type: 'take-reading';
      readonly op: string;
      readonly where?: string;
      readonly value: Quantity;
      readonly how: HowRead;
      readonly instrument?: InstrumentFacts;
    }
  | { readonly type: 'answer'; readonly op: string; readonly answer: 'yes' | 'no' }
  | {
      readonly type: 'judge';
      readonly op: string;
      readonly part: string;
      readonly finding: Finding;
      readonly reason: string;
    }
  | { readonly type: 'choose'; readonly op: string; readonly choice: string }
  | { readonly type: 'fit-pack'; readonly op: string; readonly pieces: readonly Quantity[] }
  | {
      readonly type: 'pull';
      readonly op: string;
      readonly bolt: number;
      readonly reading: Quantity;
      readonly rig: WrenchRig;
      readonly turnedDeg?: number;
      readonly trace?: readonly TracePoint[];
      readonly how: HowRead;
      readonly instrument?: InstrumentFacts;
    }
  | {
      readonly type: 'answer-pull';
      readonly op: string;
      readonly bolt: number;
      readonly answer: 'slackened' | 'renewed';
      readonly note?: string;
    }
  | StripCommand
  | { readonly type: 'hold'; readonly why: HoldReason; readonly note: string }
  | { readonly type: 'clear-hold'; readonly hold: string; readonly note?: string }
  | { readonly type: 'move'; readonly to: string }
  | { readonly type: 'take-back'; readonly command: string; readonly reason: string }
  | { readonly type: 'sign-off' }
  | { readonly type: 'hand-over'; readonly to: string; readonly note?: string };
export type CommandType = Command['type'];

/** A command with who asks, when and from where. Ids are made by the asker, so that asking again is safe. */
export interface CommandEnvelope {
  readonly id: string;
  readonly job: string;
  readonly who: Person;
  readonly at: string;
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
}
