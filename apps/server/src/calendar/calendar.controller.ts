import { Controller, Delete, Get, Header, HttpCode, Inject, Param, Post, Req } from '@nestjs/common';
import type { Request } from 'express';
import { AllowedFor, AllowedForAnyone } from '../auth/access.ts';
import { CONFIG, type Config } from '../config/config.ts';
import { ownAddress } from '../network/addresses.ts';
import { CalendarService } from './calendar.service.ts';

@Controller('api/calendar')
export class CalendarController {
  constructor(
    private readonly calendar: CalendarService,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  private baseOf(request: Request): string {
    return ownAddress(request.headers.host ?? '', request.socket.localPort ?? 0, this.config);
  }

  /** The private address in force, or none. */
  @Get()
  @AllowedFor('owner')
  async address(@Req() request: Request): Promise<{ readonly url: string | null }> {
    const token = await this.calendar.token();
    return { url: token === null ? null : `${this.baseOf(request)}/api/calendar/${token}.ics` };
  }

  @Post()
  @HttpCode(200)
  @AllowedFor('owner')
  async renew(@Req() request: Request): Promise<{ readonly url: string }> {
    return { url: `${this.baseOf(request)}/api/calendar/${await this.calendar.renew()}.ics` };
  }

  @Delete()
  @HttpCode(204)
  @AllowedFor('owner')
  revoke(): Promise<void> {
    return this.calendar.revoke();
  }

  /** A calendar program signs in nowhere: who has the address may read it, until it is revoked. */
  @Get(':token.ics')
  @AllowedForAnyone()
  @Header('Content-Type', 'text/calendar; charset=utf-8')
  feed(@Param('token') token: string, @Req() request: Request): Promise<string> {
    return this.calendar.feed(token, this.baseOf(request));
  }
}
