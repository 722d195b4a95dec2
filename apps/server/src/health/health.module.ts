import { Module } from '@nestjs/common';
import { APP_GUARD } from '@nestjs/core';
import { DiskGuard } from './disk.guard.ts';
import { DiskService } from './disk.service.ts';
import { HealthController } from './health.controller.ts';

@Module({
  controllers: [HealthController],
  providers: [DiskService, { provide: APP_GUARD, useClass: DiskGuard }],
  exports: [DiskService],
})
export class HealthModule {}
