import { BadRequestException, UnauthorizedException, UnsupportedMediaTypeException } from '@nestjs/common';
import express, { type NextFunction, type Request, type RequestHandler, type Response } from 'express';
import { boundOf, USUAL_BODY } from './bounds.ts';
import { parseBody } from './check-json.ts';

const readers = new Map<number, RequestHandler>();
/** A reader that stops at so many bytes, whatever kind of text it is. */
function readerOf(bytes: number): RequestHandler {
  const known = readers.get(bytes);
  if (known) return known;
  const made = express.raw({ type: () => true, limit: bytes });
  readers.set(bytes, made);
  return made;
}

/** What is sent after a refusal is heard out up to this, so that the sender gets its answer, and kept nowhere. */
const HEARD_OUT_BYTES = 16 * 1024 * 1024;

/** Lets the rest of a refused body run into nothing; one that never ends loses its connection. */
function letRunOut(request: Request): void {
  let bytes = 0;
  request.on('data', (chunk: Buffer) => {
    bytes += chunk.length;
    if (bytes > HEARD_OUT_BYTES) request.destroy();
  });
  request.resume();
}

/**
 * Reads JSON bodies within the bound of their route. More than a form is read only for somebody who is signed in: a
 * stranger costs a few kilobytes, whatever is sent.
 */
export function readBody(isSignedIn: (request: Request) => Promise<boolean>): RequestHandler {
  return (request: Request, response: Response, next: NextFunction): void => {
    const type = request.headers['content-type'] ?? '';
    // Forms with files are read, within bounds of their own, once the guard has let them in.
    if (request.method === 'GET' || request.method === 'HEAD' || /^multipart\/form-data/i.test(type)) return next();
    const bound = boundOf(request.method, request.path);
    const read = (): void => {
      readerOf(bound.bytes)(request, response, (error?: unknown) => {
        if (error) {
          letRunOut(request);
          return next(error);
        }
        const bytes: unknown = request.body;
        if (!Buffer.isBuffer(bytes) || bytes.length === 0) {
          request.body = undefined;
          return next();
        }
        if (!/^application\/([\w.+-]+\+)?json\b/i.test(type))
          return next(new UnsupportedMediaTypeException('A body is JSON: content-type application/json'));
        if (!bound.raw)
          try {
            request.body = parseBody(bytes.toString('utf8'), bound);
            const wrong = bound.check?.(request.body);
            if (wrong)
              throw new BadRequestException({
                message: `${wrong.field}: ${wrong.says}`,
                errors: { [wrong.field]: [wrong.says] },
              });
          } catch (e) {
            return next(e);
          }
        next();
      });
    };
    if (bound.bytes <= USUAL_BODY.bytes) return read();
    isSignedIn(request)
      .then((yes) => {
        if (yes) read();
        else {
          letRunOut(request);
          next(new UnauthorizedException('Press your name and type your PIN'));
        }
      })
      .catch(next);
  };
}
