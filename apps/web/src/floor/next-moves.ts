import type { JobLine, PlanMove, SlackView } from '@jubb/contract';

export interface NextItem {
  readonly key: string;
  readonly job: JobLine;
  readonly words: string;
  /** ms since 1970: a wait ends, or the work must begin if the promise is to be kept. */
  readonly at: number;
  readonly kind: 'now' | 'wait' | 'ready' | 'begin';
  readonly late: boolean;
  /** `at` is when the plan in force begins it. */
  readonly planned?: boolean;
  /** `at` is when it must have begun, counted in hours that the shop is open. */
  readonly mustBegin?: boolean;
}

const AHEAD = { oven: 'Oven on', soak: 'Lay in to soak', tool: 'Fetch', order: 'See that it is here' } as const;
/** A job without a promise comes after those that have one. */
const NO_DATE = Number.MAX_SAFE_INTEGER;

/**
 * Everything in the shop that wants a hand, by time: waits when they end, work by the latest time at which it must
 * begin in the shop's hours to keep its promise, or where a plan is in force by that plan. What is parked or held wants no hand, and a job that waits by the clock wants one when its
 * clock has run.
 */
export function nextItems(
  jobs: readonly JobLine[],
  now: Date,
  moves: readonly PlanMove[] = [],
  slack: SlackView = {},
): readonly NextItem[] {
  const ms = now.getTime();
  // The first thing that the plan in force has for hands to do on each job and that is not over.
  const planned = new Map<string, PlanMove>();
  for (const m of moves) if (m.attended && m.end * 60_000 > ms && !planned.has(m.job)) planned.set(m.job, m);
  const items = jobs.flatMap((job): NextItem[] => {
    const waits = job.notices.timers.map((t): NextItem => {
      const at = new Date(t.due).getTime();
      const over = at <= ms;
      return {
        key: t.id,
        job,
        words: over ? `${t.title}: has run` : `${t.title}: ends`,
        at,
        kind: over ? 'now' : 'wait',
        late: false,
      };
    });
    // What stood on the shelf for parts that have come wants a hand now.
    if (job.notices.parked && !job.hold && (job.notices.parts?.here ?? 0) > 0)
      return [...waits, { key: job.id, job, words: 'Parts are here: to a bench', at: ms, kind: 'now', late: false }];
    const stands = job.notices.timers.some((t) => t.title === job.nextMove && new Date(t.due).getTime() > ms);
    if (
      job.hold ||
      job.notices.parked ||
      stands ||
      waits.some((w) => w.kind === 'now' && w.words.startsWith(job.nextMove))
    )
      return waits;
    const promised = job.deliveryDate ? new Date(job.deliveryDate).getTime() : NO_DATE;
    // Until the shop's hours are known, by its promise: only they tell when it must begin.
    const begins = slack[job.id]?.latest;
    const latest = begins === undefined ? promised : begins * 60_000;
    const plan = planned.get(job.id);
    const at = plan ? plan.start * 60_000 : latest;
    // Made ready before the work that wants it, and so told before it.
    const ready = job.notices.ahead.map((a): NextItem => ({
      key: a.id,
      job,
      words: `${AHEAD[a.kind]}: ${a.what}`,
      at: at - 1,
      kind: 'ready',
      late: false,
      ...(!plan && begins !== undefined ? { mustBegin: true } : {}),
    }));
    return [
      ...waits,
      ...ready,
      {
        key: job.id,
        job,
        words: job.nextMove,
        at,
        kind: 'begin',
        late: latest < ms,
        ...(plan ? { planned: true } : begins === undefined ? {} : { mustBegin: true }),
      },
    ];
  });
  const sorted = items.sort((a, b) => a.at - b.at || a.job.number - b.job.number);
  // What has run comes first, then the most pressing work: that is what hands can take up now.
  const ran = sorted.filter((i) => i.kind === 'now');
  const first = sorted.find((i) => i.kind === 'begin');
  return [...ran, ...(first ? [first] : []), ...sorted.filter((i) => i.kind !== 'now' && i !== first)];
}

/** Jobs that hold every typed word somewhere: number, unit, serial, customer, complaint, place, next move, wait. */
export function filtered(jobs: readonly JobLine[], typed: string): readonly JobLine[] {
  const words = typed
    .toLowerCase()
    .split(/\s+/)
    .filter((w) => w !== '');
  return words.length === 0
    ? jobs
    : jobs.filter((j) => {
        const text =
          `${j.number} ${j.title} ${j.serial} ${j.customer} ${j.complaint} ${j.place ?? ''} ${j.nextMove} ${j.hold?.why ?? ''} ${j.hold?.note ?? ''}`.toLowerCase();
        return words.every((w) => text.includes(w));
      });
}
