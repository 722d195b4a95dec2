import type { CookieOptions, Request } from 'express';
import type { Config } from '../config/config.ts';

type Secure = Pick<Config, 'secureCookie'>;
/** Under https a name that the browser keeps to this very host, whole site and https (RFC 6265bis, `__Host-`). */
const named = (name: string, { secureCookie }: Secure): string => (secureCookie ? `__Host-${name}` : name);
export const sessionCookie = (c: Secure): string => named('jubb_session', c);
export const deviceCookie = (c: Secure): string => named('jubb_device', c);

export const cookieOptions = (c: Secure): CookieOptions => ({
  httpOnly: true,
  sameSite: 'strict',
  secure: c.secureCookie,
  path: '/',
});

/** A cookie as it came; undefined when it is none, or nothing that we ever gave. */
export function cookieOf(request: Request, name: string): string | undefined {
  const value = (request.cookies as Record<string, unknown> | undefined)?.[name];
  return typeof value === 'string' && value.length > 0 && value.length <= 100 ? value : undefined;
}
