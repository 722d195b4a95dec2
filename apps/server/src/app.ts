import type { LoggerService } from '@nestjs/common';
import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { SwaggerModule } from '@nestjs/swagger';
import cookieParser from 'cookie-parser';
import express, { type NextFunction, type Request, type Response } from 'express';
import helmet from 'helmet';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { pino } from 'pino';
import { pinoHttp } from 'pino-http';
import { AppModule } from './app.module.ts';
import type { Config } from './config/config.ts';
import { openApi } from './openapi.ts';
import { ProblemFilter } from './problems/problem.filter.ts';
import { validationPipe } from './problems/validation.ts';

/** Makes the application, ready to listen. */
export async function makeApp(
  config: Config,
  logLevel = process.env['JUBB_LOG'] ?? 'info',
): Promise<NestExpressApplication> {
  const log = pino({ level: logLevel });
  const app = await NestFactory.create<NestExpressApplication>(AppModule.with(config), {
    logger: nestLogger(log),
    bodyParser: false,
    abortOnError: false,
  });
  app.use(
    pinoHttp({
      logger: log,
      genReqId: () => randomUUID(),
      autoLogging: { ignore: (r) => !r.url?.startsWith('/api') || r.url.startsWith('/api/health') },
      redact: ['req.headers.cookie', 'res.headers["set-cookie"]'],
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
      strictTransportSecurity: false,
    }),
  );
  app.use(express.json({ limit: '4mb', verify: refuseNul }));
  app.use(cookieParser());
  app.useGlobalPipes(validationPipe());
  app.useGlobalFilters(new ProblemFilter());
  app.enableShutdownHooks();
  SwaggerModule.setup('api/docs', app, openApi(app));
  if (config.webDir) serveWeb(app, config.webDir);
  await app.init();
  return app;
}

/** A NUL cannot be stored as text; said at the door instead of failing at the table. */
function refuseNul(_request: unknown, _response: unknown, body: Buffer): void {
  if (/\\u0000/.test(body.toString('utf8'))) throw Object.assign(new Error('a NUL character'), { status: 400 });
}

function serveWeb(app: NestExpressApplication, webDir: string): void {
  app.use('/assets', express.static(join(webDir, 'assets'), { immutable: true, maxAge: '365d', fallthrough: false }));
  app.use(express.static(webDir, { index: false, setHeaders: (r) => void r.setHeader('Cache-Control', 'no-cache') }));
  app.use((request: Request, response: Response, next: NextFunction) => {
    if (request.method !== 'GET' || request.path.startsWith('/api') || !request.accepts('html')) return next();
    response.sendFile(join(webDir, 'index.html'), { headers: { 'Cache-Control': 'no-cache' } });
  });
}

function nestLogger(log: pino.Logger): LoggerService {
  const say =
    (level: 'info' | 'error' | 'warn' | 'debug' | 'trace') =>
    (message: unknown, ...rest: unknown[]): void =>
      log[level]({ context: rest.at(-1) }, String(message));
  return { log: say('debug'), error: say('error'), warn: say('warn'), debug: say('debug'), verbose: say('trace') };
}
