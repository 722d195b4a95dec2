import { describe, expect, test } from '@jest/globals';
import { resolve } from 'node:path';
import { onNetwork, readConfig } from './config.ts';

const DATABASE_URL = 'postgres://jubb:x@127.0.0.1:5432/jubb';
const read = (env: NodeJS.ProcessEnv = {}): ReturnType<typeof readConfig> => readConfig({ DATABASE_URL, ...env });

describe('what the environment says', () => {
  test('the database alone is enough; nothing else stands open', () => {
    expect(read()).toMatchObject({
      port: 7800,
      host: '127.0.0.1',
      databaseUrl: DATABASE_URL,
      dataDir: resolve('.jubb'),
      backupDir: resolve('.jubb/backups'),
      webDir: undefined,
      secureCookie: false,
      behindProxy: false,
      https: false,
      leastFree: 64 * 1024 * 1024,
    });
    expect(onNetwork(read())).toBe(false);
  });

  test('what is set is taken, as the kind that it is; set to nothing is not set', () => {
    const config = read({ PORT: '8080', JUBB_LEAST_FREE_MB: '0', JUBB_DATA: '/srv/jubb', JUBB_WEB: '', JUBB_URL: '' });
    expect(config).toMatchObject({ port: 8080, leastFree: 0, backupDir: '/srv/jubb/backups', webDir: undefined });
  });

  test.each([
    [{ JUBB_HTTPS: 'yes' }, true],
    [{ JUBB_SECURE_COOKIE: 'yes' }, true],
    [{ JUBB_URL: 'https://bench.example' }, true],
    [{ JUBB_URL: 'http://bench.example' }, false],
    [{ JUBB_HTTPS: 'no' }, false],
  ])('%j: the cookie goes over a closed line only: %s', (env, secure) => expect(read(env).secureCookie).toBe(secure));

  test.each<[NodeJS.ProcessEnv, string]>([
    [{ DATABASE_URL: undefined }, 'DATABASE_URL is not set: an address of PostgreSQL'],
    [{ DATABASE_URL: 'mysql://x' }, 'DATABASE_URL is none: an address of PostgreSQL'],
    [{ PORT: 'eighty' }, 'PORT is "eighty": a port from 0 to 65535'],
    [{ PORT: '70000' }, 'PORT is "70000"'],
    [
      { JUBB_URL: 'bench.example' },
      'JUBB_URL is "bench.example": an address such as https://bench.example, with no path',
    ],
    [{ JUBB_URL: 'https://bench.example/x' }, 'with no path'],
    [{ JUBB_HTTPS: 'true' }, 'JUBB_HTTPS is "true": yes or no'],
    [{ JUBB_LEAST_FREE_MB: '-1' }, 'megabytes, from 0'],
    [{ JUBB_STAND_INS: 'nowhere' }, 'JUBB_STAND_INS is "nowhere"'],
    [{ JUBB_LOG: 'loud' }, 'JUBB_LOG is "loud": one of fatal'],
  ])('%j is refused by name: %s', (env, says) => expect(() => read(env)).toThrow(says));

  test('a password that came is not said again', () =>
    expect(() => read({ DATABASE_URL: 'mysql://jubb:hunter2@db' })).not.toThrow('hunter2'));

  test('everything that is wrong is said at once', () =>
    expect(() => read({ PORT: 'x', JUBB_PROXY: 'maybe' })).toThrow(/PORT is "x".*JUBB_PROXY is "maybe"/));
});
