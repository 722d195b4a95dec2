/**
 * What the planner works on. Times are whole minutes since 1970-01-01 UTC, durations are minutes: a clock change is the
 * calendar's matter and nothing else's.
 */
export type Minute = number;

/** Hours in which something may be used, as spans in order; before, between and after them it is closed. */
export interface WorkCalendar {
  readonly id: string;
  readonly open: readonly (readonly [from: Minute, to: Minute])[];
}

export const resourceKinds = ['hands', 'press', 'oven', 'tank', 'stand', 'machine'] as const;
export type ResourceKind = (typeof resourceKinds)[number];

/** One pair of hands, or one kind of tool of which there may be several. */
export interface Resource {
  readonly id: string;
  readonly title: string;
  readonly kind: ResourceKind;
  /** How many there are; a person is one. */
  readonly capacity: number;
  /** Its calendar; without one it may be used day and night. */
  readonly calendar?: string;
}

/** So many of any of these resources, all through the activity. */
export interface Need {
  readonly anyOf: readonly string[];
  readonly count: number;
}

/** It waits for another activity of its job. */
export interface Link {
  readonly activity: string;
  /** It starts no sooner than so long after that one has ended; 0 when nothing is said. */
  readonly noSoonerThan?: number;
  /** And no later than this: a sealant's window, a bearing that is warm. */
  readonly noLaterThan?: number;
}

/** What work waits for that is not in the planner's hands. */
export type WaitKind = 'part' | 'order' | 'answer' | 'hold';

export interface Activity {
  readonly id: string;
  readonly title: string;
  readonly minutes: number;
  readonly needs: readonly Need[];
  /** Somebody is at it. Unattended it runs by itself: an oven, a cure. */
  readonly attended: boolean;
  readonly after: readonly Link[];
  /** It may stop at closing time and go on when the shop opens; else it is done in one go. */
  readonly pauses?: boolean;
  /** It may not start before this: a part that comes then, an answer that is waited for. */
  readonly notBefore?: Minute;
  /** What is waited for until then, in words: "seal kit by Wed 15:00". */
  readonly notBeforeWhy?: string;
  /** What kind of thing that is: a part on its way, one that nobody ordered yet, an answer, or a hold. */
  readonly notBeforeIs?: WaitKind;
  /** Activities of one stay keep the unit at one bench place from the first to the last of them. */
  readonly stay?: string;
}

export interface PlanJob {
  readonly id: string;
  /** What people call it: its number. */
  readonly name: string;
  readonly release: Minute;
  readonly due: Minute | null;
  /** What a minute too late costs against a minute of another job; 1 is usual. */
  readonly weight: number;
  readonly activities: readonly Activity[];
  /** The bench place that it stands at now. */
  readonly place?: string;
}

/** An activity that was put somewhere by hand. */
export interface Pin {
  readonly activity: string;
  readonly start: Minute;
  /** Resources it is to use; it takes any that fit when nothing is said. */
  readonly on?: readonly string[];
}

/** Where an activity stands in a plan. */
export interface Slot {
  readonly start: Minute;
  readonly end: Minute;
  /** Resources that it uses, in the order of its needs. */
  readonly on: readonly string[];
  readonly place?: string;
}
export type Slots = Readonly<Record<string, Slot>>;

/** What a plan is measured by. Lateness comes first, idle hands second, a plan that jumps about third. */
export interface Goal {
  /** For a weighted minute of lateness. */
  readonly late: number;
  /** For a minute that hands stand idle before their last work is done. */
  readonly idle: number;
  /** For a minute by which an activity moves against the plan in force, an hour at most each. */
  readonly moved: number;
  /** For a minute until the last activity of all ends. */
  readonly finish: number;
}
/** The goal of a workshop's week. */
export const WEEK_GOAL: Goal = { late: 1, idle: 0.01, moved: 0.004, finish: 0 };
/** The goal of a job shop: the last activity ends early. */
export const MAKESPAN: Goal = { late: 0, idle: 0, moved: 0, finish: 1 };

export interface PlanProblem {
  readonly now: Minute;
  readonly resources: readonly Resource[];
  readonly calendars: readonly WorkCalendar[];
  /** Bench places; with none, places are no matter. */
  readonly places: readonly string[];
  readonly jobs: readonly PlanJob[];
  readonly pins: readonly Pin[];
  /** The plan in force: a new one should not jump about. */
  readonly inForce?: Slots;
  readonly goal?: Goal;
}

/** How well a plan does. */
export interface PlanCost {
  readonly total: number;
  /** Weighted minutes late. */
  readonly late: number;
  readonly idle: number;
  readonly moved: number;
  /** When the last activity ends. */
  readonly finish: Minute;
}

export interface Plan {
  readonly slots: Slots;
  readonly cost: PlanCost;
  /** No plan can cost less than this. */
  readonly lowerBound: number;
  /** Share by which the cost may be above the best possible, 0 when it is proved best. */
  readonly gap: number;
  /** Activity → what it waited for last. */
  readonly waits: Readonly<Record<string, WaitsFor>>;
  /** Orders that were looked at. */
  readonly tried: number;
}

/** What held an activity back to its start. */
export type WaitsFor =
  | { readonly for: 'nothing' }
  /** Its own job's activity before it. */
  | { readonly for: 'step'; readonly activity: string }
  /** Hands or a tool that another activity had. */
  | { readonly for: 'resource'; readonly resource: string; readonly activity: string }
  /** A bench place: the unit there left it after this activity. */
  | { readonly for: 'place'; readonly activity: string }
  /** A time: a part, an answer, its release. */
  | { readonly for: 'time'; readonly until: Minute; readonly why: string }
  /** Somebody put it there. */
  | { readonly for: 'pin' };
