import type { PastVisit, VisitFigure } from '@jubb/contract';
import { dimensionsOfUnit, inCanonical, canonicalUnit, type Quantity } from '@jubb/core/quantities';

/** One figure over the visits of a unit, oldest first, in one unit. */
export interface Trend {
  readonly id: string;
  readonly title: string;
  readonly unit: string;
  readonly low?: number;
  readonly high?: number;
  readonly points: readonly {
    readonly at: string;
    readonly job: number;
    readonly moment: VisitFigure['moment'];
    readonly value: number;
  }[];
}
export interface OpenDeferral {
  readonly part: string;
  readonly title: string;
  readonly words: string;
  readonly again?: string;
  readonly job: number;
}

/** Figures that were read at more than one moment, oldest first; those read most often come first. */
export function trendsOf(visits: readonly PastVisit[]): readonly Trend[] {
  const byId = new Map<string, Trend>();
  const oldestFirst = [...visits].sort((a, b) => a.booked.localeCompare(b.booked));
  for (const v of oldestFirst)
    for (const f of v.figures) {
      const dimension = dimensionsOfUnit(f.value.unit)[0];
      if (!dimension) continue;
      const own = (q: Quantity): number => inCanonical(q, dimension);
      const before = byId.get(f.id);
      byId.set(f.id, {
        id: f.id,
        title: f.title,
        unit: canonicalUnit(dimension),
        ...(f.low ? { low: own(f.low) } : {}),
        ...(f.high ? { high: own(f.high) } : {}),
        points: [...(before?.points ?? []), { at: v.booked, job: v.number, moment: f.moment, value: own(f.value) }],
      });
    }
  return [...byId.values()].filter((t) => t.points.length > 1).sort((a, b) => b.points.length - a.points.length);
}

/** What was left for later and has not been judged otherwise since. */
export function openDeferrals(visits: readonly PastVisit[]): readonly OpenDeferral[] {
  const open = new Map<string, OpenDeferral>();
  for (const v of [...visits].sort((a, b) => a.booked.localeCompare(b.booked))) {
    for (const part of v.judged) open.delete(part);
    for (const d of v.deferrals) open.set(d.part, { ...d, job: v.number });
  }
  return [...open.values()];
}

const DAY_MS = 24 * 3600_000;
/** Days from when a unit left until it was booked in again; of a visit that is not over, from its booking. */
export function daysSince(before: PastVisit, visit: PastVisit): number {
  return Math.round((Date.parse(visit.booked) - Date.parse(before.left ?? before.booked)) / DAY_MS);
}
