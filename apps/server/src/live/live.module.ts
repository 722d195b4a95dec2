import { Module } from '@nestjs/common';
import { AuthModule } from '../auth/auth.module.ts';
import { LiveController } from './live.controller.ts';
import { LiveService } from './live.service.ts';
import { Streams } from './streams.ts';

@Module({
  imports: [AuthModule],
  controllers: [LiveController],
  providers: [LiveService, Streams],
  exports: [Streams],
})
export class LiveModule {}
