import { Body, Controller, Get, HttpCode, Param, Post, Sse, type MessageEvent } from '@nestjs/common';
import { HandDto, type InstrumentView } from '@jubb/contract';
import { map, type Observable } from 'rxjs';
import { AllowedFor, EVERY_ROLE } from '../auth/access.ts';
import { InstrumentsService } from './instruments.service.ts';

@Controller('api/instruments')
export class InstrumentsController {
  constructor(private readonly instruments: InstrumentsService) {}

  @Get()
  @AllowedFor(...EVERY_ROLE)
  list(): Promise<InstrumentView[]> {
    return this.instruments.list();
  }

  @Sse(':id/live')
  @AllowedFor('owner', 'mechanic')
  live(@Param('id') id: string): Observable<MessageEvent> {
    return this.instruments.messages(id).pipe(map((data): MessageEvent => ({ data })));
  }

  @Post(':id/zero')
  @HttpCode(204)
  @AllowedFor('owner', 'mechanic')
  zero(@Param('id') id: string): void {
    this.instruments.zero(id);
  }

  @Post(':id/hand')
  @HttpCode(204)
  @AllowedFor('owner', 'mechanic')
  hand(@Param('id') id: string, @Body() body: HandDto): Promise<void> {
    return this.instruments.hand(id, body);
  }
}
