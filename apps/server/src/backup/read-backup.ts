import { createReadStream, createWriteStream } from 'node:fs';
import { mkdir, readFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { extract } from 'tar-stream';
import { summed } from './summed.ts';
import {
  BackupRefused,
  DUMP,
  FIRST_FORM,
  KEY_FILES,
  MANIFEST,
  readManifest,
  readSums,
  SUMS,
  type BackupFile,
} from './manifest.ts';

const FIRST_FORM_FILES = ['form', 'sums'];
const FOLDERS = ['keys', 'keys/'];
const KNOWN = new Set<string>([MANIFEST, SUMS, DUMP, ...KEY_FILES, ...FIRST_FORM_FILES]);
/** A manifest and its sums are small; only the dump is not. */
const MOST_SMALL = 1024 * 1024;

/** What a backup holds, once it was found whole. */
export interface ReadBackup {
  /** When it was made; undefined in the first form. */
  readonly made: string | undefined;
  readonly jobs: number | undefined;
  readonly events: number | undefined;
}

/**
 * Unpacks a backup into an empty folder, and checks all of it: which files it holds, their sums, that no newer release made it.
 * @param migrations names of the migrations that this release has
 * @param postgres major version of the PostgreSQL that is to read it
 * @throws BackupRefused with why, in words that follow the file's name
 */
export async function readBackup(
  file: string,
  into: string,
  migrations: readonly string[],
  postgres: number,
): Promise<ReadBackup> {
  const held = await unpack(file, into);
  const isHeld = (name: string): boolean => held.some((h) => h.name === name);
  if (isHeld(MANIFEST)) {
    const words = await readFile(join(into, MANIFEST), 'utf8');
    const manifest = readManifest(words, migrations, postgres);
    const listed = readSums(isHeld(SUMS) ? await readFile(join(into, SUMS), 'utf8') : '');
    compare(held, [...manifest.files, ...listed]);
    if (!manifest.files.some((f) => f.name === DUMP) || !listed.some((f) => f.name === MANIFEST))
      throw new BackupRefused('is damaged: it holds no database');
    return manifest;
  }
  if (!isHeld('form')) throw new BackupRefused('is no backup of Jubb: it has no manifest');
  const form = (await readFile(join(into, 'form'), 'utf8')).trim();
  if (form !== FIRST_FORM)
    throw new BackupRefused(`is of a form that this release does not know (${form.slice(0, 40)})`);
  if (!isHeld('sums') || !isHeld(DUMP)) throw new BackupRefused('is damaged: it holds no database');
  compare(held, readSums(await readFile(join(into, 'sums'), 'utf8')));
  return { made: undefined, jobs: undefined, events: undefined };
}

function compare(held: readonly BackupFile[], wanted: readonly Pick<BackupFile, 'name' | 'sha256'>[]): void {
  for (const { name, sha256 } of wanted) {
    const found = held.find((h) => h.name === name);
    if (!found) throw new BackupRefused(`is damaged: ${name} is not in it`);
    if (found.sha256 !== sha256) throw new BackupRefused(`is damaged: the sum of ${name} does not agree`);
  }
}

async function unpack(file: string, into: string): Promise<BackupFile[]> {
  const held: BackupFile[] = [];
  const tar = extract();
  tar.on('entry', ({ name, type, size }, entry, next) => {
    // What breaks an entry breaks the whole, which says so below.
    entry.on('error', () => undefined);
    takeEntry({ name, type: type ?? 'file', size: size ?? 0 }, entry, into, held).then(() => next(), next);
  });
  try {
    await pipeline(createReadStream(file), tar);
  } catch (e) {
    // A disk that is full says so itself: the backup may be good.
    if (e instanceof BackupRefused || (e as NodeJS.ErrnoException).syscall !== undefined) throw e;
    throw new BackupRefused(`is no backup of Jubb, or damaged: ${(e as Error).message}`);
  }
  return held;
}

async function takeEntry(
  { name, type, size }: { readonly name: string; readonly type: string; readonly size: number },
  entry: AsyncIterable<unknown> & { resume(): void },
  into: string,
  held: BackupFile[],
): Promise<void> {
  if (type === 'directory' && FOLDERS.includes(name)) return entry.resume();
  if (type !== 'file' || !KNOWN.has(name))
    throw new BackupRefused(`is no backup of Jubb: it holds "${name.slice(0, 60)}"`);
  if (held.some((h) => h.name === name)) throw new BackupRefused(`is damaged: it holds ${name} twice`);
  if (name !== DUMP && size > MOST_SMALL) throw new BackupRefused(`is damaged: its ${name} is too large`);
  held.push(await unpackOne(entry, name, join(into, name)));
}

async function unpackOne(entry: AsyncIterable<unknown>, name: string, to: string): Promise<BackupFile> {
  const { through, sum } = summed();
  await mkdir(dirname(to), { recursive: true });
  await pipeline(entry, through, createWriteStream(to, { mode: 0o600 }));
  return { name, ...sum() };
}
