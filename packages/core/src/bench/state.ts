import type { Finding } from '../sheet/index.ts';
import type { EventPayloads, HoldReason, JobEvent, Person, ReadingResult } from './events.ts';

/** When something was done, by whom, and the event that says so. */
export interface Stamp {
  readonly seq: number;
  readonly at: string;
  readonly by: Person;
}
export type Reading = EventPayloads['reading-taken'] & Stamp;
export type Pull = EventPayloads['bolt-pulled'] &
  Stamp & { readonly answer?: 'slackened' | 'renewed'; readonly void: boolean };

/** One trial of a setting: a pack in, and what was read with it. */
export interface SettingRound {
  /** Absent in the first round: the sheet's trial pack is in. */
  readonly fitted?: EventPayloads['pack-fitted'] & Stamp;
  readonly readings: readonly Reading[];
  readonly result?: ReadingResult;
}
export interface SettingState {
  readonly rounds: readonly SettingRound[];
  readonly confirmed?: EventPayloads['setting-confirmed'] & Stamp;
}
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
  readonly booked?: EventPayloads['job-booked'] & Stamp;
  readonly variant?: string;
  readonly methods: Readonly<Record<string, string>>;
  readonly findings: Readonly<Record<string, Finding>>;
  readonly findingNotes: Readonly<Record<string, EventPayloads['finding-made'] & Stamp>>;
  /** Op id → when it was done. */
  readonly done: Readonly<Record<string, Stamp & { readonly note?: string; readonly answer?: 'yes' | 'no' }>>;
  readonly steps: Readonly<Record<string, Stamp>>;
  readonly aids: Readonly<Record<string, { readonly fitted: Stamp; readonly removed?: Stamp }>>;
  readonly marks: Readonly<Record<string, { readonly made: Stamp; readonly aligned?: Stamp }>>;
  readonly joints: Readonly<
    Record<string, { readonly undone?: Stamp; readonly pulls: readonly Pull[]; readonly tightened?: Stamp }>
  >;
  /** Part id → how many are off the unit, and where they lie. */
  readonly off: Readonly<Record<string, { readonly count: number; readonly tray: string } & Stamp>>;
  readonly renewed: Readonly<Record<string, { readonly count: number } & Stamp>>;
  readonly readings: readonly Reading[];
  readonly answers: Readonly<Record<string, { readonly ask: string; readonly answer: 'yes' | 'no' } & Stamp>>;
  readonly settings: Readonly<Record<string, SettingState>>;
  readonly holds: readonly Hold[];
  readonly place?: string;
  readonly signed?: Stamp;
  readonly handedOver?: Stamp & { readonly to: string; readonly note?: string };
  readonly history: History | undefined;
}

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
    renewed: {},
    readings: [],
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
