import { Controller, Delete, Get, Header, HttpCode, Param, Post, Req } from '@nestjs/common';
import type { Request } from 'express';
import { AllowedFor, AllowedForAnyone } from '../auth/access.ts';
import { networkAddress } from '../jobs/network-address.ts';
import { CalendarService } from './calendar.service.ts';

const baseOf = (request: Request): string => networkAddress(request.headers.host ?? '', request.socket.localPort ?? 0);

@Controller('api/calendar')
export class CalendarController {
  constructor(private readonly calendar: CalendarService) {}

  /** The private address in force, or none. */
  @Get()
  @AllowedFor('owner')
  async address(@Req() request: Request): Promise<{ readonly url: string | null }> {
    const token = await this.calendar.token();
    return { url: token === null ? null : `${baseOf(request)}/api/calendar/${token}.ics` };
  }

  @Post()
  @HttpCode(200)
  @AllowedFor('owner')
  async renew(@Req() request: Request): Promise<{ readonly url: string }> {
    return { url: `${baseOf(request)}/api/calendar/${await this.calendar.renew()}.ics` };
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
  @Header('Cache-Control', 'no-store')
  feed(@Param('token') token: string, @Req() request: Request): Promise<string> {
    return this.calendar.feed(token, baseOf(request));
  }
}
