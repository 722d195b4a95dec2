import {
  ForbiddenException,
  Injectable,
  UnauthorizedException,
  type CanActivate,
  type ExecutionContext,
} from '@nestjs/common';
import { Reflector } from '@nestjs/core';
import { ACCESS, type Access, type SignedInRequest } from './access.ts';
import { AuthService } from './auth.service.ts';

export const COOKIE = 'jubb_session';

/** Checks every route: open ones pass, the rest need a session whose role is named. Nothing named means no. */
@Injectable()
export class AuthGuard implements CanActivate {
  constructor(
    private readonly reflector: Reflector,
    private readonly auth: AuthService,
  ) {}

  async canActivate(context: ExecutionContext): Promise<boolean> {
    const access = this.reflector.getAllAndOverride<Access | undefined>(ACCESS, [
      context.getHandler(),
      context.getClass(),
    ]);
    if (access === 'anyone') return true;
    const request = context.switchToHttp().getRequest<SignedInRequest>();
    const token = (request.cookies as Record<string, unknown> | undefined)?.[COOKIE];
    const person = typeof token === 'string' ? await this.auth.whoIs(token, new Date()) : undefined;
    if (!person) throw new UnauthorizedException('Press your name and type your PIN');
    if (!access?.includes(person.role)) throw new ForbiddenException(`Not for the ${person.role} role`);
    request.person = person;
    return true;
  }
}
