import { Module } from '@nestjs/common';
import { JobQueue } from './job-queue.ts';

@Module({ providers: [JobQueue], exports: [JobQueue] })
export class QueueModule {}
