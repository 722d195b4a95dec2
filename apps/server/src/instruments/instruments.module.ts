import { Module } from '@nestjs/common';
import { InstrumentsController } from './instruments.controller.ts';
import { InstrumentsService } from './instruments.service.ts';

@Module({ controllers: [InstrumentsController], providers: [InstrumentsService] })
export class InstrumentsModule {}
