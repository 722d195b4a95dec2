import { openMinutes } from './calendar.ts';
import type { PlanProblem, Slot, Slots } from './types.ts';

const NEAR = 1e-6;

/**
 * Everything that is wrong with a plan, in words; empty when it can be worked. Knows nothing of how plans are built: it holds the
 * slots against the problem alone.
 */
export function planFaults(p: PlanProblem, slots: Slots): readonly string[] {
  const faults: string[] = [];
  const resources = new Map(p.resources.map((r) => [r.id, r]));
  const calendars = new Map(p.calendars.map((c) => [c.id, c.open]));
  const use = new Map<string, { readonly title: string; readonly slot: Slot }[]>();
  const stays = new Map<string, { job: string; place: string; from: number; to: number }>();
  for (const job of p.jobs)
    for (const a of job.activities) {
      const slot = slots[a.id];
      if (!slot || !Number.isFinite(slot.start) || !Number.isFinite(slot.end)) {
        faults.push(`${a.title} has no place in the plan`);
        continue;
      }
      if (slot.start < Math.max(p.now, job.release, a.notBefore ?? -Infinity) - NEAR)
        faults.push(`${a.title} starts before it may${a.notBeforeWhy ? `: ${a.notBeforeWhy}` : ''}`);
      for (const l of a.after) {
        const before = slots[l.activity];
        if (!before) continue;
        const gap = slot.start - before.end;
        if (gap < (l.noSoonerThan ?? 0) - NEAR) faults.push(`${a.title} starts too soon after ${l.activity}`);
        if (gap > (l.noLaterThan ?? Infinity) + NEAR)
          faults.push(`${a.title} starts after the window of ${l.activity}`);
      }
      const left = [...slot.on];
      for (const need of a.needs)
        for (let k = 0; k < need.count; k += 1) {
          const i = left.findIndex((id) => need.anyOf.includes(id));
          if (i < 0) faults.push(`${a.title} lacks one of ${need.anyOf.join(', ')}`);
          else left.splice(i, 1);
        }
      const hours = slot.on.flatMap((id) => {
        const calendar = resources.get(id)?.calendar;
        return calendar === undefined ? [] : [calendars.get(calendar)!];
      });
      // Minutes in which all that it needs is open.
      const worked = hours.reduce(
        (spans, open) =>
          spans.flatMap(([x, y]) =>
            open.flatMap(([u, v]) => (u < y && v > x ? [[Math.max(u, x), Math.min(v, y)] as const] : [])),
          ),
        [[slot.start, slot.end] as const] as (readonly [number, number])[],
      );
      const sum = worked.reduce((s, [x, y]) => s + y - x, 0);
      if (Math.abs(sum - a.minutes) > NEAR)
        faults.push(`${a.title} is given ${sum} of its ${a.minutes} min within hours`);
      if (!a.pauses && Math.abs(slot.end - slot.start - a.minutes) > NEAR) faults.push(`${a.title} is broken off`);
      if (a.pauses && hours[0] && a.minutes > 0 && openMinutes(hours[0], slot.start, slot.start + 1) === 0)
        faults.push(`${a.title} starts out of hours`);
      for (const id of slot.on) use.set(id, [...(use.get(id) ?? []), { title: a.title, slot }]);
      if (a.stay !== undefined && p.places.length > 0) {
        const key = `${job.id}/${a.stay}`;
        const stay = stays.get(key);
        if (slot.place === undefined) faults.push(`${a.title} stands nowhere`);
        else if (!stay) stays.set(key, { job: job.id, place: slot.place, from: slot.start, to: slot.end });
        else {
          if (stay.place !== slot.place) faults.push(`${a.title} moves the unit in mid-stay`);
          stay.from = Math.min(stay.from, slot.start);
          stay.to = Math.max(stay.to, slot.end);
        }
      }
    }
  for (const [id, list] of use) {
    const most = resources.get(id)?.capacity ?? 0;
    const marks = list.flatMap(({ slot }) =>
      slot.end > slot.start ? [[slot.start, 1] as const, [slot.end, -1] as const] : [],
    );
    let at = 0;
    for (const [t, by] of marks.sort((x, y) => x[0] - y[0] || x[1] - y[1]))
      if ((at += by) > most) {
        faults.push(`${resources.get(id)?.title ?? id} is wanted ${at} times at ${t}, and there are ${most}`);
        break;
      }
  }
  const byPlace = [...stays.values()].sort((a, b) => a.from - b.from);
  byPlace.forEach((s, i) => {
    const other = byPlace.slice(0, i).find((o) => o.place === s.place && o.to > s.from + NEAR && o.job !== s.job);
    if (other) faults.push(`${s.place} holds two units at ${s.from}`);
  });
  for (const pin of p.pins)
    if (slots[pin.activity] && Math.abs(slots[pin.activity]!.start - pin.start) > NEAR)
      faults.push(`${pin.activity} is not where it was pinned`);
  return faults;
}
