import { CAUSE, type Built } from './built.ts';
import type { Compiled } from './compiled.ts';
import type { Plan, Slot, WaitsFor } from './types.ts';

/** A plan in words that others know: slots by activity, and what each waited for last. */
export function readPlan(c: Compiled, built: Built, lowerBound: number, tried: number): Plan {
  const slots: Record<string, Slot> = {};
  const waits: Record<string, WaitsFor> = {};
  const title = (l: number): string => c.problem.resources[c.lanes[l]!.resource]!.id;
  c.activities.forEach((a, i) => {
    const place = c.stayOf[i]! >= 0 ? c.problem.places[built.placeOf[c.stayOf[i]!]!] : undefined;
    const on = Array.from(built.lane.subarray(c.slotAt[i], c.slotAt[i + 1]), title);
    slots[a.id] = { start: built.start[i]!, end: built.end[i]!, on, ...(place === undefined ? {} : { place }) };
    waits[a.id] = waitOf(c, built, i);
  });
  const { cost } = built;
  const gap = cost.total <= lowerBound + 1e-6 ? 0 : (cost.total - lowerBound) / cost.total;
  return { slots, cost, lowerBound, gap, waits, tried };
}

function waitOf(c: Compiled, built: Built, i: number): WaitsFor {
  const by = built.causeBy[i]!;
  switch (built.cause[i]) {
    case CAUSE.step:
      return { for: 'step', activity: c.activities[by]!.id };
    case CAUSE.resource: {
      const lanes = built.lane.subarray(c.slotAt[i], c.slotAt[i + 1]);
      const theirs = built.lane.subarray(c.slotAt[by], c.slotAt[by + 1]);
      const shared = lanes.find((l) => theirs.includes(l)) ?? lanes[0]!;
      return {
        for: 'resource',
        resource: c.problem.resources[c.lanes[shared]!.resource]!.id,
        activity: c.activities[by]!.id,
      };
    }
    case CAUSE.place:
      return { for: 'place', activity: c.activities[by]!.id };
    case CAUSE.time:
      return { for: 'time', until: c.release[i]!, why: c.activities[i]!.notBeforeWhy ?? 'it is released then' };
    case CAUSE.pin:
      return { for: 'pin' };
    default:
      return { for: 'nothing' };
  }
}
