import { Module } from '@nestjs/common';
import { JobLogModule } from '../jobs/job-log.module.ts';
import { JobsModule } from '../jobs/jobs.module.ts';
import { CatalogueService } from './catalogue.service.ts';
import { PartsController } from './parts.controller.ts';
import { PartsService } from './parts.service.ts';
import { StoresController } from './stores.controller.ts';
import { StoresService } from './stores.service.ts';
import { SupplierService } from './supplier.service.ts';

@Module({
  imports: [JobLogModule, JobsModule],
  controllers: [PartsController, StoresController],
  providers: [PartsService, CatalogueService, SupplierService, StoresService],
  exports: [PartsService, CatalogueService, SupplierService],
})
export class PartsModule {}
