import { Module } from '@nestjs/common';
import { JobLogModule } from '../jobs/job-log.module.ts';
import { JobsModule } from '../jobs/jobs.module.ts';
import { CatalogueService } from './catalogue.service.ts';
import { PartsController } from './parts.controller.ts';
import { PartsService } from './parts.service.ts';
import { StoresController } from './stores.controller.ts';
import { StoresService } from './stores.service.ts';
import { QueueModule } from '../queue/queue.module.ts';
import { SupplierOrders } from './supplier-orders.ts';
import { SupplierQueue } from './supplier-queue.ts';

@Module({
  imports: [JobLogModule, JobsModule, QueueModule],
  controllers: [PartsController, StoresController],
  providers: [PartsService, CatalogueService, SupplierOrders, SupplierQueue, StoresService],
  exports: [PartsService, CatalogueService, SupplierOrders, SupplierQueue],
})
export class PartsModule {}
