import { Module } from '@nestjs/common';
import { APP_GUARD } from '@nestjs/core';
import { TerminusModule } from '@nestjs/terminus';
import { DiskGuard } from './disk.guard.ts';
import { DiskService } from './disk.service.ts';
import { HealthController } from './health.controller.ts';

@Module({
  // The log has what went wrong; health is asked every few seconds.
  imports: [TerminusModule.forRoot({ logger: false })],
  controllers: [HealthController],
  providers: [DiskService, { provide: APP_GUARD, useClass: DiskGuard }],
  exports: [DiskService],
})
export class HealthModule {}
