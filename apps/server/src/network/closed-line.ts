import { Logger } from '@nestjs/common';
import type { NestExpressApplication } from '@nestjs/platform-express';
import type { Server as HttpsServer } from 'node:https';
import { hostname } from 'node:os';
import pg from 'pg';
import type { Config } from '../config/config.ts';
import { cardAddresses } from './addresses.ts';
import { guideServer } from './guide.ts';
import { NetworkService } from './network.service.ts';
import { readyTls, type Tls } from './tls-files.ts';

const logger = new Logger('network');
const LOOK_MS = 10 * 60_000;
/** PostgreSQL: there is no such table. */
const NO_TABLE = '42P01';

/** By what this machine may be asked for. */
export const ownNames = (): string[] => [
  ...new Set([
    'localhost',
    hostname().toLowerCase(),
    `${hostname().toLowerCase()}.local`,
    '127.0.0.1',
    ...cardAddresses(),
  ]),
];

/** What the shop is called; before its first start there is none that is. */
async function shopName(databaseUrl: string): Promise<string> {
  const client = new pg.Client({ connectionString: databaseUrl, connectionTimeoutMillis: 5000 });
  await client.connect();
  try {
    const { rows } = await client.query<{ name: string }>('SELECT name FROM workshop WHERE id = 1');
    return rows[0]?.name ?? 'Workshop';
  } catch (e) {
    if ((e as { code?: string }).code === NO_TABLE) return 'Workshop';
    throw e;
  } finally {
    await client.end();
  }
}

/** The certificates of a server that speaks https itself; undefined for one that does not. */
export async function tlsOf(config: Config, now: Date): Promise<Tls | undefined> {
  if (!config.https) return undefined;
  return readyTls(config.dataDir, await shopName(config.databaseUrl), ownNames(), now);
}

/**
 * Opens the plain page beside a server that speaks https, and has the certificate made anew while it runs, when it runs out or
 * the machine gets another address. Both end with the application.
 */
export async function openGuide(app: NestExpressApplication, config: Config, tls: Tls): Promise<void> {
  const network = app.get(NetworkService);
  network.authority = tls.authority;
  const guide = guideServer(tls.authority, await shopName(config.databaseUrl), config.port);
  await new Promise<void>((resolve, reject) => {
    guide.once('error', reject);
    guide.listen(config.guidePort, config.host, resolve);
  });
  let { cert } = tls.server;
  const timer = setInterval(() => {
    readyTls(config.dataDir, '', ownNames(), new Date())
      .then(({ server }) => {
        if (server.cert === cert) return;
        ({ cert } = server);
        (app.getHttpServer() as HttpsServer).setSecureContext(server);
      })
      .catch((e: Error) => logger.warn(`the certificate could not be looked at: ${e.message}`));
  }, LOOK_MS);
  timer.unref();
  network.closeGuide = () => {
    clearInterval(timer);
    guide.close();
  };
}
