import { Module } from '@nestjs/common';
import { JobLogModule } from '../jobs/job-log.module.ts';
import { JobsModule } from '../jobs/jobs.module.ts';
import { PartsModule } from '../parts/parts.module.ts';
import { QuotesController } from './quotes.controller.ts';
import { QuotesService } from './quotes.service.ts';

@Module({
  imports: [JobLogModule, JobsModule, PartsModule],
  controllers: [QuotesController],
  providers: [QuotesService],
})
export class QuotesModule {}
