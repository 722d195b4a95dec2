import { Module } from '@nestjs/common';
import { APP_GUARD } from '@nestjs/core';
import { TerminusModule } from '@nestjs/terminus';
import { DiskGuard } from './disk.guard.ts';
import { DiskService } from './disk.service.ts';
import { HealthController } from './health.controller.ts';

@Module({
  // It is asked every few seconds: who asks hears it, and a line of the log each time would bury the rest.
  imports: [TerminusModule.forRoot({ logger: false })],
  controllers: [HealthController],
  providers: [DiskService, { provide: APP_GUARD, useClass: DiskGuard }],
  exports: [DiskService],
})
export class HealthModule {}
