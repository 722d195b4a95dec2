import { ForbiddenException, HttpException } from '@nestjs/common';
import type { NextFunction, Request, RequestHandler, Response } from 'express';
import { LONGEST_URL } from './bounds.ts';
import { BodyError, isWellFormed } from './check-json.ts';

const READS: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS']);

/**
 * Refuses writes that another page asks for, on this host or any other: by what the browser says of where a request comes
 * from (Fetch Metadata), else by its Origin. What is no browser says neither, and has no cookie that it did not ask for.
 * @param publicUrl the address that people use, where a proxy stands before the server
 */
export function sameOrigin(publicUrl: string | undefined): RequestHandler {
  const own = publicUrl === undefined ? undefined : new URL(publicUrl).origin;
  return (request: Request, _response: Response, next: NextFunction): void => {
    if (READS.has(request.method)) return next();
    const site = request.headers['sec-fetch-site'];
    const { origin } = request.headers;
    const other =
      site !== undefined
        ? site !== 'same-origin' && site !== 'none'
        : origin !== undefined && !(own === undefined ? hostOf(origin) === request.headers.host : origin === own);
    next(other ? new ForbiddenException('Only Jubb’s own pages write here') : undefined);
  };
}

function hostOf(origin: string): string | undefined {
  return URL.canParse(origin) ? new URL(origin).host : undefined;
}

/** Addresses of bounded length that can be read, with nothing in them that cannot be stored. */
export const boundedUrl: RequestHandler = (request, _response, next) => {
  const { url } = request;
  if (url.length > LONGEST_URL) return next(new HttpException('The address is too long', 414));
  try {
    const text = decodeURIComponent(url.replaceAll('+', ' '));
    if (!text.includes('\u0000') && isWellFormed(text)) return next();
  } catch {
    // Said below: what cannot be decoded is no address.
  }
  next(new BodyError(400, 'The address cannot be read'));
};
