import { Module } from '@nestjs/common';
import { JobLog } from './job-log.ts';

@Module({ providers: [JobLog], exports: [JobLog] })
export class JobLogModule {}
