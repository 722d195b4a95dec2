import { execFile, spawn, type ChildProcessByStdio } from 'node:child_process';
import { readdir } from 'node:fs/promises';
import type { Readable } from 'node:stream';
import { promisify } from 'node:util';

const DEBIAN = '/usr/lib/postgresql';

/** Where Debian's newest PostgreSQL has its programs; else they are looked for on the path. */
export async function pgProgram(name: string, root = DEBIAN): Promise<string> {
  const versions = await readdir(root).catch((e: NodeJS.ErrnoException) => {
    if (e.code === 'ENOENT') return [];
    throw e;
  });
  const newest = versions
    .map(Number)
    .filter(Number.isFinite)
    .sort((a, b) => b - a)[0];
  return newest === undefined ? name : `${root}/${newest}/bin/${name}`;
}

/** Major version of the installed PostgreSQL programs. */
export async function pgMajor(): Promise<number> {
  const { stdout } = await promisify(execFile)(await pgProgram('pg_dump'), ['--version']);
  return Number(/\d+/.exec(stdout)?.[0]);
}

/** Starts `pg_dump` of one snapshot, in PostgreSQL's own form, to its standard output. The password stands in no list of processes. */
export async function startDump(
  databaseUrl: string,
  snapshot: string,
): Promise<ChildProcessByStdio<null, Readable, Readable>> {
  const url = new URL(databaseUrl);
  const password = decodeURIComponent(url.password);
  url.password = '';
  return spawn(
    await pgProgram('pg_dump'),
    // The queue of work is made anew by itself. Pictures are packed already: a harder pack costs minutes and saves little.
    ['-d', url.href, '-Fc', '--compress=1', '--exclude-schema=pgboss', `--snapshot=${snapshot}`],
    { env: { ...process.env, ...(password ? { PGPASSWORD: password } : {}) }, stdio: ['ignore', 'pipe', 'pipe'] },
  );
}
