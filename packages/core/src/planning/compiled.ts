import { checkProblem } from './check-problem.ts';
import {
  WEEK_GOAL,
  type Activity,
  type Goal,
  type Minute,
  type PlanJob,
  type PlanProblem,
  type WorkCalendar,
} from './types.ts';

/** Opening spans with the open minutes before each, for quick sums. */
export interface CompiledCalendar {
  readonly from: Float64Array;
  readonly to: Float64Array;
  readonly before: Float64Array;
}

/** One thing that one activity at a time can have. */
export interface Lane {
  readonly resource: number;
  readonly calendar: CompiledCalendar | undefined;
  readonly hands: boolean;
}
export interface CompiledNeed {
  readonly lanes: readonly number[];
  readonly count: number;
}
export interface CompiledLink {
  readonly of: number;
  readonly min: number;
  readonly max: number;
}

/** A problem in numbers: activities, lanes and jobs by their place, so that thousands of orders a second can be looked at. */
export interface Compiled {
  readonly problem: PlanProblem;
  readonly goal: Goal;
  readonly activities: readonly Activity[];
  readonly jobs: readonly PlanJob[];
  /** When each job is promised, Infinity when it is not; and its weight. */
  readonly due: Float64Array;
  readonly weight: Float64Array;
  readonly jobOf: Int32Array;
  readonly minutes: Float64Array;
  readonly release: Float64Array;
  readonly pauses: Uint8Array;
  readonly preds: readonly (readonly CompiledLink[])[];
  /** The same links flat, from `predAt`: read thousands of times a second. */
  readonly predAt: Int32Array;
  readonly predOf: Int32Array;
  readonly predMin: Float64Array;
  readonly predMax: Float64Array;
  /** Every activity is plain and no window closes: orders are built without looking at hours. */
  readonly allPlain: boolean;
  readonly succs: readonly (readonly number[])[];
  /** Activity → the one that must follow it within a window and waits for nothing that comes after it; else -1. */
  readonly tied: Int32Array;
  /** Activity → the first of its windows' chain; itself for most. */
  readonly headOf: Int32Array;
  readonly needs: readonly (readonly CompiledNeed[])[];
  /** The lane of an activity that needs just that one, which has no calendar; else -1. */
  readonly plain: Int32Array;
  /** Minutes that must come after an activity in its own job. */
  readonly tails: Float64Array;
  /** Where the lanes of an activity begin in a flat list of all of them. */
  readonly slotAt: Int32Array;
  readonly slots: number;
  readonly lanes: readonly Lane[];
  /** Open minutes of each lane before now; now itself where a lane keeps no hours. */
  readonly openNow: Float64Array;
  readonly stayOf: Int32Array;
  readonly staySize: Int32Array;
  readonly places: number;
  /** Job → the place that it stands at now, or -1. */
  readonly standsAt: Int32Array;
  /** The first stay of each job. */
  readonly firstStay: Int32Array;
  /** Activity → its pinned start, or NaN; resources that a pin names. */
  readonly pinned: Float64Array;
  readonly pinnedOn: readonly (readonly number[] | undefined)[];
  /** Activity → its start in the plan in force, or NaN. */
  readonly inForce: Float64Array;
}

function calendarOf(c: WorkCalendar): CompiledCalendar {
  const before = new Float64Array(c.open.length);
  for (let i = 1; i < before.length; i += 1) before[i] = before[i - 1]! + c.open[i - 1]![1] - c.open[i - 1]![0];
  return { from: Float64Array.from(c.open, (o) => o[0]), to: Float64Array.from(c.open, (o) => o[1]), before };
}

/**
 * Compiles a problem.
 * @throws PlanError when it cannot be planned, see {@link checkProblem}
 */
export function compile(problem: PlanProblem): Compiled {
  checkProblem(problem);
  const calendars = new Map(problem.calendars.map((c) => [c.id, calendarOf(c)]));
  const lanes: Lane[] = [];
  const lanesOf = new Map<string, number[]>();
  problem.resources.forEach((r, resource) => {
    const own: number[] = [];
    for (let k = 0; k < r.capacity; k += 1) {
      own.push(lanes.length);
      lanes.push({
        resource,
        calendar: r.calendar === undefined ? undefined : calendars.get(r.calendar),
        hands: r.kind === 'hands',
      });
    }
    lanesOf.set(r.id, own);
  });
  const activities: Activity[] = [];
  const jobOf: number[] = [];
  problem.jobs.forEach((job, j) => {
    for (const a of job.activities) {
      activities.push(a);
      jobOf.push(j);
    }
  });
  const n = activities.length;
  const at = new Map(activities.map((a, i) => [a.id, i]));
  const preds = activities.map((a) =>
    a.after.map((l) => ({ of: at.get(l.activity)!, min: l.noSoonerThan ?? 0, max: l.noLaterThan ?? Infinity })),
  );
  const succs: number[][] = activities.map(() => []);
  preds.forEach((links, i) => links.forEach((l) => succs[l.of]!.push(i)));
  const { tied, headOf } = chains(activities, preds);
  const needs = activities.map((a) =>
    a.needs.map((need) => ({ lanes: need.anyOf.flatMap((id) => lanesOf.get(id)!), count: need.count })),
  );
  const slotAt = new Int32Array(n + 1);
  needs.forEach((list, i) => (slotAt[i + 1] = slotAt[i]! + list.reduce((s, need) => s + need.count, 0)));
  const stays = new Map<string, number>();
  const stayOf = new Int32Array(n).fill(-1);
  const firstStay = new Int32Array(problem.jobs.length).fill(-1);
  if (problem.places.length > 0)
    activities.forEach((a, i) => {
      if (a.stay === undefined) return;
      const key = `${jobOf[i]}/${a.stay}`;
      if (!stays.has(key)) {
        stays.set(key, stays.size);
        if (firstStay[jobOf[i]!] === -1) firstStay[jobOf[i]!] = stays.get(key)!;
      }
      stayOf[i] = stays.get(key)!;
    });
  const staySize = new Int32Array(stays.size);
  for (const s of stayOf) if (s >= 0) staySize[s]! += 1;
  const pinned = new Float64Array(n).fill(NaN);
  const pinnedOn: (readonly number[] | undefined)[] = activities.map(() => undefined);
  for (const pin of problem.pins) {
    pinned[at.get(pin.activity)!] = pin.start;
    if (pin.on) pinnedOn[at.get(pin.activity)!] = pin.on.flatMap((id) => lanesOf.get(id) ?? []);
  }
  const predAt = new Int32Array(n + 1);
  preds.forEach((list, i) => (predAt[i + 1] = predAt[i]! + list.length));
  const flat = preds.flat();
  const usual = problem.pins.length === 0 && problem.places.length === 0;
  const plain = Int32Array.from(needs, (list) => {
    const [need] = list;
    return usual && list.length === 1 && need!.lanes.length === 1 && lanes[need!.lanes[0]!]!.calendar === undefined
      ? need!.lanes[0]!
      : -1;
  });
  return {
    problem,
    goal: problem.goal ?? WEEK_GOAL,
    activities,
    jobs: problem.jobs,
    due: Float64Array.from(problem.jobs, (j) => j.due ?? Infinity),
    weight: Float64Array.from(problem.jobs, (j) => j.weight),
    jobOf: Int32Array.from(jobOf),
    minutes: Float64Array.from(activities, (a) => a.minutes),
    release: Float64Array.from(activities, (a, i) =>
      Math.max(problem.now, problem.jobs[jobOf[i]!]!.release, a.notBefore ?? -Infinity),
    ),
    pauses: Uint8Array.from(activities, (a) => (a.pauses ? 1 : 0)),
    preds,
    predAt,
    predOf: Int32Array.from(flat, (l) => l.of),
    predMin: Float64Array.from(flat, (l) => l.min),
    predMax: Float64Array.from(flat, (l) => l.max),
    succs,
    tied,
    headOf,
    needs,
    plain,
    allPlain: plain.every((l) => l >= 0) && flat.every((l) => l.max === Infinity),
    slotAt,
    tails: tailsOf(activities, succs, preds),
    slots: slotAt[n]!,
    lanes,
    openNow: Float64Array.from(lanes, (l) => (l.calendar ? openBefore(l.calendar, problem.now) : problem.now)),
    stayOf,
    staySize,
    places: problem.places.length,
    standsAt: Int32Array.from(problem.jobs, (j) => (j.place === undefined ? -1 : problem.places.indexOf(j.place))),
    firstStay,
    pinned,
    pinnedOn,
    inForce: Float64Array.from(activities, (a) => problem.inForce?.[a.id]?.start ?? NaN),
  };
}

function tailsOf(
  activities: readonly Activity[],
  succs: readonly (readonly number[])[],
  preds: readonly (readonly CompiledLink[])[],
): Float64Array {
  const tails = new Float64Array(activities.length).fill(-1);
  const tail = (a: number): number => {
    if (tails[a]! >= 0) return tails[a]!;
    let most = 0;
    for (const s of succs[a]!)
      most = Math.max(most, activities[s]!.minutes + tail(s) + preds[s]!.find((p) => p.of === a)!.min);
    return (tails[a] = most);
  };
  for (let a = 0; a < tails.length; a += 1) tail(a);
  return tails;
}

/** Which activities go down together because a window ties them. */
function chains(
  activities: readonly Activity[],
  preds: readonly (readonly CompiledLink[])[],
): { readonly tied: Int32Array; readonly headOf: Int32Array } {
  const tied = new Int32Array(activities.length).fill(-1);
  const headOf = Int32Array.from(activities, (_, i) => i);
  preds.forEach((links, v) => {
    const window = links.filter((l) => l.max < Infinity);
    const [link] = window;
    // Several windows at once, two that follow one, or a unit that moves meanwhile: these are looked at one by one.
    if (window.length !== 1 || links.length > 1 || tied[link!.of] !== -1) return;
    if (activities[link!.of]!.stay !== activities[v]!.stay) return;
    tied[link!.of] = v;
  });
  const follows = new Set(tied);
  for (let i = 0; i < tied.length; i += 1)
    if (!follows.has(i)) for (let v = tied[i]!; v >= 0; v = tied[v]!) headOf[v] = i;
  return { tied, headOf };
}

/** The span of a calendar in which a moment lies, or the next one after it; its length when there is none. */
export function spanAt(c: CompiledCalendar, t: Minute, hint = 0): number {
  let i = hint;
  // Near the hint by steps, far from it by halves.
  for (let k = 0; k < 8; k += 1, i += 1) if (i >= c.to.length || c.to[i]! > t) return i;
  let high = c.to.length;
  while (i < high) {
    const mid = (i + high) >> 1;
    if (c.to[mid]! > t) high = mid;
    else i = mid + 1;
  }
  return i;
}

/** Open minutes of a calendar before a moment. */
export function openBefore(c: CompiledCalendar, t: Minute): number {
  const i = spanAt(c, t);
  if (i >= c.to.length) return i === 0 ? 0 : c.before[i - 1]! + c.to[i - 1]! - c.from[i - 1]!;
  return c.before[i]! + Math.max(0, t - c.from[i]!);
}

/** Open minutes of a lane from now to a moment. */
export function openFromNow(c: Compiled, lane: number, t: Minute): number {
  const calendar = c.lanes[lane]!.calendar;
  return (calendar ? openBefore(calendar, t) : t) - c.openNow[lane]!;
}
