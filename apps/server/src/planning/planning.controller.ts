import {
  Body,
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
  AskDeliveryDatesDto,
  DayOffDto,
  ExtraHoursDto,
  JobWeightDto,
  ShopHoursDto,
  TakePlanDto,
  type PlanInForce,
  type PlanMove,
  type SlackView,
  type WeekView,
  type QueuedView,
} from '@jubb/contract';
import { MOVES_TOLD, unknownsOf } from '@jubb/core/planning';
import { AllowedFor, EVERY_ROLE, Me } from '../auth/access.ts';
import type { Person } from '../auth/person.entity.ts';
import { SheetsService } from '../sheets/sheets.service.ts';
import { PlanQueue } from './plan-queue.ts';
import { HoursService } from './hours.service.ts';
import { PlanInForceService } from './plan-in-force.service.ts';
import { ShopService } from './shop.service.ts';
import { WeekCalendarService } from './week-calendar.service.ts';

/** The week: what it is planned from, the plan in force, delivery dates. */
@Controller('api/plan')
export class PlanningController {
  constructor(
    private readonly shop: ShopService,
    private readonly plans: PlanInForceService,
    private readonly hours: HoursService,
    private readonly calendar: WeekCalendarService,
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
  take(@Body() dto: TakePlanDto, @Me() me: Person): Promise<PlanInForce> {
    return this.plans.take(dto, me);
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
  @Post('delivery-dates')
  @HttpCode(202)
  @AllowedFor('owner', 'mechanic')
  async deliveryDates(@Body() dto: AskDeliveryDatesDto): Promise<{ readonly id: string }> {
    const now = new Date();
    const revision = await this.sheets.newestOf(dto.sheet);
    const job = await this.shop.unbooked(revision.sheet, revision.revision, now, dto.scope);
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
    await this.hours.dayOff(dto.day.slice(0, 10), dto.person ?? null);
  }

  @Delete('days-off/:day')
  @HttpCode(204)
  @AllowedFor('owner')
  async dayOn(
    @Param('day') day: string,
    @Query('person', new ParseUUIDPipe({ optional: true })) person?: string,
  ): Promise<void> {
    if (!/^\d{4}-\d\d-\d\d$/.test(day)) throw new UnprocessableEntityException('day: a date such as 2026-12-24');
    await this.hours.dayOn(day, person ?? null);
  }

  /** Says how much a late minute of a job counts. */
  @Post('jobs/:id/weight')
  @HttpCode(204)
  @AllowedFor('owner', 'mechanic')
  async weigh(@Param('id', ParseUUIDPipe) id: string, @Body() dto: JobWeightDto): Promise<void> {
    await this.hours.weigh(id, dto.weight);
  }

  /** Agrees on hours beside the usual ones. */
  @Post('extra-hours')
  @HttpCode(201)
  @AllowedFor('owner', 'mechanic')
  async agree(@Body() dto: ExtraHoursDto, @Me() me: Person): Promise<{ readonly id: string }> {
    return { id: await this.hours.agree(dto, me) };
  }

  @Delete('extra-hours/:id')
  @HttpCode(204)
  @AllowedFor('owner', 'mechanic')
  async disagree(@Param('id', ParseUUIDPipe) id: string): Promise<void> {
    await this.hours.disagree(id);
  }

  /** Opening hours of a week, and how many there are of each tool. */
  @Post('shop')
  @HttpCode(204)
  @AllowedFor('owner')
  async setShop(@Body() dto: ShopHoursDto, @Me() me: Person): Promise<void> {
    await this.hours.setShop(dto, me);
  }

  /** The week in force as a calendar file. */
  @Get('week.ics')
  @AllowedFor(...EVERY_ROLE)
  @Header('Content-Type', 'text/calendar; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="week.ics"')
  week(): Promise<string> {
    return this.calendar.week();
  }
}
