import { Builder } from './builder.ts';
import { Built } from './built.ts';
import { normal, seeded } from './chance.ts';
import { compile, openBefore, spanAt } from './compiled.ts';
import { Planner, type Limit } from './improve.ts';
import { USUAL_SPREAD } from './learning.ts';
import type { Minute, PlanJob, PlanProblem } from './types.ts';

/** What is not known of a job yet: parts that it may turn out to need. */
export interface Unknowns {
  /** Chance that something has to be bought, 0 to 1, and how long that takes, minutes. */
  readonly buys: number;
  readonly leadMinutes: number;
  /** The activity that waits for it. */
  readonly waits: string;
}

export const deliveryShares = [0.5, 0.8, 0.95] as const;
export interface DeliveryDates {
  /** The earliest date that is kept so often, rounded up to the half hour within hours. */
  readonly at: readonly { readonly share: number; readonly date: Minute }[];
  /** What drives the last date: by how much it would be earlier were this as expected, the most first. */
  readonly drivers: readonly { readonly what: 'minutes' | 'others' | 'parts' | 'findings'; readonly minutes: number }[];
  readonly runs: number;
}

const RUNS = 300;
/** How far a supplier's day may lie off, and by how much when it does: one in five, about a day (from memory). */
const PART_LATE = 0.2;
const PART_LATE_MIN = 1440;
const HALF_HOUR = 30;

/**
 * The dates that can be promised for a new job: it is planned in behind what is promised already, then the shop is run through
 * many times with minutes, parts and findings drawn by chance, always the same for the same seed.
 * @param spreads deviation of the logarithm of the minutes, by activity
 */
export function deliveryDates(
  problem: PlanProblem,
  job: PlanJob,
  spreads: Readonly<Record<string, number>>,
  unknowns: Unknowns | undefined,
  {
    runs = RUNS,
    seed = 1,
    limit = { orders: 200 },
  }: { readonly runs?: number; readonly seed?: number; readonly limit?: Limit } = {},
): DeliveryDates {
  // Light enough to displace nobody, heavy enough to be put where there is room.
  const with_: PlanProblem = { ...problem, jobs: [...problem.jobs, { ...job, due: problem.now, weight: 0.001 }] };
  const planner = new Planner(with_, seed);
  planner.improve(limit);
  const c = compile(with_);
  const order = planner.orderOf().map((id) => c.activities.findIndex((a) => a.id === id));
  const mine = c.jobs.length - 1;
  const out = new Built(c);
  const waits = unknowns ? c.activities.findIndex((a) => a.id === unknowns.waits) : -1;

  /** The ends of the job over all runs; what is held stays as expected. */
  const run = (held?: 'minutes' | 'others' | 'parts' | 'findings'): Float64Array => {
    const random = seeded(seed * 7919 + 17);
    const minutes = c.minutes.slice();
    const release = c.release.slice();
    const builder = new Builder({
      ...c,
      minutes,
      release,
      allPlain: false,
      plain: new Int32Array(c.plain.length).fill(-1),
    });
    const ends = new Float64Array(runs);
    for (let r = 0; r < runs; r += 1) {
      for (let a = 0; a < minutes.length; a += 1) {
        const sd = spreads[c.activities[a]!.id] ?? USUAL_SPREAD;
        // Drawn always, so that holding one thing leaves the chances of all others as they were.
        const z = normal(random);
        const part = random();
        const late = -Math.log(1 - random()) * PART_LATE_MIN;
        const own = c.jobOf[a] === mine;
        const fixed = own ? held === 'minutes' : held === 'others';
        // Its middle is the figure: half of all times take less.
        minutes[a] = fixed || !c.activities[a]!.attended ? c.minutes[a]! : c.minutes[a]! * Math.exp(sd * z);
        const waitsForPart = c.activities[a]!.notBefore !== undefined;
        release[a] = c.release[a]! + (waitsForPart && held !== 'parts' && part < PART_LATE ? late : 0);
      }
      const [buys, lead] = [random(), Math.exp(0.4 * normal(random))];
      if (unknowns && waits >= 0) {
        const chance = held === 'findings' ? Number(unknowns.buys >= 0.5) : Number(buys < unknowns.buys);
        if (chance > 0)
          release[waits] = Math.max(
            release[waits]!,
            problem.now + unknowns.leadMinutes * (held === 'findings' ? 1 : lead),
          );
      }
      builder.build(order, out);
      let end = -Infinity;
      for (let a = 0; a < minutes.length; a += 1) if (c.jobOf[a] === mine) end = Math.max(end, out.end[a]!);
      // A window that cannot be kept with these minutes: the day is lost, and it is done the next.
      ends[r] = Number.isFinite(out.cost.total) ? end : Infinity;
    }
    return ends.sort();
  };

  const hours = c.lanes.find((l) => l.hands)?.calendar;
  const rounded = (t: Minute): Minute => {
    if (!Number.isFinite(t)) return t;
    const up = Math.ceil(t / HALF_HOUR) * HALF_HOUR;
    if (!hours) return up;
    const i = spanAt(hours, up - 1);
    return i < hours.to.length ? Math.max(up, hours.from[i]!) : up;
  };
  const at = (ends: Float64Array, share: number): Minute => ends[Math.min(runs - 1, Math.ceil(share * runs) - 1)]!;
  const all = run();
  const top = deliveryShares.at(-1)!;
  const open = (t: Minute): number => (hours ? openBefore(hours, t) : t);
  const drivers = (['minutes', 'others', 'parts', 'findings'] as const)
    .map((what) => ({ what, minutes: Math.round(open(at(all, top)) - open(at(run(what), top))) }))
    .filter((d) => d.minutes > 0)
    .sort((a, b) => b.minutes - a.minutes);
  return { at: deliveryShares.map((share) => ({ share, date: rounded(at(all, share)) })), drivers, runs };
}
