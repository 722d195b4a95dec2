import {
  ForbiddenException,
  Inject,
  Injectable,
  UnauthorizedException,
  type CanActivate,
  type ExecutionContext,
} from '@nestjs/common';
import { Reflector } from '@nestjs/core';
import { CONFIG, type Config } from '../config/config.ts';
import { ACCESS, type Access, type SignedInRequest } from './access.ts';
import { AuthService, hashToken } from './auth.service.ts';
import { cookieOf, sessionCookie } from './cookies.ts';

/** Checks every route: open ones pass, the rest need a session whose role is named. Nothing named means no. */
@Injectable()
export class AuthGuard implements CanActivate {
  constructor(
    private readonly reflector: Reflector,
    private readonly auth: AuthService,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  async canActivate(context: ExecutionContext): Promise<boolean> {
    const access = this.reflector.getAllAndOverride<Access | undefined>(ACCESS, [
      context.getHandler(),
      context.getClass(),
    ]);
    if (access === 'anyone') return true;
    const request = context.switchToHttp().getRequest<SignedInRequest>();
    const token = cookieOf(request, sessionCookie(this.config));
    // Asked already where a large body had to wait for it.
    const person = request.person ?? (token === undefined ? undefined : await this.auth.whoIs(token, new Date()));
    if (token === undefined || !person) throw new UnauthorizedException('Press your name and type your PIN');
    if (!access?.includes(person.role)) throw new ForbiddenException(`Not for the ${person.role} role`);
    request.person = person;
    request.session = hashToken(token);
    return true;
  }
}
