import { createParamDecorator, SetMetadata, type CustomDecorator, type ExecutionContext } from '@nestjs/common';
import type { Role } from '@jubb/contract';
import type { Request } from 'express';
import type { Person } from './person.entity.ts';

export const ACCESS = 'access';
export type Access = 'anyone' | readonly Role[];

/** Who may call a route. A route that says nothing is closed to all. */
export const AllowedFor = (...roles: Role[]): CustomDecorator => SetMetadata(ACCESS, roles);
export const AllowedForAnyone = (): CustomDecorator => SetMetadata(ACCESS, 'anyone');

export const OF_ITS_GIVER = 'of-its-giver';
/**
 * What is sent says who gave it, and is that person's alone: other hands are told so before their role is looked at. A device that
 * does not know yet whose hands are on it keeps what waits, and does not hear that it is refused for good.
 */
export const OfItsGiver = (): CustomDecorator => SetMetadata(OF_ITS_GIVER, true);

export const EVERY_ROLE: readonly Role[] = ['owner', 'mechanic', 'parts'];

export interface SignedInRequest extends Request {
  person?: Person;
  /** Hash of the session's token. */
  session?: string;
}

/** The session signed in, by the hash of its token. */
export const MySession = createParamDecorator((_: unknown, context: ExecutionContext): string => {
  const { session } = context.switchToHttp().getRequest<SignedInRequest>();
  if (!session) throw new Error('a route that asks for the session must be closed to strangers');
  return session;
});

/** The person signed in. */
export const Me = createParamDecorator((_: unknown, context: ExecutionContext): Person => {
  const { person } = context.switchToHttp().getRequest<SignedInRequest>();
  if (!person) throw new Error('a route that asks who it is must be closed to strangers');
  return person;
});
