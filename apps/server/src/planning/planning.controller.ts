import {
  Body,
  ConflictException,
  Controller,
  Delete,
  Get,
  Header,
  HttpCode,
  NotFoundException,
  Param,
  ParseUUIDPipe,
  Post,
  Query,
  UnprocessableEntityException,
} from '@nestjs/common';
import {
  AskPromiseDto,
  DayOffDto,
  ExtraHoursDto,
  JobWeightDto,
  ShopHoursDto,
  TakePlanDto,
  type ExtraHours,
  type PlanInForce,
  type PlanMove,
  type SlackView,
  type WeekView,
  type QueuedView,
} from '@jubb/contract';
import {
  LONGEST_EXTRA_H,
  MOVES_TOLD,
  PlanError,
  planFaults,
  STALE_PLAN_MIN,
  unknownsOf,
  workCalendar,
  type Slot,
} from '@jubb/core/planning';
import ical from 'ical-generator';
import { randomUUID } from 'node:crypto';
import { DataSource, type EntityManager } from 'typeorm';
import { AllowedFor, EVERY_ROLE, Me } from '../auth/access.ts';
import { Person } from '../database/entities/person.entity.ts';
import { Job } from '../database/entities/job.entity.ts';
import { Workshop } from '../database/entities/workshop.entity.ts';
import { SheetsService } from '../sheets/sheets.service.ts';
import { PlanQueue } from './plan-queue.ts';
import { ShopService } from './shop.service.ts';

const MINUTE_MS = 60_000;

/** The week: what it is planned from, the plan in force, promises. */
@Controller('api/plan')
export class PlanningController {
  constructor(
    private readonly db: DataSource,
    private readonly shop: ShopService,
    private readonly queue: PlanQueue,
    private readonly sheets: SheetsService,
  ) {}

  @Get()
  @AllowedFor(...EVERY_ROLE)
  view(): Promise<WeekView> {
    return this.shop.view(new Date());
  }

  /** Puts a plan in force. It is held against the shop once more, and against whoever was quicker. */
  @Post()
  @HttpCode(200)
  @AllowedFor('owner', 'mechanic')
  async take(@Body() dto: TakePlanDto, @Me() me: Person): Promise<PlanInForce> {
    const now = Date.now();
    const age = now / MINUTE_MS - dto.now;
    if (age > STALE_PLAN_MIN || age < -1)
      throw new UnprocessableEntityException(`now: this plan is of ${Math.round(age)} min ago; plan again`);
    const agreed = dto.agreed && extraOf(dto.agreed, me);
    await this.known(agreed?.person);
    // As it was when it was planned: what cures meanwhile has less of it left by now.
    const { problem } = await this.shop.view(new Date(dto.now * MINUTE_MS), agreed);
    const slots: Record<string, Slot> = {};
    for (const { activity, start, end, on, place } of dto.slots)
      slots[activity] = { start, end, on, ...(place === undefined ? {} : { place }) };
    const pins = dto.pins.map(({ activity, start, on }) => ({ activity, start, ...(on ? { on } : {}) }));
    const faults = planFaults({ ...problem, pins }, slots);
    if (faults.length > 0)
      throw new UnprocessableEntityException({
        message: `This plan cannot be worked: ${faults.slice(0, 3).join('; ')}`,
        errors: { slots: faults.slice(0, 20) },
      });
    // The agreement and its plan are written together or not at all.
    await this.db.transaction(async (m) => {
      if (agreed) await keepExtra(m, agreed);
      const rows = await m.query<unknown[]>(
        `INSERT INTO plan_in_force (version, slots, pins, by_name, at) SELECT 1, $1, $2, $3, now() WHERE $4 = 0
         ON CONFLICT (id) DO NOTHING RETURNING version`,
        [JSON.stringify(slots), JSON.stringify(pins), me.name, dto.version],
      );
      if (rows.length > 0) return;
      const [changed] = await m.query<[unknown[], number]>(
        `UPDATE plan_in_force SET version = version + 1, slots = $1, pins = $2, by_name = $3, at = now()
         WHERE version = $4 RETURNING version`,
        [JSON.stringify(slots), JSON.stringify(pins), me.name, dto.version],
      );
      if (changed.length === 0)
        throw new ConflictException('Somebody else has put a plan in force meanwhile: look at it, and plan again');
    });
    return (await this.shop.inForce())!;
  }

  /** What the plan in force has next, for the Floor and the bench. */
  @Get('moves')
  @AllowedFor(...EVERY_ROLE)
  async moves(): Promise<PlanMove[]> {
    return this.shop.moves(new Date(), MOVES_TOLD);
  }

  /** Time in hand of every open job that is promised: the one reckoning that Floor, bench and Plan show. */
  @Get('slack')
  @AllowedFor(...EVERY_ROLE)
  async slack(): Promise<SlackView> {
    return this.shop.slack(new Date());
  }

  /** Asks for dates that could be promised; the answer is fetched by its id. */
  @Post('promise')
  @HttpCode(202)
  @AllowedFor('owner', 'mechanic')
  async promise(@Body() dto: AskPromiseDto): Promise<{ readonly id: string }> {
    const now = new Date();
    const revision = await this.sheets.newestOf(dto.sheet);
    const job = await this.shop.unbooked(revision.sheet, revision.revision, now);
    const { problem, spreads } = await this.shop.view(now);
    return {
      id: await this.queue.add({
        problem,
        job,
        spreads: { ...spreads, ...job.spreads },
        unknowns: unknownsOf(job, await this.shop.buying(revision.sheet)),
      }),
    };
  }

  @Get('queued/:id')
  @AllowedFor(...EVERY_ROLE)
  async queued(@Param('id', ParseUUIDPipe) id: string): Promise<QueuedView> {
    const view = await this.queue.look(id);
    if (!view) throw new NotFoundException('There is no such work');
    return view;
  }

  @Post('days-off')
  @HttpCode(204)
  @AllowedFor('owner')
  async dayOff(@Body() dto: DayOffDto): Promise<void> {
    await this.known(dto.person);
    await this.db.query(`INSERT INTO day_off (day, person) VALUES ($1, $2) ON CONFLICT DO NOTHING`, [
      dto.day.slice(0, 10),
      dto.person ?? null,
    ]);
  }

  @Delete('days-off/:day')
  @HttpCode(204)
  @AllowedFor('owner')
  async dayOn(
    @Param('day') day: string,
    @Query('person', new ParseUUIDPipe({ optional: true })) person?: string,
  ): Promise<void> {
    if (!/^\d{4}-\d\d-\d\d$/.test(day)) throw new UnprocessableEntityException('day: a date such as 2026-12-24');
    await this.db.query(`DELETE FROM day_off WHERE day = $1 AND person IS NOT DISTINCT FROM $2`, [day, person ?? null]);
  }

  /** Says how much a late minute of a job counts. */
  @Post('jobs/:id/weight')
  @HttpCode(204)
  @AllowedFor('owner', 'mechanic')
  async weigh(@Param('id', ParseUUIDPipe) id: string, @Body() dto: JobWeightDto): Promise<void> {
    const { affected } = await this.db.getRepository(Job).update({ id }, { weight: dto.weight });
    if (!affected) throw new NotFoundException('There is no such job');
  }

  /** Agrees on hours beside the usual ones. */
  @Post('extra-hours')
  @HttpCode(201)
  @AllowedFor('owner', 'mechanic')
  async agree(@Body() dto: ExtraHoursDto, @Me() me: Person): Promise<{ readonly id: string }> {
    const extra = extraOf(dto, me);
    await this.known(extra.person);
    await keepExtra(this.db.manager, extra);
    return { id: extra.id };
  }

  /** @throws UnprocessableEntityException for a person that there is not; nobody in particular is always known */
  private async known(person: string | null | undefined): Promise<void> {
    if (!person || (await this.db.getRepository(Person).existsBy({ id: person }))) return;
    throw new UnprocessableEntityException({
      message: 'person: there is no such person',
      errors: { person: ['There is no such person'] },
    });
  }

  @Delete('extra-hours/:id')
  @HttpCode(204)
  @AllowedFor('owner', 'mechanic')
  async disagree(@Param('id', ParseUUIDPipe) id: string): Promise<void> {
    await this.db.query(`DELETE FROM extra_hours WHERE id = $1`, [id]);
  }

  /** Opening hours of a week, and how many there are of each tool. */
  @Post('shop')
  @HttpCode(204)
  @AllowedFor('owner')
  async setShop(@Body() dto: ShopHoursDto): Promise<void> {
    const workshop = await this.db.getRepository(Workshop).findOneByOrFail({ id: 1 });
    try {
      workCalendar('shop', dto.hours, workshop.zone, 0, 8);
    } catch (e) {
      if (!(e instanceof PlanError)) throw e;
      throw new UnprocessableEntityException({ message: e.message, errors: { [e.field]: [e.message] } });
    }
    if (dto.hours.every((day) => day.length === 0))
      throw new UnprocessableEntityException({
        message: 'hours: the workshop is never open',
        errors: { hours: ['Open on one day at least'] },
      });
    const known = new Map(dto.tools.map((t) => [t.id, t.capacity]));
    const tools = workshop.tools.map((t) => ({ ...t, capacity: known.get(t.id) ?? t.capacity }));
    await this.db.getRepository(Workshop).update({ id: 1 }, { hours: dto.hours, tools });
  }

  /** The week in force as a calendar file. */
  @Get('week.ics')
  @AllowedFor(...EVERY_ROLE)
  @Header('Content-Type', 'text/calendar; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="week.ics"')
  async week(): Promise<string> {
    const { problem, inForce, jobs } = await this.shop.view(new Date());
    const workshop = await this.db.getRepository(Workshop).findOneByOrFail({ id: 1 });
    const calendar = ical({ name: `${workshop.name}, the week`, prodId: { company: 'Jubb', product: 'plan' } });
    const title = new Map(problem.resources.map((r) => [r.id, r.title]));
    for (const job of problem.jobs)
      for (const a of job.activities) {
        const slot = inForce?.slots[a.id];
        const label = jobs.find((j) => j.id === job.id);
        if (!slot) continue;
        calendar.createEvent({
          id: `plan-${a.id}@jubb`,
          start: new Date(slot.start * MINUTE_MS),
          end: new Date(slot.end * MINUTE_MS),
          summary: `${job.name}: ${a.title}`,
          description: `${label?.title ?? ''}\n${slot.on.map((r) => title.get(r) ?? r).join(', ')}`,
        });
      }
    return calendar.toString();
  }
}

/** Hours as they are agreed on by somebody. @throws UnprocessableEntityException when they run backwards or too long */
function extraOf({ from, to, helper, person }: ExtraHoursDto, me: Person): ExtraHours {
  const hours = (to - from) / 60;
  if (hours <= 0 || hours > LONGEST_EXTRA_H)
    throw new UnprocessableEntityException({
      message: `to: ${hours.toFixed(1)} h; more than nothing and at most ${LONGEST_EXTRA_H} h`,
      errors: { to: [`More than nothing, at most ${LONGEST_EXTRA_H} h`] },
    });
  return { id: randomUUID(), from, to, helper, person: helper ? null : (person ?? null), by: me.name };
}

async function keepExtra(m: EntityManager, { id, from, to, helper, person, by }: ExtraHours): Promise<void> {
  await m.query(`INSERT INTO extra_hours (id, starts, ends, helper, person, by_name) VALUES ($1, $2, $3, $4, $5, $6)`, [
    id,
    new Date(from * MINUTE_MS),
    new Date(to * MINUTE_MS),
    helper,
    person,
    by,
  ]);
}
