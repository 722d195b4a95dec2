import { Module } from '@nestjs/common';
import { JobLogModule } from '../jobs/job-log.module.ts';
import { QueueModule } from '../queue/queue.module.ts';
import { SheetsModule } from '../sheets/sheets.module.ts';
import { PlanningController } from './planning.controller.ts';
import { HoursService } from './hours.service.ts';
import { PlanInForceService } from './plan-in-force.service.ts';
import { PlanQueue } from './plan-queue.ts';
import { ShopService } from './shop.service.ts';
import { WeekCalendarService } from './week-calendar.service.ts';

@Module({
  imports: [JobLogModule, QueueModule, SheetsModule],
  controllers: [PlanningController],
  providers: [ShopService, PlanQueue, HoursService, PlanInForceService, WeekCalendarService],
  exports: [ShopService, PlanQueue],
})
export class PlanningModule {}
