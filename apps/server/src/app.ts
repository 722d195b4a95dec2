import type { INestApplication, LoggerService } from '@nestjs/common';
import { UnauthorizedException } from '@nestjs/common';
import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { SwaggerModule } from '@nestjs/swagger';
import cookieParser from 'cookie-parser';
import type { NextFunction, Request, Response } from 'express';
import helmet from 'helmet';
import { randomUUID } from 'node:crypto';
import type { Server } from 'node:http';
import { pino } from 'pino';
import { pinoHttp } from 'pino-http';
import { AppModule } from './app.module.ts';
import type { SignedInRequest } from './auth/access.ts';
import { AuthService } from './auth/auth.service.ts';
import { cookieOf, sessionCookie } from './auth/cookies.ts';
import { TIMES } from './bounds/bounds.ts';
import { readBody } from './bounds/read-body.ts';
import { boundedUrl, sameOrigin } from './bounds/same-origin.ts';
import type { Config } from './config/config.ts';
import type { Tls } from './network/tls-files.ts';
import { openApi } from './openapi.ts';
import { ProblemFilter } from './problems/problem.filter.ts';
import { validationPipe } from './problems/validation.ts';

/**
 * Makes the application, ready to listen.
 * @param tls with what it speaks https itself
 */
export async function makeApp(
  config: Config,
  log: pino.Logger = pino({ level: 'silent' }),
  tls?: Tls,
): Promise<NestExpressApplication> {
  const app = await NestFactory.create<NestExpressApplication>(AppModule.with(config), {
    logger: nestLogger(log),
    bodyParser: false,
    abortOnError: false,
    // Streams to browsers stay open for hours: stopping does not wait for them.
    forceCloseConnections: true,
    ...(tls ? { httpsOptions: tls.server } : {}),
  });
  const auth = app.get(AuthService);
  const isSignedIn = async (request: SignedInRequest): Promise<boolean> => {
    const token = cookieOf(request, sessionCookie(config));
    const person = token === undefined ? undefined : await auth.whoIs(token, new Date());
    if (person) request.person = person;
    return person !== undefined;
  };
  app.set('query parser', 'simple');
  if (config.behindProxy) app.set('trust proxy', 1);
  app.use(
    pinoHttp({
      logger: log,
      genReqId: () => randomUUID(),
      autoLogging: { ignore: (r) => !r.url?.startsWith('/api') || r.url.startsWith('/api/health') },
      redact: ['req.headers.cookie', 'res.headers["set-cookie"]'],
      serializers: { req: (r: { url: string }) => ({ ...r, url: withoutToken(r.url) }) },
    }),
  );
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          'default-src': ["'self'"],
          'script-src': ["'self'", "'wasm-unsafe-eval'"],
          'style-src': ["'self'", "'unsafe-inline'"],
          'img-src': ["'self'", 'data:', 'blob:'],
          'worker-src': ["'self'"],
          'connect-src': ["'self'"],
          'upgrade-insecure-requests': null,
        },
      },
      // Once over https, always: but a plain address of a workshop's network stays what it is.
      // With https of our own its guide is plain, on another port of the same name, and HSTS would close that too.
      strictTransportSecurity:
        config.secureCookie && !config.https ? { maxAge: 365 * 86_400, includeSubDomains: false } : false,
    }),
  );
  app.use(boundedUrl);
  app.use(sameOrigin(config.publicUrl));
  // What the API answers is somebody's: a handler that allows keeping it says so itself.
  app.use('/api', (_request: Request, response: Response, next: NextFunction) => {
    response.setHeader('Cache-Control', 'no-store');
    next();
  });
  app.use(cookieParser());
  app.use('/api/docs', closed(isSignedIn));
  app.use('/api/docs-json', closed(isSignedIn));
  app.use('/api/docs-yaml', closed(isSignedIn));
  app.use(readBody(isSignedIn));
  app.useGlobalPipes(validationPipe());
  app.useGlobalFilters(new ProblemFilter());
  app.enableShutdownHooks();
  SwaggerModule.setup('api/docs', app, openApi(app));
  await app.init();
  boundTimes(app);
  return app;
}

/** Nobody holds a connection by sending slowly. */
function boundTimes(app: INestApplication): void {
  const server = app.getHttpServer() as Server;
  server.headersTimeout = TIMES.headersMs;
  server.requestTimeout = TIMES.requestMs;
}

/** For pages that no controller answers: nobody but who is signed in. */
function closed(isSignedIn: (request: Request) => Promise<boolean>) {
  return (request: Request, _response: Response, next: NextFunction): void => {
    isSignedIn(request)
      .then((yes) => next(yes ? undefined : new UnauthorizedException('Press your name and type your PIN')))
      .catch(next);
  };
}

/** The calendar's address is its key: it stands in no log. */
export const withoutToken = (url: string): string => url.replace(/(\/api\/calendar\/)[^/?]+(\.ics)/, '$1…$2');

function nestLogger(log: pino.Logger): LoggerService {
  const say =
    (level: 'info' | 'error' | 'warn' | 'debug' | 'trace') =>
    (message: unknown, ...rest: unknown[]): void =>
      log[level]({ context: rest.at(-1) }, String(message));
  return { log: say('debug'), error: say('error'), warn: say('warn'), debug: say('debug'), verbose: say('trace') };
}
