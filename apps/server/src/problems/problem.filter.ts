import { Catch, HttpException, HttpStatus, Logger, type ArgumentsHost, type ExceptionFilter } from '@nestjs/common';
import type { Problem } from '@jubb/contract';
import { JubbError } from '@jubb/core/error';
import type { Request, Response } from 'express';
import { BodyError } from '../bounds/check-json.ts';
import { databaseError, databaseIsAway, diskIsFull } from '../database/database-errors.ts';
import { RefusedException } from './refused.exception.ts';

const TITLES: Readonly<Record<number, string>> = {
  400: 'Not accepted',
  401: 'Sign in first',
  403: 'Not for this role',
  404: 'Not there',
  409: 'Refused',
  413: 'Too large',
  414: 'Too long',
  415: 'Not JSON',
  422: 'Cannot be reckoned',
  429: 'Too many tries',
  500: 'Something broke here',
  503: 'Not ready',
  507: 'The disk is full',
};

/** Turns every error into problem details (RFC 9457). The one place where codes become HTTP statuses. */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  private readonly log = new Logger('problem');

  catch(error: unknown, host: ArgumentsHost): void {
    const http = host.switchToHttp();
    const request = http.getRequest<Request>();
    const response = http.getResponse<Response>();
    const problem = this.problemOf(error, request);
    if (problem.status === 503) response.setHeader('Retry-After', '2');
    else if (problem.status >= 500)
      this.log.error(error instanceof Error ? (error.stack ?? error.message) : String(error));
    if (response.headersSent) {
      response.end();
      return;
    }
    response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
  }

  private problemOf(error: unknown, request: Request): Problem & Record<string, unknown> {
    const at = (status: number, detail: string, more: object = {}): Problem & Record<string, unknown> => ({
      type: 'about:blank',
      title: TITLES[status] ?? 'Error',
      status,
      detail,
      instance: request.originalUrl,
      ...more,
    });
    if (error instanceof RefusedException)
      return at(HttpStatus.CONFLICT, error.message, { code: error.body.refusal.code, ...error.body });
    if (error instanceof JubbError) return at(HttpStatus.UNPROCESSABLE_ENTITY, error.message, { ...error.toJSON() });
    if (error instanceof HttpException) {
      const body = error.getResponse();
      const said = typeof body === 'object' ? (body as { errors?: unknown; code?: unknown }) : {};
      return at(error.getStatus(), error.message, {
        ...(said.errors === undefined ? {} : { errors: said.errors }),
        ...(said.code === undefined ? {} : { code: said.code }),
      });
    }
    if (error instanceof BodyError) return at(error.status, error.message);
    if (diskIsFull(error))
      return at(507, 'The workshop’s disk is full: nothing was written. What is there can be read.');
    if (databaseIsAway(error))
      return at(HttpStatus.SERVICE_UNAVAILABLE, 'The database does not answer. Nothing was written; try again.');
    // A value that no column takes: class 22 of PostgreSQL's codes, data exception.
    if (databaseError(error)?.code.startsWith('22'))
      return at(HttpStatus.BAD_REQUEST, 'One of the values cannot be kept: too large, or no value of its kind');
    // Body parser and router errors carry a status of their own.
    const status = (error as { status?: unknown } | null)?.status;
    if (typeof status === 'number' && status >= 400 && status < 500)
      return at(status, status === 413 ? 'The request is too large' : 'The request cannot be read');
    return at(
      HttpStatus.INTERNAL_SERVER_ERROR,
      'Nothing was written. Try again; if it comes back, the log of the server says more.',
    );
  }
}
