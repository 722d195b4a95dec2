import { Module } from '@nestjs/common';
import { JobLogModule } from '../jobs/job-log.module.ts';
import { JobsModule } from '../jobs/jobs.module.ts';
import { InvoicesController } from './invoices.controller.ts';
import { InvoicesService } from './invoices.service.ts';

@Module({
  imports: [JobLogModule, JobsModule],
  controllers: [InvoicesController],
  providers: [InvoicesService],
  exports: [InvoicesService],
})
export class InvoicesModule {}
