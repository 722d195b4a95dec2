import type { Quantity } from '../../quantities/index.ts';
import type { WorkingLine } from '../../reckoners/index.ts';
import type { Finding, SideName } from '../../sheet/index.ts';
import type { Verdict } from '../../reckoners/index.ts';
import type { BadPayloads } from '../bad/events.ts';
import type { CorrectionPayloads } from '../corrections/events.ts';
import type { EndPayloads } from '../ends/events.ts';
import type { JudgePayloads } from '../judging/events.ts';
import type { MeasureOutcome } from '../measuring/figures.ts';
import type { PartsPayloads } from '../parts/events.ts';
import type { ProvePayloads } from '../proving/events.ts';
import type { Proof } from '../proving/run.ts';
import type { PullPayloads } from '../tightening/events.ts';
import type { QuotePayloads } from '../quote/events.ts';
import type { SourcePayloads } from '../sources/events.ts';
import type { StripPayloads } from '../strip/events.ts';

/** Whose hands. */
export interface Person {
  readonly id: string;
  readonly name: string;
  readonly initials: string;
}

/** The instrument behind a figure; `null` when it was read and typed by hand from something not listed. */
export interface InstrumentFacts {
  readonly id: string;
  readonly name: string;
  /** Expanded uncertainty, k = 2. */
  readonly uncertainty?: Quantity;
  readonly simulated: boolean;
  /** What kind it is, and for a wrench from where to where it may be used, N·m; left out by older benches. */
  readonly kind?: string;
  readonly rangeNm?: { readonly min: number; readonly max: number };
  /** Of a wrench: from the hand to the middle of its drive, mm; absent in older logs. */
  readonly leverMm?: number;
}
export type HowRead = 'instrument' | 'hand';

export const holdReasons = ['parts', 'yes', 'cure', 'helper', 'tool', 'decision', 'day-end'] as const;
export type HoldReason = (typeof holdReasons)[number];

/** Mean of repeated readings with its uncertainty and what it was judged to be. */
export interface ReadingResult {
  readonly mean: Quantity;
  readonly uncertainty: Quantity;
  readonly verdict: Verdict;
  readonly working: readonly WorkingLine[];
}

/** Payload of every event, by type. An event is a fact: what was decided is stored, never decided again. */
export interface EventPayloads
  extends
    StripPayloads,
    JudgePayloads,
    PartsPayloads,
    QuotePayloads,
    PullPayloads,
    ProvePayloads,
    BadPayloads,
    CorrectionPayloads,
    SourcePayloads,
    EndPayloads {
  'job-booked': {
    readonly number: number;
    readonly customer: { readonly id: string; readonly name: string };
    readonly unit: { readonly id: string; readonly serial: string; readonly model: string };
    readonly sheet: { readonly id: string; readonly revision: number; readonly title: string; readonly hash: string };
    readonly complaint: string;
    readonly promise: string | null;
    readonly spendLimitMinor: number | null;
    readonly variant: string | null;
    readonly identified: readonly ({ readonly ask: string; readonly answer: string } & Partial<
      Omit<StripPayloads['identified'], 'ask' | 'answer' | 'op'>
    >)[];
    readonly earlierVisits: number;
    /** The unit's last visit that was over: where its log ended, and when it left. */
    readonly cameFrom?: {
      readonly job: string;
      readonly number: number;
      readonly head: string;
      readonly handedOver: string;
    };
    /** Was it opened before, by what signs, and why is it back? */
    readonly opened?: {
      readonly answer: 'yes' | 'no' | 'unknown';
      readonly signs: readonly string[];
      readonly why?: string;
    };
  };
  'caution-acknowledged': { readonly op: string; readonly say: string };
  'op-done': {
    readonly op: string;
    readonly kind: string;
    readonly note?: string;
    readonly answer?: 'yes' | 'no';
    /** Of rework: the look after it and the debris, each ticked; of a part that is home, what told it. */
    readonly ticks?: readonly string[];
    /** Of a bleed: clean strokes in a row. */
    readonly strokes?: number;
  };
  'aid-fitted': { readonly op: string; readonly aid: string };
  'aid-removed': { readonly op: string; readonly aid: string };
  'mark-made': { readonly op: string; readonly mark: string };
  'mark-aligned': { readonly op: string; readonly mark: string };
  /** `left`: so many are left in on purpose. */
  'joint-undone': { readonly op: string; readonly joint: string; readonly count: number; readonly left?: number };
  'parts-off': {
    readonly op: string;
    readonly parts: readonly { readonly part: string; readonly count: number }[];
    readonly tray: string;
    /** What to remember: way up, side, which hole. */
    readonly note?: string;
    /** How it came off, where the sheet names ways. */
    readonly way?: string;
    /** Why there are more or fewer than the sheet says. */
    readonly reason?: string;
  };
  'part-fitted': {
    readonly op: string;
    readonly part: string;
    readonly count: number;
    readonly renewed: boolean;
    readonly how: 'place' | 'press' | 'seal' | 'reconnect';
    /** What told that it is home. */
    readonly told?: string;
    /** Why it went in although its force was not what its fit asks for. */
    readonly reason?: string;
  };
  /** A new part with a mark on it went into the bin. */
  'part-binned': { readonly op: string; readonly part: string; readonly why: string };
  'reading-taken': {
    readonly op: string;
    /** `process`: how hot a part is, how hard it is pressed. */
    readonly subject: 'measure' | 'setting' | 'test' | 'process';
    readonly id: string;
    /** `depth`: one of the depths that a pack is reckoned from. */
    readonly moment: 'as-found' | 'trial' | 'confirm' | 'measure' | 'now' | 'depth';
    /** Place on the part, for a measure with several. */
    readonly where: string | null;
    readonly value: Quantity;
    readonly how: HowRead;
    readonly instrument: InstrumentFacts | null;
    /** Present once there are readings enough to judge by. */
    readonly result: ReadingResult | null;
    /** How warm a winding was when it was read. */
    readonly temperature?: Quantity;
    /** What the whole measure says, once every place is read. */
    readonly outcome?: MeasureOutcome;
    /** Of a test on a stand: the run, and what else it said. */
    readonly proof?: Proof;
  };
  'sense-answered': { readonly op: string; readonly ask: string; readonly answer: 'yes' | 'no' };
  'finding-made': {
    readonly op: string;
    readonly part: string;
    readonly finding: Finding;
    readonly reason: string;
    /** What the sheet and the readings advised; absent in older logs, null when they could not tell. */
    readonly advised?: Finding | null;
    readonly says?: readonly string[];
  };
  'method-chosen': { readonly op: string; readonly method: string; readonly choice: string; readonly why: string };
  'pack-fitted': {
    readonly op: string;
    readonly setting: string;
    readonly pieces: readonly Quantity[];
    readonly pack: Quantity;
    readonly needed: Quantity;
    readonly predicted: Quantity;
    readonly uncertainty: Quantity;
    readonly working: readonly WorkingLine[];
    /** Not out of the drawer: bought for it, or ground from another. */
    readonly made?: string;
  };
  'setting-confirmed': {
    readonly op: string;
    readonly setting: string;
    readonly value: Quantity;
    readonly uncertainty: Quantity;
    readonly verdict: Verdict;
  };
  'rung-done': { readonly step: string; readonly side: SideName };
  held: { readonly hold: string; readonly why: HoldReason; readonly note: string };
  'hold-cleared': { readonly hold: string; readonly note?: string };
  moved: { readonly to: string };
  /** Another day was agreed on: ISO 8601, and who said so. */
  'promise-moved': { readonly promise: string; readonly says: string };
  'taken-back': { readonly command: string; readonly events: readonly number[]; readonly reason: string };
  'signed-off': { readonly statement: string };
  'handed-over': { readonly to: string; readonly note?: string };
}
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
