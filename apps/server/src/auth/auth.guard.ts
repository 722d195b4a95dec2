import {
  ForbiddenException,
  Inject,
  Injectable,
  UnauthorizedException,
  type CanActivate,
  type ExecutionContext,
} from '@nestjs/common';
import { Reflector } from '@nestjs/core';
import { OTHER_HANDS } from '@jubb/contract';
import { CONFIG, type Config } from '../config/config.ts';
import { ACCESS, OF_ITS_GIVER, type Access, type SignedInRequest } from './access.ts';
import { AuthService, hashToken } from './auth.service.ts';
import { cookieOf, sessionCookie } from './cookies.ts';
import type { Person } from './person.entity.ts';

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
    if (this.reflector.get<boolean | undefined>(OF_ITS_GIVER, context.getHandler()) === true)
      ofItsGiver(request.body, person);
    if (!access?.includes(person.role)) throw new ForbiddenException(`Not for the ${person.role} role`);
    request.person = person;
    request.session = hashToken(token);
    return true;
  }
}

/** What one person gave never lands under the name of another, whoever is signed in by now. */
function ofItsGiver(body: unknown, person: Person): void {
  const giver = typeof body === 'object' && body !== null && 'giver' in body ? body.giver : undefined;
  if (typeof giver === 'string' && giver !== person.id)
    throw new ForbiddenException({ message: `${person.name} did not give this`, code: OTHER_HANDS });
}
