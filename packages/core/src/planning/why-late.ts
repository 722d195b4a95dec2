import type { Activity, Minute, Plan, PlanJob, PlanProblem, WaitKind } from './types.ts';

/** One thing that a late job waits for on its way. */
export interface LateLink {
  readonly activity: string;
  readonly title: string;
  readonly from: Minute;
  readonly to: Minute;
  readonly says: string;
  /** What could be changed about it. */
  readonly about:
    | { readonly kind: WaitKind; readonly until: Minute }
    | { readonly kind: 'taken'; readonly resource: string; readonly job: string; readonly activity: string }
    | { readonly kind: 'place'; readonly job: string }
    | { readonly kind: 'work' };
}
export interface LateJob {
  readonly job: string;
  readonly name: string;
  readonly due: Minute;
  readonly ready: Minute;
  readonly chain: readonly LateLink[];
}

/** How a moment is said. */
export type Say = (at: Minute) => string;

export const readyAt = (job: PlanJob, plan: Plan): Minute =>
  Math.max(-Infinity, ...job.activities.map((a) => plan.slots[a.id]?.end ?? -Infinity));

/** Every job that breaks its promise, worst first, with what it waits for: followed back from its end to what could be otherwise. */
export function lateJobs(problem: PlanProblem, plan: Plan, say: Say): readonly LateJob[] {
  const byId = new Map(problem.jobs.flatMap((job) => job.activities.map((a) => [a.id, { a, job }] as const)));
  const names = new Map(problem.resources.map((r) => [r.id, r.title]));
  return problem.jobs
    .filter((job) => job.due !== null && job.activities.length > 0 && readyAt(job, plan) > job.due)
    .map((job) => ({
      job: job.id,
      name: job.name,
      due: job.due!,
      ready: readyAt(job, plan),
      chain: chainOf(job, plan, byId, names, say),
    }))
    .sort((a, b) => b.ready - b.due - (a.ready - a.due));
}

function chainOf(
  job: PlanJob,
  plan: Plan,
  byId: ReadonlyMap<string, { readonly a: Activity; readonly job: PlanJob }>,
  names: ReadonlyMap<string, string>,
  say: Say,
): readonly LateLink[] {
  const links: LateLink[] = [];
  let at: Activity | undefined = job.activities.reduce((x, y) =>
    plan.slots[y.id]!.end >= plan.slots[x.id]!.end ? y : x,
  );
  const seen = new Set<string>();
  while (at && !seen.has(at.id)) {
    seen.add(at.id);
    const a: Activity = at;
    const slot = plan.slots[a.id]!;
    const wait = plan.waits[a.id]!;
    const link = { activity: a.id, title: a.title, to: slot.start };
    if (wait.for === 'resource' || wait.for === 'place') {
      const other = byId.get(wait.activity)!;
      const until = plan.slots[wait.activity]!.end;
      const what =
        wait.for === 'place' ? 'no bench place is free' : `${names.get(wait.resource)} is with ${other.job.name}`;
      links.push({
        ...link,
        from: plan.slots[wait.activity]!.start,
        says: `${what} until ${say(until)}`,
        about:
          wait.for === 'place'
            ? { kind: 'place', job: other.job.id }
            : { kind: 'taken', resource: wait.resource, job: other.job.id, activity: other.a.id },
      });
      // Followed within the job: what the other one waits for is its own matter.
      at = a.after
        .map((l): Activity => byId.get(l.activity)!.a)
        .sort((x, y) => plan.slots[y.id]!.end - plan.slots[x.id]!.end)[0];
    } else if (wait.for === 'time') {
      links.push({
        ...link,
        from: slot.start,
        says: wait.why,
        about: a.notBefore === undefined ? { kind: 'work' } : { kind: a.notBeforeIs ?? 'part', until: wait.until },
      });
      break;
    } else if (wait.for === 'step') at = byId.get(wait.activity)?.a;
    else break;
  }
  if (links.length === 0) {
    const work = job.activities.reduce((s, a) => s + a.minutes, 0);
    links.push({
      activity: job.activities[0]!.id,
      title: job.activities[0]!.title,
      from: plan.slots[job.activities[0]!.id]!.start,
      to: readyAt(job, plan),
      says: `its own work takes ${Math.round(work / 6) / 10} h from now`,
      about: { kind: 'work' },
    });
  }
  // The newest first was followed; told in the order of time, the longest waits only.
  return links
    .sort((a, b) => waited(plan, b) - waited(plan, a))
    .slice(0, 3)
    .sort((a, b) => a.to - b.to);
}
const waited = (plan: Plan, l: LateLink): number => l.to - Math.min(l.from, l.to) + ('until' in l.about ? 1e6 : 0);
