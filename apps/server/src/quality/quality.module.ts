import { Module } from '@nestjs/common';
import { JobLogModule } from '../jobs/job-log.module.ts';
import { QualityController } from './quality.controller.ts';
import { QualityService } from './quality.service.ts';

@Module({ imports: [JobLogModule], controllers: [QualityController], providers: [QualityService] })
export class QualityModule {}
