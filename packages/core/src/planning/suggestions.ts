import { withHours } from './calendar.ts';
import { Planner, type Limit } from './improve.ts';
import type { Minute, Plan, PlanJob, PlanProblem } from './types.ts';
import { lateJobs, readyAt, type LateJob, type Say } from './why-late.ts';

/** Something that would save a late job, planned through: not guessed. */
export interface Suggestion {
  readonly id: string;
  readonly title: string;
  /** When the job is ready then. */
  readonly ready: Minute;
  readonly keeps: boolean;
  /** Jobs that are late then and are not now, by name. */
  readonly costs: readonly string[];
  readonly problem: PlanProblem;
  readonly plan: Plan;
  readonly agree: Agreement;
}
/** What has to be agreed before such a plan can be taken. */
export type Agreement =
  /** Nothing: it is only another order of the work. */
  | { readonly kind: 'order' }
  /** Hours beside the usual ones, of everybody or of a helper. */
  | { readonly kind: 'hours'; readonly from: Minute; readonly to: Minute; readonly helper: boolean }
  /** A part that comes sooner: the supplier is asked. */
  | { readonly kind: 'part' }
  /** An answer, or the end of a hold. */
  | { readonly kind: 'job' }
  /** Another day: whoever waits for it is asked. */
  | { readonly kind: 'delivery-date'; readonly at: Minute };
/** The helper's id among the resources. */
export const HELPER = 'hands-helper';

/** What agreed hours are worth at the workshop's rate, minor units: a helper's once, everybody's for each pair of hands. */
export const spendMinor = (
  { from, to, helper }: Pick<Extract<Agreement, { kind: 'hours' }>, 'from' | 'to' | 'helper'>,
  hands: number,
  rateMinor: number,
): number => Math.round(((to - from) / HOUR) * (helper ? 1 : hands) * rateMinor);

const HOUR = 60;
const HALF_HOUR = 30;
/** What is offered last: it saves nothing but the customer's trust. */
const LATER = 'later';
/** Each suggestion is planned through for so long. */
const EACH: Limit = { orders: 250 };

/** What would save a late job: each change is made, planned again, and told with what it costs the others. Best first. */
export function suggestionsFor(
  problem: PlanProblem,
  plan: Plan,
  late: LateJob,
  say: Say,
  limit: Limit = EACH,
): readonly Suggestion[] {
  const job = problem.jobs.find((j) => j.id === late.job)!;
  const before = new Set(lateJobs(problem, plan, say).map((l) => l.name));
  const changes: Pick<Suggestion, 'id' | 'title' | 'problem' | 'agree'>[] = [];
  for (const link of late.chain) {
    if (link.about.kind === 'taken') {
      const other = problem.jobs.find((j) => j.id === (link.about as { job: string }).job)!;
      const what = problem.resources.find((r) => r.id === (link.about as { resource: string }).resource)!;
      changes.push({
        id: `before-${other.id}`,
        title:
          what.kind === 'hands'
            ? `Work on ${job.name} before ${other.name}`
            : `${what.title}: ${job.name} before ${other.name}`,
        agree: { kind: 'order' },
        problem: { ...problem, jobs: problem.jobs.map((j) => (j.id === job.id ? { ...j, weight: j.weight * 20 } : j)) },
      });
    }
    if ('until' in link.about) {
      const { kind } = link.about;
      const parts = kind === 'part' || kind === 'order';
      const at = parts ? courier(problem) : problem.now;
      if (at < link.about.until)
        changes.push({
          id: `${kind}-${link.activity}`,
          title: parts ? `Its parts by courier, ${say(at)}` : kind === 'hold' ? 'Off hold at once' : 'The yes at once',
          agree: { kind: parts ? 'part' : 'job' },
          problem: earlier(problem, job, link.activity, at),
        });
    }
  }
  const hours = problem.calendars.find((c) => c.id === problem.resources.find((r) => r.kind === 'hands')?.calendar);
  if (hours) {
    const [, closes] =
      hours.open.findLast(([from, to]) => from < late.due && to > problem.now && longDay(hours.open, to)) ?? [];
    if (closes !== undefined)
      changes.push({
        id: 'overtime',
        title: `An hour longer on ${say(closes).split(' ')[0]}`,
        agree: { kind: 'hours', from: closes, to: closes + HOUR, helper: false },
        problem: {
          ...problem,
          calendars: problem.calendars.map((c) => (c.id === hours.id ? withHours(c, [[closes, closes + HOUR]]) : c)),
        },
      });
    const start = hours.open.find(([, to]) => to > problem.now + HOUR);
    if (start && !problem.resources.some((r) => r.id === HELPER)) {
      const from = Math.max(problem.now, start[0]);
      const helper = HELPER;
      changes.push({
        id: 'helper',
        title: 'A second pair of hands for half a day',
        agree: { kind: 'hours', from, to: from + 4 * HOUR, helper: true },
        problem: {
          ...problem,
          resources: [
            ...problem.resources,
            { id: helper, title: 'Helper', kind: 'hands', capacity: 1, calendar: helper },
          ],
          calendars: [...problem.calendars, { id: helper, open: [[from, from + 4 * HOUR]] }],
          jobs: problem.jobs.map((j) => ({
            ...j,
            activities: j.activities.map((a) => ({
              ...a,
              needs: a.needs.map((n) =>
                n.anyOf.some((r) => isHands(problem, r)) ? { ...n, anyOf: [...n.anyOf, helper] } : n,
              ),
            })),
          })),
        },
      });
    }
  }
  const later = Math.ceil(late.ready / HALF_HOUR) * HALF_HOUR;
  changes.push({
    id: LATER,
    title: `Promise ${say(later)} instead`,
    agree: { kind: 'delivery-date', at: later },
    problem: { ...problem, jobs: problem.jobs.map((j) => (j.id === job.id ? { ...j, due: later } : j)) },
  });
  return changes
    .filter((c, i) => changes.findIndex((o) => o.id === c.id) === i)
    .map(({ id, title, agree, problem: changed }): Suggestion => {
      const planner = new Planner({ ...changed, inForce: plan.slots });
      planner.improve(limit);
      const made = planner.plan();
      const ready = readyAt(job, made);
      return {
        id,
        title,
        ready,
        keeps: ready <= (agree.kind === 'delivery-date' ? agree.at : late.due),
        costs: lateJobs(problem, made, say)
          .map((l) => l.name)
          .filter((n) => !before.has(n)),
        problem: changed,
        plan: made,
        agree,
      };
    })
    .filter((s) => s.ready < late.ready || (s.id === LATER && s.keeps))
    .sort(
      (a, b) =>
        Number(a.id === LATER) - Number(b.id === LATER) ||
        Number(b.keeps) - Number(a.keeps) ||
        a.costs.length - b.costs.length ||
        a.ready - b.ready,
    );
}

const isHands = (p: PlanProblem, id: string): boolean => p.resources.some((r) => r.id === id && r.kind === 'hands');

/** Is it the last opening of its day? An hour at noon is no overtime. */
function longDay(open: readonly (readonly [Minute, Minute])[], to: Minute): boolean {
  const next = open.find(([from]) => from >= to);
  return next === undefined || next[0] - to > 6 * HOUR;
}

/** A courier comes in the morning of the next working day. */
function courier(problem: PlanProblem): Minute {
  const calendar = problem.resources.find((r) => r.kind === 'hands')?.calendar;
  const open = problem.calendars.find((c) => c.id === calendar)?.open ?? [];
  return (open.find(([from]) => from > problem.now + 12 * HOUR)?.[0] ?? problem.now + 24 * HOUR) + HOUR;
}

function earlier(problem: PlanProblem, job: PlanJob, activity: string, at: Minute): PlanProblem {
  return {
    ...problem,
    jobs: problem.jobs.map((j) =>
      j.id !== job.id
        ? j
        : {
            ...j,
            activities: j.activities.map((a) =>
              a.id === activity && a.notBefore !== undefined ? { ...a, notBefore: Math.min(a.notBefore, at) } : a,
            ),
          },
    ),
  };
}
