import { Module } from '@nestjs/common';
import { JobLogModule } from '../jobs/job-log.module.ts';
import { UnitsModule } from '../units/units.module.ts';
import { CalendarController } from './calendar.controller.ts';
import { CalendarService } from './calendar.service.ts';

@Module({ imports: [JobLogModule, UnitsModule], controllers: [CalendarController], providers: [CalendarService] })
export class CalendarModule {}
