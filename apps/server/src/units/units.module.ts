import { Module } from '@nestjs/common';
import { JobLogModule } from '../jobs/job-log.module.ts';
import { UnitsController } from './units.controller.ts';
import { UnitsService } from './units.service.ts';

@Module({ imports: [JobLogModule], controllers: [UnitsController], providers: [UnitsService], exports: [UnitsService] })
export class UnitsModule {}
