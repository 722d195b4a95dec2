import { spanAt, type Compiled, type CompiledCalendar } from './compiled.ts';

/** One activity on one machine: not before its head, and its tail comes after. */
interface Load {
  readonly head: number;
  readonly work: number;
  readonly tail: number;
}

/**
 * The least that any plan can cost: the last end by machine (Jackson's preemptive schedule, Carlier 1982) and by job, and the
 * lateness that each job has even alone in the shop, with all its hands free.
 */
export function lowerBound(c: Compiled): number {
  const { goal, problem } = c;
  const n = c.activities.length;
  const heads = new Float64Array(n).fill(-1);
  const open = openOf(c);
  const head = (a: number): number => {
    if (heads[a]! >= 0) return heads[a]!;
    let at = c.release[a]!;
    for (const p of c.preds[a]!) at = Math.max(at, ends(p.of) + p.min);
    return (heads[a] = open ? inOpen(open, at, c.needs[a]!.length > 0) : at);
  };
  const ends = (a: number): number => {
    const start = head(a);
    return open && c.pauses[a] === 1 ? workEnd(open, start, c.minutes[a]!) : start + c.minutes[a]!;
  };
  let late = 0;
  const jobEnd = new Float64Array(c.jobs.length).fill(problem.now);
  for (let a = 0; a < n; a += 1) jobEnd[c.jobOf[a]!] = Math.max(jobEnd[c.jobOf[a]!]!, ends(a));
  c.jobs.forEach((job, j) => {
    if (job.due !== null) late += Math.max(0, jobEnd[j]! - job.due) * job.weight;
  });
  let finish = Math.max(problem.now, ...jobEnd);
  if (goal.finish > 0) {
    c.lanes.forEach((_, lane) => {
      const loads: Load[] = [];
      for (let a = 0; a < n; a += 1)
        if (c.needs[a]!.some((need) => need.lanes.length === 1 && need.lanes[0] === lane))
          loads.push({ head: head(a), work: c.minutes[a]!, tail: c.tails[a]! });
      finish = Math.max(finish, jackson(loads));
    });
  }
  return goal.late * late + goal.finish * (finish - problem.now);
}

/** The end of a machine's preemptive schedule in which the longest tail goes first. */
export function jackson(loads: readonly Load[]): number {
  const waiting = [...loads].sort((a, b) => a.head - b.head);
  const ready: { left: number; readonly tail: number }[] = [];
  let t = waiting[0]?.head ?? 0;
  let end = 0;
  let i = 0;
  while (i < waiting.length || ready.length > 0) {
    if (ready.length === 0) t = Math.max(t, waiting[i]!.head);
    while (i < waiting.length && waiting[i]!.head <= t)
      ready.push({ left: waiting[i]!.work, tail: waiting[i++]!.tail });
    ready.sort((a, b) => b.tail - a.tail);
    const next = ready[0]!;
    const until = Math.min(t + next.left, waiting[i]?.head ?? Infinity);
    next.left -= until - t;
    t = until;
    if (next.left <= 1e-9) {
      end = Math.max(end, t + next.tail);
      ready.shift();
    }
  }
  return end;
}

/** All hours in which any lane is open, when every lane keeps hours: nothing attended happens outside them. */
function openOf(c: Compiled): CompiledCalendar | undefined {
  if (c.lanes.length === 0 || c.lanes.some((l) => !l.calendar)) return undefined;
  const all = [...new Set(c.lanes.map((l) => l.calendar!))];
  const spans = all
    .flatMap((k) => Array.from(k.from, (from, i) => [from, k.to[i]!] as const))
    .sort((a, b) => a[0] - b[0]);
  const merged: [number, number][] = [];
  for (const [from, to] of spans) {
    const last = merged.at(-1);
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else merged.push([from, to]);
  }
  return {
    from: Float64Array.from(merged, (m) => m[0]),
    to: Float64Array.from(merged, (m) => m[1]),
    before: new Float64Array(merged.length),
  };
}
function inOpen(open: CompiledCalendar, t: number, needs: boolean): number {
  if (!needs) return t;
  const i = spanAt(open, t);
  return i < open.to.length ? Math.max(t, open.from[i]!) : t;
}
function workEnd(open: CompiledCalendar, from: number, minutes: number): number {
  let left = minutes;
  for (let i = spanAt(open, from); i < open.to.length; i += 1) {
    const begin = Math.max(from, open.from[i]!);
    if (left <= open.to[i]! - begin) return begin + left;
    left -= open.to[i]! - begin;
  }
  return from + minutes;
}
