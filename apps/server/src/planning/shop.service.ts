import { Injectable } from '@nestjs/common';
import type { ExtraHours, PlanInForce, PlanJobLabel, PlanMove, SlackView, WeekView } from '@jubb/contract';
import {
  runsAtNight,
  slackOf,
  activitiesOf,
  HELPER,
  learn,
  learnBuying,
  stepTimes,
  withHours,
  workCalendar,
  type Buying,
  type JobToPlan,
  type Learned,
  type Minute,
  type PlanProblem,
  type Resource,
  type ShopFacts,
  type WorkCalendar,
} from '@jubb/core/planning';
import { emptyBench, ladderOf } from '@jubb/core/bench';
import { standsFor } from '@jubb/core/sheet';
import { DataSource, In, IsNull, Not } from 'typeorm';
import { Instrument } from '../instruments/instrument.entity.ts';
import { Job } from '../jobs/job.entity.ts';
import { OrderLine } from '../parts/order-line.entity.ts';
import { Person } from '../auth/person.entity.ts';
import { Workshop } from './workshop.entity.ts';
import { JobLog } from '../jobs/job-log.ts';

const MINUTE_MS = 60_000;
/** So far ahead hours are known: two years and more. */
const DAYS_AHEAD = 800;
/** Visits that minutes are learned from, the newest. */
const LEARN_FROM = 200;

interface ExtraRow {
  readonly id: string;
  readonly starts: Date;
  readonly ends: Date;
  readonly helper: boolean;
  readonly person: string | null;
  readonly by_name: string;
}
interface InForceRow {
  readonly version: number;
  readonly slots: PlanInForce['slots'];
  readonly pins: PlanInForce['pins'];
  readonly by_name: string;
  readonly at: Date;
}

/** The workshop as the planner sees it: who works when, what there is of each tool, what is left of every job. */
@Injectable()
export class ShopService {
  private learned: { readonly of: number; readonly steps: Readonly<Record<string, Learned>> } | undefined;
  private inHand: { readonly of: string; readonly slack: SlackView } | undefined;
  private next: { readonly of: string; readonly moves: readonly PlanMove[] } | undefined;
  constructor(
    private readonly db: DataSource,
    private readonly log: JobLog,
  ) {}

  /**
   * Everything that the week is planned from, at a moment.
   * @param agreed hours beside those that are kept: as it would be with them
   */
  async view(now: Date, agreed?: ExtraHours): Promise<WeekView> {
    const shop = await this.shop(now, agreed);
    const { facts, zone } = shop;
    const open = await this.db
      .getRepository(Job)
      .find({ where: { stage: Not('handed-over') }, order: { number: 'ASC' } });
    const lines = await this.db.getRepository(OrderLine).find({ where: { jobId: In(open.map((j) => j.id)) } });
    const jobs: JobToPlan[] = [];
    const labels: PlanJobLabel[] = [];
    for (const { job, sheet, state } of await this.log.loadAll(open)) {
      const coming = Object.values(state.partLines)
        .filter((l) => l.status === 'ordered')
        .map((l) => {
          const expected = lines.find((x) => x.line === l.line)?.expected;
          return { title: l.title, expected: expected ? expected.getTime() / MINUTE_MS : null };
        });
      const due = job.deliveryDate ? job.deliveryDate.getTime() / MINUTE_MS : null;
      const { number, title, place, weight } = job;
      jobs.push(activitiesOf({ id: job.id, name: String(number), sheet, state, due, weight, coming }, facts));
      labels.push({ id: job.id, number, title, customer: job.customer.name, place, due, weight });
    }
    const inForce = await this.inForce();
    const known = new Set(jobs.flatMap((j) => j.activities.map((a) => a.id)));
    const slots = Object.fromEntries(Object.entries(inForce?.slots ?? {}).filter(([id]) => known.has(id)));
    const problem: PlanProblem = {
      now: facts.now,
      resources: shop.resources,
      calendars: shop.calendars,
      places: facts.places,
      jobs: jobs.filter((j) => j.activities.length > 0).map(({ spreads: _, ...job }) => job),
      // What is past, or done, holds nothing any more.
      pins: (inForce?.pins ?? []).filter((p) => known.has(p.activity) && p.start >= facts.now),
      ...(inForce ? { inForce: slots } : {}),
    };
    return {
      problem,
      spreads: Object.assign({}, ...jobs.map((j) => j.spreads)) as Record<string, number>,
      jobs: labels,
      inForce: inForce ? { ...inForce, slots } : null,
      zone,
      hours: shop.hours,
      daysOff: shop.daysOff,
      people: shop.people,
      extraHours: shop.extraHours,
      tools: shop.tools,
    };
  }

  /** A unit that is not booked yet, from its sheet alone. */
  async unbooked(sheetId: string, revision: number, now: Date, scope?: string): Promise<JobToPlan> {
    const { facts } = await this.shop(now);
    const sheet = await this.log.sheetOf(sheetId, revision);
    const state = { ...emptyBench('new'), ...(scope === undefined ? {} : { scope }) };
    return activitiesOf({ id: 'new', name: 'the new one', sheet, state, due: null, coming: [] }, facts);
  }

  /**
   * What the plan in force has next. It changes when the plan does or the log of an open job grows: one question tells
   * whether either has happened since it was last reckoned.
   * @param most so many at most, the earliest
   */
  async moves(now: Date, most: number): Promise<PlanMove[]> {
    const of = await this.standsAt();
    if (of === undefined) return [];
    if (this.next?.of !== of) this.next = { of, moves: await this.reckonMoves(now) };
    return this.next.moves.slice(0, most);
  }

  /** Names the plan in force and the logs of all open jobs as they stand; undefined while no plan is in force. */
  private async standsAt(): Promise<string | undefined> {
    const [row] = await this.db.query<{ version: number; heads: string | null }[]>(
      `SELECT p.version, (SELECT md5(string_agg(j.head, ',' ORDER BY j.id)) FROM job j WHERE j.stage <> 'handed-over') AS heads
       FROM plan_in_force p`,
    );
    return row && `${row.version} ${row.heads ?? ''}`;
  }

  /** Time in hand of every open job that is promised, by the plan in force and in open hours. */
  async slack(now: Date): Promise<SlackView> {
    // Reckoned once a minute for all who ask, unless a log or the plan is another by then.
    const stands = await this.standsAt();
    if (stands === undefined) return this.reckonSlack(now);
    const of = `${stands} ${Math.floor(now.getTime() / MINUTE_MS)}`;
    if (this.inHand?.of !== of) this.inHand = { of, slack: await this.reckonSlack(now) };
    return this.inHand.slack;
  }

  private async reckonSlack(now: Date): Promise<SlackView> {
    const { problem, inForce, jobs } = await this.view(now);
    return Object.fromEntries(
      jobs.flatMap((label) => {
        // A job with nothing left to do stands ready: all the time to its promise is in hand.
        const ready = { id: label.id, name: String(label.number), release: 0, weight: 1, activities: [] };
        const job = problem.jobs.find((j) => j.id === label.id) ?? { ...ready, due: label.due };
        const slack = slackOf(problem, inForce?.slots ?? {}, job);
        return slack ? [[label.id, slack]] : [];
      }),
    );
  }

  private async reckonMoves(now: Date): Promise<readonly PlanMove[]> {
    const { problem, inForce } = await this.view(now);
    const hands = new Set(problem.resources.filter((r) => r.kind === 'hands').map((r) => r.id));
    return problem.jobs
      .flatMap((job) =>
        job.activities.flatMap((a): PlanMove[] => {
          const slot = inForce?.slots[a.id];
          if (!slot) return [];
          const { start, end } = slot;
          const own = slot.on.filter((r) => hands.has(r));
          return [{ activity: a.id, title: a.title, job: job.id, hands: own, start, end, attended: a.attended }];
        }),
      )
      .sort((a, b) => a.start - b.start);
  }

  async inForce(): Promise<PlanInForce | null> {
    const [row] = await this.db.query<InForceRow[]>(`SELECT version, slots, pins, by_name, at FROM plan_in_force`);
    return row
      ? { version: row.version, slots: row.slots, pins: row.pins, by: row.by_name, at: row.at.toISOString() }
      : null;
  }

  private async shop(
    now: Date,
    agreed?: ExtraHours,
  ): Promise<{
    readonly facts: ShopFacts;
    readonly resources: readonly Resource[];
    readonly calendars: readonly WorkCalendar[];
    readonly zone: string;
    readonly hours: Workshop['hours'];
    readonly daysOff: WeekView['daysOff'];
    readonly people: WeekView['people'];
    readonly extraHours: WeekView['extraHours'];
    readonly tools: WeekView['tools'];
  }> {
    const workshop = await this.db.getRepository(Workshop).findOneByOrFail({ id: 1 });
    const people = await this.db
      .getRepository(Person)
      .find({ where: { works: true, leftAt: IsNull() }, order: { name: 'ASC' } });
    const instruments = await this.db.getRepository(Instrument).find({ where: { retiredAt: IsNull() } });
    // What was agreed on with somebody who works at no bench any more bears on nobody.
    const ofSomebody = ({ person }: { readonly person: string | null }): boolean =>
      person === null || people.some((p) => p.id === person);
    const off = (
      await this.db.query<{ day: string; person: string | null }[]>(
        `SELECT to_char(day, 'YYYY-MM-DD') AS day, person FROM day_off ORDER BY day`,
      )
    ).filter(ofSomebody);
    const kept = (
      await this.db.query<ExtraRow[]>(
        `SELECT id, starts, ends, helper, person, by_name FROM extra_hours WHERE ends > $1 ORDER BY starts`,
        [now],
      )
    )
      .filter(ofSomebody)
      .map(({ by_name: by, starts, ends, ...x }) => ({
        ...x,
        by,
        from: starts.getTime() / MINUTE_MS,
        to: ends.getTime() / MINUTE_MS,
      }));
    const extraHours: readonly ExtraHours[] = agreed ? [...kept, agreed] : kept;
    const at = Math.floor(now.getTime() / MINUTE_MS);
    const { zone, hours } = workshop;
    const calendar = (id: string, who: string | null): WorkCalendar =>
      withHours(
        workCalendar(
          id,
          hours,
          zone,
          at,
          DAYS_AHEAD,
          new Set(off.filter((o) => o.person === null || o.person === who).map((o) => o.day)),
        ),
        extraHours
          .filter((x) => !x.helper && (x.person === null || x.person === who))
          .map((x) => [x.from, x.to] as const),
      );
    const helping = extraHours.filter((x) => x.helper).map((x) => [x.from, x.to] as const);
    const own = (id: string): boolean => off.some((o) => o.person === id) || extraHours.some((x) => x.person === id);
    const hands = people.map((p) => ({
      id: `hands-${p.id}`,
      title: p.name,
      own: own(p.id),
      p,
    }));
    const stands = instruments.filter((i) => i.kind in standsFor);
    // Hours are the same for all who have no day off of their own.
    const calendars = [
      calendar('shop', null),
      ...(helping.length > 0 ? [withHours({ id: HELPER, open: [] }, helping)] : []),
      ...hands.filter((h) => h.own).map((h) => calendar(h.id, h.p.id)),
    ];
    const resources: Resource[] = [
      ...hands.map((h) => ({
        id: h.id,
        title: h.title,
        kind: 'hands' as const,
        capacity: 1,
        calendar: h.own ? h.id : 'shop',
      })),
      ...(helping.length > 0
        ? [{ id: HELPER, title: 'Helper', kind: 'hands' as const, capacity: 1, calendar: HELPER }]
        : []),
      ...workshop.tools
        .filter((t) => t.capacity > 0)
        .map((t) => ({ ...t, ...(runsAtNight(t.kind) ? {} : { calendar: 'shop' }) })),
      ...stands.map((s) => ({ id: s.id, title: s.name, kind: 'stand' as const, capacity: 1, calendar: 'shop' })),
    ];
    const of = (kind: Resource['kind']): string[] => resources.filter((r) => r.kind === kind).map((r) => r.id);
    const words = new Intl.DateTimeFormat('en-GB', {
      timeZone: zone,
      weekday: 'short',
      hour: '2-digit',
      minute: '2-digit',
    });
    const facts: ShopFacts = {
      now: at,
      hands: of('hands'),
      press: of('press'),
      oven: of('oven'),
      tank: of('tank'),
      stands: Object.fromEntries(
        Object.keys(standsFor).map((k) => [k, stands.filter((s) => s.kind === k).map((s) => s.id)]),
      ),
      places: workshop.places,
      learned: await this.learnedSteps(),
      say: (m: Minute) => words.format(m * MINUTE_MS).replace(',', ''),
    };
    return {
      facts,
      resources,
      calendars,
      zone,
      hours,
      daysOff: off,
      people: people.map(({ id, name }) => ({ id, name })),
      extraHours,
      tools: workshop.tools,
    };
  }

  /** What this shop really takes for the steps of its sheets, by the log of the visits that are over. */
  async learnedSteps(): Promise<Readonly<Record<string, Learned>>> {
    const over = await this.db
      .getRepository(Job)
      .find({ where: { stage: 'handed-over' }, order: { number: 'DESC' }, take: LEARN_FROM });
    const newest = over[0]?.number ?? 0;
    if (this.learned?.of === newest) return this.learned.steps;
    const taken = new Map<string, { sheet: number; minutes: number[] }>();
    for (const { sheet, state } of await this.log.loadAll(over)) {
      if (state.end) continue;
      const times = stepTimes(sheet, state);
      for (const step of ladderOf(sheet, state).all) {
        const minutes = times.minutes[step.id];
        if (minutes === undefined) continue;
        const key = `${sheet.id}/${step.id}`;
        const seen = taken.get(key) ?? { sheet: step.minutes, minutes: [] };
        seen.minutes.push(minutes);
        taken.set(key, seen);
      }
    }
    const steps = Object.fromEntries([...taken].map(([key, t]) => [key, learn(t.sheet, t.minutes)]));
    this.learned = { of: newest, steps };
    return steps;
  }

  /** How often units of a sheet wanted something that was not here, and how long orders of this shop take to come. */
  async buying(sheet: string): Promise<Buying> {
    const bought = await this.db.query<{ bought: boolean }[]>(
      `SELECT EXISTS (SELECT 1 FROM order_line l WHERE l.job_id = j.id) AS bought
       FROM job j WHERE j.sheet = $1 AND j.stage = 'handed-over' ORDER BY j.number DESC LIMIT $2`,
      [sheet, LEARN_FROM],
    );
    const leads = await this.db.query<{ minutes: number }[]>(
      `SELECT extract(epoch FROM arrived_at - ordered_at)::float8 / 60 AS minutes FROM order_line
       WHERE arrived_at IS NOT NULL ORDER BY arrived_at DESC LIMIT $1`,
      [LEARN_FROM],
    );
    return learnBuying(
      bought.map((b) => b.bought),
      leads.map((l) => l.minutes),
    );
  }
}
