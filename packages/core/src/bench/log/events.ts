import type { BookingPayloads } from '../booking/events.ts';
import type { MarkPayloads } from '../marks/events.ts';
import type { DoingPayloads } from '../doing/events.ts';
import type { StripPayloads } from '../strip/events.ts';
import type { StackPayloads } from '../stacks/events.ts';
import type { LookPayloads } from '../looking/events.ts';
import type { IdentifyPayloads } from '../identify/events.ts';
import type { CountPayloads } from '../counting/events.ts';
import type { WaitPayloads } from '../waiting/events.ts';
import type { ShelfPayloads } from '../shelf/events.ts';
import type { SurprisePayloads } from '../surprises/events.ts';
import type { NotePayloads } from '../notes/events.ts';
import type { MeasurePayloads } from '../measuring/events.ts';
import type { JudgePayloads } from '../judging/events.ts';
import type { SettingPayloads } from '../setting/events.ts';
import type { PullPayloads } from '../tightening/events.ts';
import type { FitPayloads } from '../fitting/events.ts';
import type { ProvePayloads } from '../proving/events.ts';
import type { PartsPayloads } from '../parts/events.ts';
import type { QuotePayloads } from '../quote/events.ts';
import type { ClosingPayloads } from '../closing/events.ts';
import type { BadPayloads } from '../bad/events.ts';
import type { CorrectionPayloads } from '../corrections/events.ts';
import type { SourcePayloads } from '../sources/events.ts';
import type { EndPayloads } from '../ends/events.ts';
import type { Person } from './facts.ts';

/** Payload of every event, by type, a family each. An event is a fact: what was decided is stored, never decided again. */
export interface EventPayloads
  extends
    BookingPayloads,
    MarkPayloads,
    DoingPayloads,
    StripPayloads,
    StackPayloads,
    LookPayloads,
    IdentifyPayloads,
    CountPayloads,
    WaitPayloads,
    ShelfPayloads,
    SurprisePayloads,
    NotePayloads,
    MeasurePayloads,
    JudgePayloads,
    SettingPayloads,
    PullPayloads,
    FitPayloads,
    ProvePayloads,
    PartsPayloads,
    QuotePayloads,
    ClosingPayloads,
    BadPayloads,
    CorrectionPayloads,
    SourcePayloads,
    EndPayloads {}
export type EventType = keyof EventPayloads;

/** Version of each event's payload; raised with an upcaster when a payload changes. */
export const EVENT_VERSION = 1;

/** An event as `decide` makes it. */
export type NewEvent = {
  readonly [T in EventType]: { readonly type: T; readonly payload: EventPayloads[T] };
}[EventType];

/** An event in the log, before its hash. */
export type JobEvent = NewEvent & {
  readonly job: string;
  readonly seq: number;
  /** Command id and place within it: the same command gives the same ids wherever it is decided. */
  readonly id: string;
  readonly v: number;
  readonly who: Person;
  /** ISO 8601, UTC: when the hands did it, by the server's clock. Waits are judged by it. */
  readonly at: string;
  /** What the device's own clock showed then; absent in older logs and for what the server does itself. */
  readonly deviceAt?: string;
  /** When the server had it, where it was given without a line; absent when that was at once. */
  readonly receivedAt?: string;
  readonly device: string;
  readonly command: string;
};

/** An event as stored and exported: `hash` = sha256(hash before + canonical JSON of the event). */
export type LoggedEvent = JobEvent & { readonly hash: string };
