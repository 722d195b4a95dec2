import { Body, Controller, Delete, Get, HttpCode, Inject, Post, Put, Req, Res } from '@nestjs/common';
import {
  ChangePinDto,
  SettingsDto,
  SignInDto,
  type DoorView,
  type MeView,
  type NameView,
  type PersonView,
} from '@jubb/contract';
import type { Request, Response } from 'express';
import { DataSource } from 'typeorm';
import { CONFIG, type Config } from '../config/config.ts';
import type { Person } from './person.entity.ts';
import { Workshop } from '../planning/workshop.entity.ts';
import { ShopChangesService } from '../shop/shop-changes.service.ts';
import { AllowedFor, AllowedForAnyone, EVERY_ROLE, Me, MySession } from './access.ts';
import { AuthService } from './auth.service.ts';
import { cookieOf, cookieOptions, deviceCookie, sessionCookie } from './cookies.ts';

const view = (p: Person): PersonView => ({ id: p.id, name: p.name, initials: p.initials, role: p.role });

/** A device keeps its mark for a year and more. */
const DEVICE_MS = 400 * 86_400_000;

const shown = ({ name, currency, rateMinor, taxPercent, taxName }: Workshop): MeView['workshop'] => ({
  name,
  currency,
  rateMinor,
  taxPercent,
  taxName,
});

const amount = (minor: number): string => (minor / 100).toFixed(2);

@Controller('api')
export class AuthController {
  constructor(
    private readonly auth: AuthService,
    private readonly db: DataSource,
    private readonly changes: ShopChangesService,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  /** Names to press on the sign-in screen. A stranger learns no more of anybody. */
  @Get('people')
  @AllowedForAnyone()
  async people(): Promise<NameView[]> {
    return (await this.auth.people()).map(({ name, initials }) => ({ name, initials }));
  }

  /** Whose shop this is, before anybody is signed in. */
  @Get('door')
  @AllowedForAnyone()
  async door(): Promise<DoorView> {
    const { name } = await this.db.getRepository(Workshop).findOneByOrFail({ id: 1 });
    return { shop: name };
  }

  @Post('session')
  @AllowedForAnyone()
  async signIn(
    @Body() body: SignInDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<MeView> {
    const mark = cookieOf(request, deviceCookie(this.config));
    const door = { address: request.ip ?? '', ...(mark === undefined ? {} : { device: mark }) };
    const { token, expiresAt, person, device } = await this.auth.signIn(body.name, body.pin, door, new Date());
    // Other hands: whoever was signed in on this device before is so no more.
    const before = cookieOf(request, sessionCookie(this.config));
    if (before !== undefined) await this.auth.signOut(before);
    const options = cookieOptions(this.config);
    response.cookie(sessionCookie(this.config), token, { ...options, expires: expiresAt });
    if (device !== undefined) response.cookie(deviceCookie(this.config), device, { ...options, maxAge: DEVICE_MS });
    return this.meView(person);
  }

  @Get('me')
  @AllowedFor(...EVERY_ROLE)
  me(@Me() person: Person): Promise<MeView> {
    return this.meView(person);
  }

  /** Another PIN for whoever is signed in; their sessions on other devices end. */
  @Put('me/pin')
  @HttpCode(204)
  @AllowedFor(...EVERY_ROLE)
  changePin(@Body() body: ChangePinDto, @Me() person: Person, @MySession() session: string): Promise<void> {
    return this.auth.changePin(person, body.old, body.pin, session);
  }

  /** Name, currency, rate and tax: what quotes are reckoned with from now on. Quotes that are made stay as they are. */
  @Put('workshop')
  @AllowedFor('owner')
  async settings(@Body() body: SettingsDto, @Me() me: Person): Promise<MeView['workshop']> {
    await this.db.transaction(async (m) => {
      const was = shown(await m.getRepository(Workshop).findOneByOrFail({ id: 1 }));
      await m.getRepository(Workshop).update({ id: 1 }, { ...body });
      await this.changes.note(m, me, [
        { what: 'name of the shop', was: was.name, is: body.name },
        { what: 'currency', was: was.currency, is: body.currency },
        { what: 'an hour', was: amount(was.rateMinor), is: amount(body.rateMinor) },
        { what: 'tax', was: `${was.taxName} ${was.taxPercent} %`, is: `${body.taxName} ${body.taxPercent} %` },
      ]);
    });
    return shown(await this.db.getRepository(Workshop).findOneByOrFail({ id: 1 }));
  }

  @Delete('session')
  @HttpCode(204)
  @AllowedFor(...EVERY_ROLE)
  async signOut(@Req() request: Request, @Res({ passthrough: true }) response: Response): Promise<void> {
    await this.auth.signOut(cookieOf(request, sessionCookie(this.config))!);
    response.clearCookie(sessionCookie(this.config), cookieOptions(this.config));
  }

  private async meView(person: Person): Promise<MeView> {
    const workshop = await this.db.getRepository(Workshop).findOneByOrFail({ id: 1 });
    return { person: view(person), workshop: shown(workshop) };
  }
}
