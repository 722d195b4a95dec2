import { Module } from '@nestjs/common';
import { CustomersModule } from '../customers/customers.module.ts';
import { InvoicesModule } from '../invoices/invoices.module.ts';
import { JobsModule } from '../jobs/jobs.module.ts';
import { BackupController } from './backup.controller.ts';
import { BackupService } from './backup.service.ts';
import { ExportService } from './export.service.ts';

@Module({
  imports: [CustomersModule, InvoicesModule, JobsModule],
  controllers: [BackupController],
  providers: [BackupService, ExportService],
})
export class BackupModule {}
