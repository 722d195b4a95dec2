import type { Quantity } from '../../quantities/index.ts';
import type { BetweenKind, Finding } from '../../sheet/index.ts';
import type { OrderedLine } from '../parts/events.ts';
import type { PullAnswer } from '../tightening/events.ts';
import type { SourceKind } from '../sources/events.ts';
import type { Adjustment } from '../setting/events.ts';
import type { OwnThing } from '../surprises/events.ts';
import type { EventPayloads, JobEvent } from './events.ts';
import type { HoldReason } from '../shelf/events.ts';
import type { Person, ReadingResult } from './facts.ts';

/** When something was done, by whom, and the event that says so. */
export interface Stamp {
  readonly seq: number;
  readonly at: string;
  readonly by: Person;
}
export type Reading = EventPayloads['reading-taken'] & Stamp;
export type Pull = EventPayloads['bolt-pulled'] & Stamp & { readonly answer?: PullAnswer; readonly void: boolean };

/** One trial of a setting: a pack in, and what was read with it. */
export interface SettingRound {
  /** Absent in the first round: the sheet's trial pack is in. */
  readonly fitted?: EventPayloads['pack-fitted'] & Stamp;
  /** What was moved before these readings, for a setting without shims. */
  readonly adjusted?: Stamp & Adjustment;
  readonly readings: readonly Reading[];
  readonly result?: ReadingResult;
}
export interface SettingState {
  readonly rounds: readonly SettingRound[];
  readonly confirmed?: EventPayloads['setting-confirmed'] & Stamp;
}
export interface JointState {
  readonly undone?: Stamp;
  readonly pulls: readonly Pull[];
  readonly tightened?: Stamp;
  /** What it takes to turn a self-locking nut before it seats. */
  readonly running?: EventPayloads['running-measured'] & Stamp;
  /** Loosened after it was pulled, and its one-time fasteners not yet renewed. */
  readonly usedUp?: boolean;
  /** Fasteners left in on purpose until the part is free. */
  readonly left?: number;
}
export interface Lying extends Stamp {
  readonly count: number;
  readonly tray: string;
  readonly note?: string;
}
export interface Between extends Stamp {
  readonly state: BetweenKind;
  readonly joint?: string;
  readonly part?: string;
  readonly op: string;
  readonly note?: string;
}
export interface Timer extends Stamp {
  readonly id: string;
  readonly op: string | null;
  readonly kind: string;
  readonly title: string;
  readonly minutes: number;
  /** ISO 8601: when it has run. */
  readonly due: string;
  readonly ended?: Stamp & { readonly early: string | null };
}
export interface PartLineState extends OrderedLine {
  readonly order: string;
  readonly status: 'ordered' | 'arrived' | 'cancelled';
  readonly missing: readonly string[];
  readonly ordered: Stamp;
  readonly arrived?: Stamp;
  /** Each time that the wrong one came. */
  readonly sentBack: readonly ({ readonly why: string } & Stamp)[];
}
export type QuoteState = EventPayloads['quote-made'] &
  Stamp & { readonly answer?: EventPayloads['quote-answered'] & Stamp };
export interface Hold extends Stamp {
  readonly id: string;
  readonly why: HoldReason;
  readonly note: string;
  readonly cleared?: Stamp;
}

/** Events so far as a chain from the newest back: adding one costs nothing, however long the log. */
export interface History {
  readonly event: JobEvent;
  readonly before: History | undefined;
}

/** The state of one job's bench: a fold over its log. */
export interface BenchState {
  readonly job: string;
  readonly seq: number;
  readonly booked?: Omit<EventPayloads['job-booked'], 'promise'> & { readonly deliveryDate: string | null } & Stamp;
  readonly variant?: string;
  /** How much of the unit the job is about; all of it where nothing is said. */
  readonly scope?: string;
  readonly methods: Readonly<Record<string, string>>;
  readonly findings: Readonly<Record<string, Finding>>;
  readonly findingNotes: Readonly<Record<string, EventPayloads['finding-made'] & Stamp>>;
  /** Op id → when it was done. */
  readonly done: Readonly<
    Record<
      string,
      Stamp & {
        readonly note?: string;
        readonly answer?: 'yes' | 'no';
        readonly ticks?: readonly string[];
        readonly amount?: Quantity;
      }
    >
  >;
  readonly steps: Readonly<Record<string, Stamp>>;
  readonly aids: Readonly<Record<string, { readonly fitted: Stamp; readonly removed?: Stamp }>>;
  readonly marks: Readonly<Record<string, { readonly made: Stamp; readonly aligned?: Stamp }>>;
  readonly joints: Readonly<Record<string, JointState>>;
  /** Part id → how many are off the unit, and where they lie. */
  readonly off: Readonly<Record<string, Lying>>;
  readonly leads: Readonly<Record<string, { readonly parted: Stamp; readonly reconnected?: Stamp }>>;
  /** `joint:id` or `part:id` → slackened, started, swung aside, hung or refitted for the time being. */
  readonly between: Readonly<Record<string, Between>>;
  readonly stacks: Readonly<
    Record<
      string,
      {
        readonly found?: EventPayloads['stack-recorded'] & Stamp;
        readonly built?: EventPayloads['stack-recorded'] & Stamp;
      }
    >
  >;
  readonly looks: readonly (EventPayloads['looked'] & Stamp)[];
  readonly identified: readonly (EventPayloads['identified'] & Stamp)[];
  /** Part id → the number that now stands for it. */
  readonly orders: Readonly<Record<string, string>>;
  /** Op id → which way of taking off is at hand, 0-based. */
  readonly ways: Readonly<Record<string, number>>;
  /** Part id → how many there are, where the sheet does not know. */
  readonly counts: Readonly<Record<string, number>>;
  /** Parts that lie in a tray uncounted. */
  readonly uncounted: Readonly<Record<string, Stamp>>;
  readonly counted: readonly (EventPayloads['counted'] & Stamp)[];
  readonly timers: Readonly<Record<string, Timer>>;
  readonly prepared: Readonly<Record<string, Stamp>>;
  readonly own: readonly OwnThing[];
  /** Joint id → the unit that someone said the sheet's bare figure is in. */
  readonly units: Readonly<Record<string, { readonly unit: string; readonly reason: string } & Stamp>>;
  readonly notes: readonly (EventPayloads['noted'] & Stamp)[];
  readonly causes: Readonly<Record<string, EventPayloads['cause-found'] & Stamp>>;
  /** Part id → why it is left as it is, to be looked at next time. */
  readonly deferrals: Readonly<Record<string, EventPayloads['deferral-made'] & Stamp>>;
  /** Order lines by their id. */
  /** Part id → where the new one comes from, where no order brought it. */
  readonly sources: Readonly<Record<string, { readonly from: SourceKind; readonly words: string } & Stamp>>;
  readonly partLines: Readonly<Record<string, PartLineState>>;
  readonly quotes: readonly QuoteState[];
  readonly lessons: readonly (EventPayloads['lesson-filed'] & Stamp)[];
  readonly photos: readonly (EventPayloads['photo-added'] & Stamp)[];
  /** Set while the unit stands on the shelf: hands off until somebody resumes. */
  readonly parked?: EventPayloads['parked'] & Stamp;
  readonly resumed: readonly (EventPayloads['resumed'] & Stamp)[];
  readonly renewed: Readonly<Record<string, { readonly count: number } & Stamp>>;
  /** New parts that went into the bin before they went in: they are bought again. */
  readonly binned: Readonly<Record<string, number>>;
  readonly readings: readonly Reading[];
  /** Op id → the event that opened it again: what was read for it before counts no more. */
  readonly reopened: Readonly<Record<string, number>>;
  /** Delivery dates that were agreed on after the first one. */
  readonly deliveryDates: readonly ({ readonly deliveryDate: string; readonly says: string } & Stamp)[];
  /** Each time that more of the unit was taken in than was booked. */
  readonly widened: readonly (EventPayloads['scope-widened'] & Stamp)[];
  /** What is taken as it is although it is bad, by the key of the bad thing. */
  readonly accepted: Readonly<Record<string, EventPayloads['accepted-so'] & Stamp>>;
  /** Each time that something said was put right. */
  readonly corrections: readonly (EventPayloads['corrected'] & Stamp)[];
  /** Each time that the work was led back down the ladder. */
  /** Why a pull that was wrong or odd was answered so, by joint, stage and bolt. */
  readonly pullNotes: Readonly<Record<string, string>>;
  readonly returns: readonly (EventPayloads['led-back'] & Stamp)[];
  readonly answers: Readonly<Record<string, { readonly ask: string; readonly answer: 'yes' | 'no' } & Stamp>>;
  readonly settings: Readonly<Record<string, SettingState>>;
  readonly holds: readonly Hold[];
  readonly place?: string;
  /** Set once the job ends otherwise than repaired. */
  readonly end?: EventPayloads['ended-otherwise'] & Stamp;
  readonly checked?: Stamp;
  readonly signed?: Stamp;
  readonly handedOver?: Stamp & { readonly to: string; readonly note?: string };
  readonly history: History | undefined;
}

/** What an event makes of the state: the fields that it changes, none where it changes nothing. */
export type Changes = Partial<Omit<BenchState, 'job' | 'seq' | 'history'>>;

/** The bench before anything has happened. */
export function emptyBench(job: string): BenchState {
  return {
    job,
    seq: 0,
    methods: {},
    findings: {},
    findingNotes: {},
    done: {},
    steps: {},
    aids: {},
    marks: {},
    joints: {},
    off: {},
    leads: {},
    between: {},
    stacks: {},
    looks: [],
    identified: [],
    orders: {},
    ways: {},
    counts: {},
    uncounted: {},
    counted: [],
    timers: {},
    prepared: {},
    own: [],
    units: {},
    notes: [],
    sources: {},
    partLines: {},
    quotes: [],
    causes: {},
    deferrals: {},
    lessons: [],
    photos: [],
    resumed: [],
    renewed: {},
    binned: {},
    readings: [],
    reopened: {},
    deliveryDates: [],
    widened: [],
    accepted: {},
    pullNotes: {},
    corrections: [],
    returns: [],
    answers: {},
    settings: {},
    holds: [],
    history: undefined,
  };
}

/** The events of a state in their order. */
export function eventsOf(state: BenchState): JobEvent[] {
  const out: JobEvent[] = [];
  for (let h = state.history; h; h = h.before) out.push(h.event);
  return out.reverse();
}
