import type { PlanJobLabel } from '@jubb/contract';
import type { Minute, Plan, PlanProblem, Resource } from '@jubb/core/planning';
import type { WeekAxis } from './week-axis.ts';
import { ALONE, barsOf, flagsOf, rowsOf, runsOf, type Bar } from './week-bars.ts';

/** Units of the drawing: it is as wide as its column. */
export const LANE_LEFT = 122;
export const LANES_WIDTH = 900;
export const HEAD = 44;
export const SHELF_LINE = 28;
export const FLAG_TALL = 20;
const TALL: Readonly<Record<Resource['kind'], number>> = {
  hands: 62,
  press: 38,
  oven: 38,
  tank: 38,
  stand: 38,
  machine: 38,
};
/** A lane's work stands off its edges by this. */
const EDGE = 8;
/** Of a lane where work lies beside other work: how tall each row is, and how far from the next. */
const ROW_TALL = 22;
const ROW_GAP = 4;
/** More jobs that wait on the shelf than these are not drawn. */
const MOST_WAITS = 5;

/** A lane of the drawing: whose it is, and where it lies. */
export interface Row {
  readonly r: Resource;
  readonly y: number;
  readonly tall: number;
  readonly rows: readonly (readonly Bar[])[];
}
/** Where a piece lies in its lane, from top to bottom. */
export interface Stripe {
  readonly top: number;
  readonly tall: number;
}
/** Work of one job in a row, as one bar. */
export interface PlacedRun {
  readonly run: ReturnType<typeof runsOf>[number] & { readonly resource: string };
  readonly x: number;
  readonly w: number;
  readonly top: number;
  readonly tall: number;
}
/** A job that cannot go on yet, what for, and until when. */
export interface Waits {
  readonly job: PlanProblem['jobs'][number];
  readonly why: string;
  readonly until: Minute;
}
export interface LanesGeometry {
  readonly bars: readonly Bar[];
  readonly rows: readonly Row[];
  readonly runs: readonly PlacedRun[];
  readonly waits: readonly Waits[];
  readonly flags: ReturnType<typeof flagsOf>;
  /** Height of the band of promises, top of the shelf, all of it, and where the days end. */
  readonly band: number;
  readonly shelf: number;
  readonly tall: number;
  readonly right: number;
}

/** Where everything of a drawn week lies: lanes of hands and tools, bars and runs, promises above, what waits below. */
export function lanesGeometry(
  problem: PlanProblem,
  plan: Plan,
  labels: readonly PlanJobLabel[],
  axis: WeekAxis,
  now: Minute,
): LanesGeometry {
  const bars = barsOf(problem, plan);
  const hands = (r: Resource): boolean => r.kind === 'hands';
  const lanes = [...problem.resources.filter(hands), ...problem.resources.filter((r) => !hands(r)), ALONE].filter(
    (r) => hands(r) || bars.some((b) => b.resource === r.id),
  );
  const end = axis.days.at(-1);
  const right = end ? end.x + end.width : LANES_WIDTH;
  const flags = flagsOf(labels, now, end?.to ?? now, axis.x, right);
  const band = Math.max(1, ...flags.map((f) => f.row + 1)) * FLAG_TALL + 8;
  let y = HEAD + band;
  const rows = lanes.map((r): Row => {
    const inRows = rowsOf(bars.filter((b) => b.resource === r.id));
    const many = 2 * EDGE + inRows.length * (ROW_TALL + ROW_GAP) - ROW_GAP;
    const row = { r, y, tall: Math.max(TALL[r.kind], many), rows: inRows };
    y += row.tall;
    return row;
  });
  const waits = waitsOf(problem, now);
  const runs = rows.flatMap((lane) =>
    lane.rows.flatMap((inRow, i) =>
      runsOf(inRow).flatMap((run): PlacedRun[] => {
        const x = axis.x(run.from);
        const w = axis.x(run.to) - x;
        return x >= right - 1 || w <= 0 ? [] : [{ run: { ...run, resource: lane.r.id }, x, w, ...stripe(lane, i) }];
      }),
    ),
  );
  const tall = y + Math.max(1, waits.length) * SHELF_LINE + 12;
  return { bars, rows, runs, waits, flags, band, shelf: y, tall, right };
}

/** The stripe of a row of a lane; without a row, all of the lane. */
export function stripe(lane: Row, row?: number): Stripe {
  const many = row === undefined ? 1 : Math.max(1, lane.rows.length);
  const each = (lane.tall - 2 * EDGE - (many - 1) * ROW_GAP) / many;
  return { top: lane.y + EDGE + (row ?? 0) * (each + ROW_GAP), tall: each };
}

/** Jobs that wait for something, the first to come first. */
function waitsOf(problem: PlanProblem, now: Minute): readonly Waits[] {
  return problem.jobs
    .flatMap((job): Waits[] => {
      const waiting = job.activities.find((a) => a.notBefore !== undefined && a.notBefore > now);
      return waiting ? [{ job, why: waiting.notBeforeWhy ?? '', until: waiting.notBefore! }] : [];
    })
    .sort((a, b) => a.until - b.until)
    .slice(0, MOST_WAITS);
}
