import { join, resolve } from 'node:path';

/** Where things are and on which ports, read once from the environment. */
export interface Config {
  readonly port: number;
  readonly host: string;
  readonly databaseUrl: string;
  /** Holds the signing key. */
  readonly dataDir: string;
  /** The built web app; absent when only the API is wanted. */
  readonly webDir: string | undefined;
  readonly libraryDir: string;
  /** host:port of the stand-ins. */
  readonly standIns: string;
  /** Address of the supplier's service. */
  readonly supplier: string;
  readonly secureCookie: boolean;
}

export const CONFIG = Symbol('config');

export function readConfig(env: NodeJS.ProcessEnv): Config {
  const databaseUrl = env['DATABASE_URL'];
  if (!databaseUrl) throw new Error('DATABASE_URL is not set: start with ./jubb start, which sets it');
  return {
    port: Number(env['PORT'] ?? 7800),
    host: env['JUBB_HOST'] ?? '127.0.0.1',
    databaseUrl,
    dataDir: resolve(env['JUBB_DATA'] ?? '.jubb'),
    webDir: env['JUBB_WEB'] ? resolve(env['JUBB_WEB']) : undefined,
    libraryDir: resolve(env['JUBB_LIBRARY'] ?? join(process.cwd(), 'library')),
    standIns: env['JUBB_STAND_INS'] ?? '127.0.0.1:7811',
    supplier: env['JUBB_SUPPLIER'] ?? 'http://127.0.0.1:7813',
    secureCookie: env['JUBB_SECURE_COOKIE'] === 'yes',
  };
}
