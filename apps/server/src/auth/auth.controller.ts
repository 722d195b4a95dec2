import { Body, Controller, Delete, Get, HttpCode, Inject, Post, Put, Req, Res, UseGuards } from '@nestjs/common';
import { Throttle, ThrottlerGuard } from '@nestjs/throttler';
import { SettingsDto, SignInDto, type MeView, type PersonView } from '@jubb/contract';
import type { Request, Response } from 'express';
import { DataSource } from 'typeorm';
import { CONFIG, type Config } from '../config/config.ts';
import type { Person } from '../database/entities/person.entity.ts';
import { Workshop } from '../database/entities/workshop.entity.ts';
import { AllowedFor, AllowedForAnyone, EVERY_ROLE, Me } from './access.ts';
import { COOKIE } from './auth.guard.ts';
import { AuthService } from './auth.service.ts';

const view = (p: Person): PersonView => ({ id: p.id, name: p.name, initials: p.initials, role: p.role });

const shown = ({ name, currency, rateMinor, taxPercent, taxName }: Workshop): MeView['workshop'] => ({
  name,
  currency,
  rateMinor,
  taxPercent,
  taxName,
});

@Controller('api')
export class AuthController {
  constructor(
    private readonly auth: AuthService,
    private readonly db: DataSource,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  /** Names to press on the sign-in screen. */
  @Get('people')
  @AllowedForAnyone()
  async people(): Promise<PersonView[]> {
    return (await this.auth.people()).map(view);
  }

  @Post('session')
  @AllowedForAnyone()
  @UseGuards(ThrottlerGuard)
  @Throttle({ default: { limit: 60, ttl: 60_000 } })
  async signIn(@Body() body: SignInDto, @Res({ passthrough: true }) response: Response): Promise<MeView> {
    const { token, expiresAt, person } = await this.auth.signIn(body.person, body.pin, new Date());
    response.cookie(COOKIE, token, {
      httpOnly: true,
      sameSite: 'strict',
      secure: this.config.secureCookie,
      expires: expiresAt,
      path: '/',
    });
    return this.meView(person);
  }

  @Get('me')
  @AllowedFor(...EVERY_ROLE)
  me(@Me() person: Person): Promise<MeView> {
    return this.meView(person);
  }

  /** Name, currency, rate and tax: what quotes are reckoned with from now on. Quotes that are made stay as they are. */
  @Put('workshop')
  @AllowedFor('owner')
  async settings(@Body() body: SettingsDto): Promise<MeView['workshop']> {
    await this.db.getRepository(Workshop).update({ id: 1 }, { ...body });
    return shown(await this.db.getRepository(Workshop).findOneByOrFail({ id: 1 }));
  }

  @Delete('session')
  @HttpCode(204)
  @AllowedFor(...EVERY_ROLE)
  async signOut(@Req() request: Request, @Res({ passthrough: true }) response: Response): Promise<void> {
    await this.auth.signOut(String((request.cookies as Record<string, unknown>)[COOKIE]));
    response.clearCookie(COOKIE, { path: '/' });
  }

  private async meView(person: Person): Promise<MeView> {
    const workshop = await this.db.getRepository(Workshop).findOneByOrFail({ id: 1 });
    return { person: view(person), workshop: shown(workshop) };
  }
}
