import { Module } from '@nestjs/common';
import { AuthModule } from '../auth/auth.module.ts';
import { InstrumentsModule } from '../instruments/instruments.module.ts';
import { SheetsModule } from '../sheets/sheets.module.ts';
import { UnitsModule } from '../units/units.module.ts';
import { JobLogModule } from './job-log.module.ts';
import { BookingService } from './booking.service.ts';
import { JobsController } from './jobs.controller.ts';
import { JobsService } from './jobs.service.ts';
import { JobWriter } from './job-writer.service.ts';
import { PricingService } from './pricing.service.ts';
import { RatesService } from './rates.service.ts';
import { RefusalsService } from './refusals.service.ts';
import { SigningService } from './signing.service.ts';

@Module({
  imports: [AuthModule, InstrumentsModule, JobLogModule, SheetsModule, UnitsModule],
  controllers: [JobsController],
  providers: [RefusalsService, PricingService, RatesService, JobWriter, JobsService, BookingService, SigningService],
  exports: [JobsService, JobWriter, BookingService, PricingService],
})
export class JobsModule {}
