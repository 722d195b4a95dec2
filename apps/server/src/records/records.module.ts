import { Module } from '@nestjs/common';
import { JobsModule } from '../jobs/jobs.module.ts';
import { UnitsModule } from '../units/units.module.ts';
import { RecordsController } from './records.controller.ts';
import { RecordsService } from './records.service.ts';

@Module({ imports: [JobsModule, UnitsModule], controllers: [RecordsController], providers: [RecordsService] })
export class RecordsModule {}
