import type { Activity, Minute, Plan, PlanProblem, Resource, Slot } from '@jubb/core/planning';
import type { PlanJobLabel } from '@jubb/contract';

/** What cures, drains or settles by itself needs nothing, and is looked for all the same. */
export const ALONE: Resource = { id: 'alone', title: 'By itself', kind: 'machine', capacity: 1 };

/** A piece of work in the lane of one thing that it uses. */
export interface Bar {
  readonly activity: Activity;
  readonly job: string;
  readonly name: string;
  readonly slot: Slot;
  readonly resource: string;
}
/** Work of one job that follows on in one lane. */
export interface Run {
  readonly job: string;
  readonly name: string;
  readonly from: Minute;
  readonly to: Minute;
  readonly attended: boolean;
}
/** Pieces nearer to each other than this are one run. */
const NEAR_MIN = 5;
/** How wide a flag is, in the drawing's units. */
export const FLAG_WIDE = 38;

/** Every piece of work of a plan, once in each lane that it uses. */
export function barsOf(problem: PlanProblem, plan: Plan): readonly Bar[] {
  return problem.jobs.flatMap((job) =>
    job.activities.flatMap((activity) => {
      const slot = plan.slots[activity.id];
      return slot
        ? (slot.on.length > 0 ? slot.on : [ALONE.id]).map((resource) => ({
            activity,
            job: job.id,
            name: job.name,
            slot,
            resource,
          }))
        : [];
    }),
  );
}

/** Work of one job that follows on in one lane, as one piece to be named. */
export function runsOf(bars: readonly Bar[]): readonly Run[] {
  const out: { job: string; name: string; from: Minute; to: Minute; attended: boolean }[] = [];
  for (const b of [...bars].sort((x, y) => x.slot.start - y.slot.start)) {
    const last = out.at(-1);
    const follows = last?.job === b.job && last.attended === b.activity.attended && b.slot.start - last.to <= NEAR_MIN;
    if (follows) last.to = b.slot.end;
    else out.push({ job: b.job, name: b.name, from: b.slot.start, to: b.slot.end, attended: b.activity.attended });
  }
  return out;
}

/**
 * Work in one lane, in as many rows as lie beside each other at a time: what cures by itself, or two trays in one
 * oven. Nothing in a row is over another; a job stays in its row where that is free.
 */
export function rowsOf(bars: readonly Bar[]): readonly (readonly Bar[])[] {
  const rows: Bar[][] = [];
  for (const bar of [...bars].sort((x, y) => x.slot.start - y.slot.start)) {
    const free = rows.filter((row) => row.at(-1)!.slot.end <= bar.slot.start);
    const row = free.find((r) => r.at(-1)!.job === bar.job) ?? free[0];
    if (row) row.push(bar);
    else rows.push([bar]);
  }
  return rows;
}

/** How wide a figure of a bar's number is, and how tall its line, in the drawing's units. */
const FIGURE = 7.6;
const LINE = 12;

/**
 * How the number of a run stands in its bar: along it, upright where it is narrow, or not at all: never cut.
 * @param wide of the bar
 * @param tall of the bar
 */
export function labelIn(wide: number, tall: number, name: string): 'along' | 'upright' | undefined {
  const long = name.length * FIGURE;
  if (wide >= long + 8) return 'along';
  return wide >= LINE && tall >= long ? 'upright' : undefined;
}

/** A promise in the days shown: those of about one moment stand beside each other, in rows. */
export interface Flag {
  readonly label: PlanJobLabel;
  /** Where the moment stands, and how many places to the right of it and below the flag does. */
  readonly x: number;
  readonly column: number;
  readonly row: number;
}

/**
 * Promises in the days shown.
 * @param x where a moment stands in the drawing
 * @param right where the drawing ends
 */
export function flagsOf(
  labels: readonly PlanJobLabel[],
  now: Minute,
  to: Minute,
  x: (at: Minute) => number,
  right: number,
): readonly Flag[] {
  const groups: { x: number; labels: PlanJobLabel[] }[] = [];
  for (const label of labels
    .filter((l) => l.due !== null && l.due > now && l.due <= to)
    .sort((a, b) => a.due! - b.due!)) {
    const at = Math.min(x(label.due!), right - FLAG_WIDE);
    const last = groups.at(-1);
    if (last && at - last.x < FLAG_WIDE) last.labels.push(label);
    else groups.push({ x: at, labels: [label] });
  }
  return groups.flatMap((g, i) => {
    const room = (groups[i + 1]?.x ?? right) - g.x;
    const across = Math.max(1, Math.floor(room / FLAG_WIDE));
    return g.labels.map((label, k) => ({ label, x: g.x, column: k % across, row: Math.floor(k / across) }));
  });
}

/** About how wide a letter of the words of a wait is, in the drawing's units. */
const LETTER = 6.2;

/**
 * Where the words of a wait stand: over its line, or beyond its end where they are longer than it and there is room.
 * @param from where the line begins
 * @param to where it ends
 * @param right where the drawing ends
 */
export function wordsOf(
  words: string,
  from: number,
  to: number,
  right: number,
): { readonly x: number; readonly beyond: boolean } {
  const wide = words.length * LETTER;
  const beyond = wide > to - from && to + 10 + wide <= right;
  return { x: beyond ? to + 10 : from + 4, beyond };
}
