import { Body, Controller, Get, HttpCode, Param, Post, Sse, type MessageEvent } from '@nestjs/common';
import {
  HandDto,
  StandFaultDto,
  StandRunDto,
  type HandAnswer,
  type InstrumentView,
  type SelfCheck,
} from '@jubb/contract';
import { map, type Observable } from 'rxjs';
import { AllowedFor, EVERY_ROLE, MySession } from '../auth/access.ts';
import { Streams } from '../live/streams.ts';
import { InstrumentsService } from './instruments.service.ts';

@Controller('api/instruments')
export class InstrumentsController {
  constructor(
    private readonly instruments: InstrumentsService,
    private readonly streams: Streams,
  ) {}

  @Get()
  @AllowedFor(...EVERY_ROLE)
  list(): Promise<InstrumentView[]> {
    return this.instruments.list();
  }

  @Sse(':id/live')
  @AllowedFor('owner', 'mechanic')
  live(@Param('id') id: string, @MySession() session: string): Observable<MessageEvent> {
    return this.instruments.messages(id).pipe(
      map((data): MessageEvent => ({ data })),
      this.streams.while(session),
    );
  }

  @Post(':id/zero')
  @HttpCode(204)
  @AllowedFor('owner', 'mechanic')
  zero(@Param('id') id: string): Promise<void> {
    return this.instruments.zero(id);
  }

  @Post(':id/hand')
  @HttpCode(200)
  @AllowedFor('owner', 'mechanic')
  hand(@Param('id') id: string, @Body() body: HandDto): Promise<HandAnswer> {
    return this.instruments.hand(id, body);
  }

  @Post(':id/run')
  @HttpCode(200)
  @AllowedFor('owner', 'mechanic')
  run(@Param('id') id: string, @Body() body: StandRunDto): Promise<{ readonly run: number }> {
    return this.instruments.run(id, body);
  }

  @Post(':id/stop')
  @HttpCode(204)
  @AllowedFor('owner', 'mechanic')
  stop(@Param('id') id: string): Promise<void> {
    return this.instruments.stop(id);
  }

  @Post(':id/fault')
  @HttpCode(204)
  @AllowedFor('owner', 'mechanic')
  fault(@Param('id') id: string, @Body() body: StandFaultDto): Promise<void> {
    return this.instruments.fault(id, body.fault);
  }

  @Post(':id/check')
  @HttpCode(200)
  @AllowedFor('owner', 'mechanic')
  check(@Param('id') id: string): Promise<SelfCheck> {
    return this.instruments.check(id, new Date());
  }
}
