import {
  jobSheet,
  ladderOf,
  minutesToRun,
  nextMove,
  timerOf,
  type BenchState,
  type HoldReason,
} from '../bench/index.ts';
import { openNeeds } from '../parts/index.ts';
import { standOf, timedVerbs, type LadderStep, type Op, type Sheet, type StandInstrument } from '../sheet/index.ts';
import { learnBuying, USUAL_SPREAD, type Buying, type Learned } from './learning.ts';
import type { Unknowns } from './delivery-dates.ts';
import type { Activity, Link, Minute, Need, PlanJob, WaitKind } from './types.ts';

/** What of a workshop activities are made for. */
export interface ShopFacts {
  readonly now: Minute;
  /** Resource ids: everybody who may put hands on, and the tools by what they are for. */
  readonly hands: readonly string[];
  readonly press: readonly string[];
  readonly oven: readonly string[];
  readonly tank: readonly string[];
  readonly stands: Readonly<Partial<Record<StandInstrument, readonly string[]>>>;
  readonly places: readonly string[];
  /** Steps of a sheet as this shop takes them, by `sheet/step`. */
  readonly learned: Readonly<Record<string, Learned>>;
  /** How a moment is said. */
  readonly say: (at: Minute) => string;
}

/** A job as it stands, with what is expected for it from outside. */
export interface JobFacts {
  readonly id: string;
  readonly name: string;
  readonly sheet: Sheet;
  readonly state: BenchState;
  readonly due: Minute | null;
  readonly weight?: number;
  /** Order lines that are on their way, with the day that the supplier gave, if any. */
  readonly coming: readonly { readonly title: string; readonly expected: Minute | null }[];
}

/** Activities of a job with how far their minutes may lie off, by activity. */
export interface JobToPlan extends PlanJob {
  readonly spreads: Readonly<Record<string, number>>;
}

/** Attended work that needs the same is put together up to this much. */
const BLOCK_MIN = 90;
/** A wait for a part whose day nobody gave, or that is not ordered yet; and for a yes. Common practice. */
const UNKNOWN_PART_MIN = 3 * 1440;
const ANSWER_MIN = 1440;
/** Warm out of the oven: fitted within this (common practice). */
const DROPPABLE_MIN = 5;
/** After its time a sealant may wait this many times as long for its final torque (from memory: data sheets give two to four). */
const SEALANT_TIMES = 3;
/** What unattended work takes that gives no time of its own. */
const USUAL_WAIT_MIN: Readonly<Record<(typeof timedVerbs)[number], number>> = {
  cure: 20,
  soak: 30,
  rest: 15,
  heat: 30,
};
const SIGN_OFF_MIN = 10;
/** Holds whose end nobody knows; the others have a day, a clock, or end with the night. */
const unknownEnd: ReadonlySet<HoldReason> = new Set<HoldReason>(['helper', 'tool', 'decision']);

/** A piece of a step: what it needs, and how much of it is left. */
interface Piece {
  readonly step: LadderStep;
  readonly title: string;
  readonly minutes: number;
  readonly needs: readonly Need[];
  readonly attended: boolean;
  readonly whole: boolean;
  readonly noLaterThan?: number;
  readonly spread: number;
  /** Done already: it still counts for where pieces of work begin and end, so that these keep their names. */
  readonly done: boolean;
}

type Timed = Op & { readonly kind: (typeof timedVerbs)[number]; readonly minutes?: number };
const isTimed = (op: Op): op is Timed => (timedVerbs as readonly string[]).includes(op.kind);

function needOf(of: readonly string[] | undefined, count = 1): readonly Need[] {
  return of && of.length > 0 ? [{ anyOf: of, count: Math.min(count, of.length) }] : [];
}

function piecesOf(step: LadderStep, job: JobFacts, shop: ShopFacts): readonly Piece[] {
  const { state, sheet } = job;
  const learned = shop.learned[`${sheet.id}/${step.id}`];
  const minutes = learned?.minutes ?? step.minutes;
  const spread = learned?.spread ?? USUAL_SPREAD;
  const each = minutes / Math.max(1, step.ops.filter((o) => !isTimed(o)).length);
  const out: Piece[] = [];
  let within: number | undefined;
  step.ops.forEach((op, i) => {
    const done = state.done[op.id] !== undefined;
    if (isTimed(op)) {
      const timer = timerOf(state, op.id);
      const oven = op.kind === 'heat';
      const given = op.minutes ?? (oven ? step.ahead.find((a) => a.kind === 'oven')?.minutes : undefined);
      const left = timer && !timer.ended ? minutesToRun(timer, new Date(shop.now * 60_000).toISOString()) : undefined;
      const length = left ?? given ?? USUAL_WAIT_MIN[op.kind];
      out.push({
        step,
        title: `${step.title}: ${op.kind}`,
        minutes: length,
        needs: oven ? needOf(shop.oven) : op.kind === 'soak' ? needOf(shop.tank) : [],
        attended: false,
        whole: true,
        spread: 0.1,
        done,
      });
      const torqued = op.kind === 'cure' && step.ops.slice(i + 1).some((o) => o.kind === 'tighten');
      within = oven ? DROPPABLE_MIN : torqued ? Math.max(30, SEALANT_TIMES * length) : undefined;
      return;
    }
    const test = op.kind === 'test' ? sheet.tests[op.test] : undefined;
    const tool =
      op.kind === 'press' ? needOf(shop.press) : test?.stand ? needOf(shop.stands[standOf(test.stand.kind)]) : [];
    out.push({
      step,
      title: test?.title ?? step.title,
      minutes: each,
      needs: [...needOf(shop.hands, step.helper ? 2 : 1), ...tool],
      attended: true,
      whole: within !== undefined,
      spread,
      done,
      ...(within === undefined ? {} : { noLaterThan: within }),
    });
    within = undefined;
  });
  return out;
}

/** Is it the same kind of work, on the same side of the ladder? */
function joins(a: Piece, b: Piece, sum: number): boolean {
  return (
    a.attended &&
    b.attended &&
    b.noLaterThan === undefined &&
    a.step.side === b.step.side &&
    sum + b.minutes <= BLOCK_MIN &&
    JSON.stringify(a.needs) === JSON.stringify(b.needs)
  );
}

interface Wait {
  readonly until: Minute;
  readonly why: string;
  readonly is: WaitKind;
}
/** What the way up waits for: its parts, or the customer's yes. */
function waitOf(job: JobFacts, shop: ShopFacts): Wait | undefined {
  const { state, sheet } = job;
  const waits: Wait[] = [];
  for (const line of job.coming) {
    const until = Math.max(shop.now, line.expected ?? shop.now + UNKNOWN_PART_MIN);
    waits.push({
      until,
      is: 'part',
      why: `${line.title}${line.expected === null ? ', no day given, say' : ''} by ${shop.say(until)}`,
    });
  }
  const quote = state.quotes.at(-1);
  if (quote && !quote.answer) {
    const until = Math.max(shop.now + 60, Date.parse(quote.at) / 60_000 + ANSWER_MIN);
    waits.push({ until, is: 'answer', why: `a yes, say by ${shop.say(until)}` });
  }
  const judged = Object.keys(state.findings).length > 0;
  const open = judged ? openNeeds(sheet, state).length : 0;
  if (open > 0 && job.coming.length === 0) {
    const until = shop.now + UNKNOWN_PART_MIN;
    waits.push({
      until,
      is: 'order',
      why: `${open === 1 ? 'a part that is' : `${open} parts that are`} not ordered yet, say ${shop.say(until)}`,
    });
  }
  return waits.sort((a, b) => b.until - a.until)[0];
}

/**
 * The activities of what is left of a job: steps of its ladder that need the same put together, waits and tools by themselves, the
 * way up after what it waits for. Ids stay the same while the work goes on.
 */
export function activitiesOf(facts: JobFacts, shop: ShopFacts): JobToPlan {
  const { state } = facts;
  const job: JobFacts = { ...facts, sheet: jobSheet(facts.sheet, state) };
  const wait = waitOf(job, shop);
  const hold = state.holds.findLast((h) => !h.cleared);
  const activities: Activity[] = [];
  const spreads: Record<string, number> = {};
  let waited = wait === undefined;
  let stay = 0;
  let block: Piece[] = [];
  const push = (
    id: string,
    title: string,
    more: Partial<Activity> & Pick<Activity, 'minutes' | 'needs'>,
    link: Partial<Link> = {},
  ): void => {
    const before = activities.at(-1);
    activities.push({
      id: `${job.id}:${id}`,
      title,
      attended: true,
      after: before ? [{ activity: before.id, ...link }] : [],
      stay: `stay-${stay}`,
      ...more,
    });
  };
  const counts = new Map<string, number>();
  const flush = (): void => {
    const [first] = block;
    if (!first) return;
    const live = block.filter((p) => !p.done);
    const titles = [...new Set(live.map((p) => p.title))];
    const k = counts.get(first.step.id) ?? 0;
    counts.set(first.step.id, k + 1);
    const id = `${first.step.id}.${k}`;
    if (live.length === 0) {
      block = [];
      return;
    }
    const begins = !waited && first.step.side === 'build';
    if (begins) {
      waited = true;
      stay += 1;
    }
    const minutes = live.reduce((s, p) => s + p.minutes, 0);
    push(
      id,
      titles.length === 1 ? titles[0]! : `${titles[0]}, and ${titles.length - 1} more`,
      {
        minutes: Math.max(1, Math.round(minutes)),
        needs: first.needs,
        attended: first.attended,
        pauses: first.attended && !first.whole,
        ...(begins ? { notBefore: wait!.until, notBeforeWhy: wait!.why, notBeforeIs: wait!.is } : {}),
      },
      first.noLaterThan === undefined ? {} : { noLaterThan: first.noLaterThan },
    );
    spreads[`${job.id}:${id}`] = first.spread;
    block = [];
  };
  for (const step of ladderOf(job.sheet, state).all)
    for (const piece of piecesOf(step, job, shop)) {
      const last = block.at(-1);
      if (
        last &&
        !joins(
          last,
          piece,
          block.reduce((s, p) => s + p.minutes, 0),
        )
      )
        flush();
      block.push(piece);
      if (!piece.attended) flush();
    }
  flush();
  if (nextMove(job.sheet, state).kind !== 'closed') {
    const parts = !waited && wait ? { notBefore: wait.until, notBeforeWhy: wait.why, notBeforeIs: wait.is } : {};
    push('hand-over', 'Sign off and hand over', {
      minutes: SIGN_OFF_MIN,
      needs: needOf(shop.hands),
      pauses: true,
      ...parts,
    });
    spreads[`${job.id}:hand-over`] = 0.2;
  }
  const [first] = activities;
  // Nobody knows when a hold ends that is not for a part: a day is taken, and said.
  if (first && hold && unknownEnd.has(hold.why)) {
    const until = shop.now + ANSWER_MIN;
    activities[0] = {
      ...first,
      notBefore: Math.max(until, first.notBefore ?? until),
      notBeforeIs: 'hold',
      notBeforeWhy: `on hold for ${hold.why}, say until ${shop.say(until)}`,
    };
  }
  const stands = state.place !== undefined && state.parked === undefined && shop.places.includes(state.place);
  return {
    id: job.id,
    name: job.name,
    release: shop.now,
    due: job.due,
    weight: job.weight ?? 1,
    activities,
    ...(stands ? { place: state.place } : {}),
    spreads,
  };
}

/**
 * What nobody knows of a unit before it is open: its way up may wait for a part. Undefined when it has no way up.
 * @param known how often units of its sheet wanted something here, and how long that took
 */
export function unknownsOf(job: PlanJob, known: Buying = learnBuying([], [])): Unknowns | undefined {
  const build = job.activities.find((a) => a.id.startsWith(`${job.id}:build`));
  return build && { ...known, waits: build.id };
}
