import { join, resolve } from 'node:path';

/** Where things are and on which ports, read once from the environment. */
export interface Config {
  readonly port: number;
  readonly host: string;
  readonly databaseUrl: string;
  /** Holds the signing key. */
  readonly dataDir: string;
  /** Where backups are put; best on another disk. */
  readonly backupDir: string;
  /** The built web app; absent when only the API is wanted. */
  readonly webDir: string | undefined;
  readonly libraryDir: string;
  /** host:port of the stand-ins. */
  readonly standIns: string;
  /** Address of the supplier's service. */
  readonly supplier: string;
  readonly secureCookie: boolean;
  /** The address that people use, where it is not what this server listens on. */
  readonly publicUrl: string | undefined;
  /** A proxy of ours stands before it: the asker's address is the one that it says. */
  readonly behindProxy: boolean;
  /** It speaks https itself, with the shop's own authority. */
  readonly https: boolean;
  /** Where a plain page says how a device takes that authority in. */
  readonly guidePort: number;
  /** Writing stops while the disk of the data folder has less than this, bytes. */
  readonly leastFree: number;
}

/** Can other machines reach it? */
export const onNetwork = ({ host, publicUrl }: Pick<Config, 'host' | 'publicUrl'>): boolean =>
  publicUrl !== undefined || !/^(127\.|localhost$|::1$)/.test(host);

export const CONFIG = Symbol('config');

export function readConfig(env: NodeJS.ProcessEnv): Config {
  const databaseUrl = env['DATABASE_URL'];
  if (!databaseUrl) throw new Error('DATABASE_URL is not set: start with ./jubb start, which sets it');
  const publicUrl = env['JUBB_URL'] || undefined;
  if (publicUrl !== undefined && !/^https?:\/\/[^/]+$/.test(publicUrl))
    throw new Error(`JUBB_URL is "${publicUrl}"; an address such as https://bench.example is due, with no path`);
  const dataDir = resolve(env['JUBB_DATA'] ?? '.jubb');
  const https = env['JUBB_HTTPS'] === 'yes';
  return {
    port: Number(env['PORT'] ?? 7800),
    host: env['JUBB_HOST'] ?? '127.0.0.1',
    databaseUrl,
    dataDir,
    backupDir: resolve(env['JUBB_BACKUPS'] || join(dataDir, 'backups')),
    webDir: env['JUBB_WEB'] ? resolve(env['JUBB_WEB']) : undefined,
    libraryDir: resolve(env['JUBB_LIBRARY'] ?? join(process.cwd(), 'library')),
    standIns: env['JUBB_STAND_INS'] ?? '127.0.0.1:7811',
    supplier: env['JUBB_SUPPLIER'] ?? 'http://127.0.0.1:7813',
    secureCookie: https || env['JUBB_SECURE_COOKIE'] === 'yes' || publicUrl?.startsWith('https:') === true,
    publicUrl,
    behindProxy: env['JUBB_PROXY'] === 'yes',
    https,
    guidePort: Number(env['JUBB_GUIDE_PORT'] ?? 7801),
    leastFree: Number(env['JUBB_LEAST_FREE_MB'] ?? 64) * 1024 * 1024,
  };
}
