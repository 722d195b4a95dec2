import { Module } from '@nestjs/common';
import { JobLogModule } from '../jobs/job-log.module.ts';
import { QualityController } from './quality.controller.ts';

@Module({ imports: [JobLogModule], controllers: [QualityController] })
export class QualityModule {}
