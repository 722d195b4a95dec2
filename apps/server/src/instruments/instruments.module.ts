import { Module } from '@nestjs/common';
import { LiveModule } from '../live/live.module.ts';
import { InstrumentFactsService } from './instrument-facts.service.ts';
import { InstrumentsController } from './instruments.controller.ts';
import { InstrumentsService } from './instruments.service.ts';

@Module({
  imports: [LiveModule],
  controllers: [InstrumentsController],
  providers: [InstrumentsService, InstrumentFactsService],
  exports: [InstrumentFactsService, InstrumentsService],
})
export class InstrumentsModule {}
