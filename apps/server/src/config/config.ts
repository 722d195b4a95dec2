import { getConfigToken } from '@nestjs/config';
import { join, resolve } from 'node:path';
import { readEnvironment } from './environment.ts';

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

/** Under which name the settings stand among Nest's. */
export const CONFIG_NAME = 'jubb';
export const CONFIG = getConfigToken(CONFIG_NAME);

/**
 * Reads where things are, once.
 * @throws Error that names each variable that is wrong, what came and what is accepted
 */
export function readConfig(env: NodeJS.ProcessEnv): Config {
  const read = readEnvironment(env);
  const dataDir = resolve(read.JUBB_DATA);
  const https = read.JUBB_HTTPS === 'yes';
  return {
    port: read.PORT,
    host: read.JUBB_HOST,
    databaseUrl: read.DATABASE_URL,
    dataDir,
    backupDir: resolve(read.JUBB_BACKUPS ?? join(dataDir, 'backups')),
    webDir: read.JUBB_WEB === undefined ? undefined : resolve(read.JUBB_WEB),
    libraryDir: resolve(read.JUBB_LIBRARY),
    standIns: read.JUBB_STAND_INS,
    supplier: read.JUBB_SUPPLIER,
    secureCookie: https || read.JUBB_SECURE_COOKIE === 'yes' || read.JUBB_URL?.startsWith('https:') === true,
    publicUrl: read.JUBB_URL,
    behindProxy: read.JUBB_PROXY === 'yes',
    https,
    guidePort: read.JUBB_GUIDE_PORT,
    leastFree: read.JUBB_LEAST_FREE_MB * 1024 * 1024,
  };
}
