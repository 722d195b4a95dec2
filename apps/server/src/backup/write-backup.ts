import { createHash } from 'node:crypto';
import { once } from 'node:events';
import { createReadStream, createWriteStream } from 'node:fs';
import { mkdtemp, open, readdir, rename, rm, stat } from 'node:fs/promises';
import { basename, dirname, join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { text } from 'node:stream/consumers';
import pg from 'pg';
import { pack } from 'tar-stream';
import {
  BACKUP_FORM,
  DUMP,
  fileSum,
  KEY_FILES,
  MANIFEST,
  SUMS,
  sumsText,
  type BackupFile,
  type BackupManifest,
} from './manifest.ts';
import { summed } from './summed.ts';
import { pgMajor, startDump } from './pg-programs.ts';

export interface BackupSource {
  readonly databaseUrl: string;
  /** Holds `keys/`. */
  readonly dataDir: string;
}

/**
 * The database and the signing key as one tar: a manifest, sums, PostgreSQL's own dump of one moment, the key. Whatever its
 * size it goes through in pieces. The file is there whole or not at all, and read by its owner alone.
 * @throws Error when the database cannot be read, the file is there already, or the disk is full
 */
export async function writeBackup(source: BackupSource, file: string, now: Date): Promise<BackupManifest> {
  const work = await mkdtemp(join(dirname(file), '.backup-'));
  try {
    const dumped = await dump(source.databaseUrl, join(work, DUMP));
    const keys = (await readdir(join(source.dataDir, 'keys'))).map((name) => `keys/${name}`);
    const parts: (BackupFile & { readonly at: string })[] = [{ ...dumped.file, at: join(work, DUMP) }];
    for (const name of KEY_FILES.filter((k) => keys.includes(k))) {
      const at = join(source.dataDir, name);
      parts.push({ name, bytes: (await stat(at)).size, sha256: await fileSum(at), at });
    }
    const files = parts.map(({ name, bytes, sha256 }) => ({ name, bytes, sha256 }));
    const manifest: BackupManifest = { form: BACKUP_FORM, made: now.toISOString(), ...dumped.facts, files };
    await tarOf(manifest, parts, join(work, 'whole.tar'), now);
    // A name that is taken is never written over.
    await (await open(file, 'wx', 0o600)).close();
    await rename(join(work, 'whole.tar'), file);
    return manifest;
  } finally {
    await rm(work, { recursive: true, force: true });
  }
}

type Facts = Omit<BackupManifest, 'form' | 'made' | 'files'>;

/** Dumps what one transaction sees, and counts in the same one. */
async function dump(databaseUrl: string, to: string): Promise<{ readonly file: BackupFile; readonly facts: Facts }> {
  const client = new pg.Client({ connectionString: databaseUrl, connectionTimeoutMillis: 5000 });
  await client.connect();
  try {
    await client.query('BEGIN ISOLATION LEVEL REPEATABLE READ READ ONLY');
    const { rows } = await client.query<Facts & { snapshot: string }>(
      `SELECT pg_export_snapshot() AS snapshot, (SELECT name FROM workshop) AS shop,
         (SELECT name FROM migrations ORDER BY "timestamp" DESC LIMIT 1) AS migration,
         (SELECT count(*)::int FROM job) AS jobs, (SELECT count(*)::int FROM job_event) AS events,
         (SELECT count(*)::int FROM photo) AS pictures`,
    );
    const { snapshot, ...facts } = rows[0]!;
    const child = await startDump(databaseUrl, snapshot);
    const ended = once(child, 'close') as Promise<[number | null]>;
    const said = text(child.stderr);
    const { through, sum } = summed();
    await pipeline(child.stdout, through, createWriteStream(to, { mode: 0o600 }));
    const [code] = await ended;
    if (code !== 0) throw new Error(`the database could not be read: ${(await said).trim().split('\n').at(-1) ?? ''}`);
    return { file: { name: DUMP, ...sum() }, facts: { ...facts, postgres: await pgMajor() } };
  } finally {
    await client.end();
  }
}

async function tarOf(
  manifest: BackupManifest,
  parts: readonly (BackupFile & { readonly at: string })[],
  to: string,
  now: Date,
): Promise<void> {
  const tar = pack();
  const whole = pipeline(tar, createWriteStream(to, { mode: 0o600, flush: true }));
  const words = `${JSON.stringify(manifest, null, 2)}\n`;
  const own = { name: MANIFEST, sha256: createHash('sha256').update(words).digest('hex') };
  tar.entry({ name: MANIFEST, mtime: now, mode: 0o600 }, words);
  tar.entry({ name: SUMS, mtime: now, mode: 0o600 }, sumsText([own, ...manifest.files]));
  const fill = async (): Promise<void> => {
    for (const { name, bytes, at } of parts)
      await pipeline(createReadStream(at), tar.entry({ name, size: bytes, mtime: now, mode: 0o600 }));
    tar.finalize();
  };
  await Promise.all([whole, fill()]);
}

/** The name of a backup of a shop at a time, by its own clock: nothing that a file's name must not hold. */
export const backupName = (at: Date, nightly: boolean): string =>
  `jubb-${at.toISOString().slice(0, 19).replace(/[:]/g, '').replace('T', '-')}${nightly ? '-night' : ''}.tar`;

export const isNightly = (file: string): boolean => basename(file).endsWith('-night.tar');
