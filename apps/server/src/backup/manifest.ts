import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';

/** What this release writes. The first form had no manifest, and its sums stood in `sums`. */
export const BACKUP_FORM = 'jubb-backup/2';
export const FIRST_FORM = 'jubb-backup/1';
export const MANIFEST = 'manifest.json';
/** As `sha256sum -c` reads it: whoever has the file can check it without Jubb. */
export const SUMS = 'SHA256SUMS';
export const DUMP = 'database.dump';
/** What may stand in a backup: nothing else is unpacked. */
export const KEY_FILES = ['keys/workshop.pem', 'keys/workshop.pub'] as const;

export interface BackupFile {
  readonly name: string;
  readonly bytes: number;
  /** Hex. */
  readonly sha256: string;
}
/** What a backup says of itself: it stands first in the file. */
export interface BackupManifest {
  readonly form: typeof BACKUP_FORM;
  readonly made: string;
  readonly shop: string;
  /** The newest migration that the database had. */
  readonly migration: string;
  /** Major version of the PostgreSQL that wrote the dump. */
  readonly postgres: number;
  readonly jobs: number;
  readonly events: number;
  readonly pictures: number;
  readonly files: readonly BackupFile[];
}

/** A file that is not restored, and why, in words. */
export class BackupRefused extends Error {}

/** SHA-256 of a file, hex, read in pieces. */
export async function fileSum(path: string): Promise<string> {
  const hash = createHash('sha256');
  for await (const piece of createReadStream(path)) hash.update(piece as Buffer);
  return hash.digest('hex');
}

/** The text that `sha256sum -c` reads. */
export const sumsText = (files: readonly Pick<BackupFile, 'name' | 'sha256'>[]): string =>
  files.map((f) => `${f.sha256}  ${f.name}\n`).join('');

/** @throws BackupRefused for text that is no such list */
export function readSums(text: string): readonly Pick<BackupFile, 'name' | 'sha256'>[] {
  return text
    .split('\n')
    .filter((l) => l !== '')
    .map((l) => {
      const found = /^([0-9a-f]{64}) {2}([\w./-]+)$/.exec(l);
      if (!found) throw new BackupRefused('is damaged: its list of sums cannot be read');
      return { sha256: found[1]!, name: found[2]! };
    });
}

/**
 * A manifest as it was written.
 * @param known names of the migrations that this release has
 * @throws BackupRefused for text that is none, and for one of a newer release
 */
export function readManifest(text: string, known: readonly string[], postgres: number): BackupManifest {
  let read: Partial<BackupManifest> | null;
  try {
    read = JSON.parse(text) as Partial<BackupManifest> | null;
  } catch {
    throw new BackupRefused('is damaged: its manifest cannot be read');
  }
  const form: unknown = read?.form;
  if (form !== BACKUP_FORM)
    throw new BackupRefused(`is of a form that this release does not know (${JSON.stringify(form) ?? 'none'})`);
  const m = read as BackupManifest;
  if (
    typeof m.migration !== 'string' ||
    typeof m.postgres !== 'number' ||
    !Array.isArray(m.files) ||
    !m.files.every(
      (f: Partial<BackupFile>) =>
        typeof f.name === 'string' && typeof f.bytes === 'number' && typeof f.sha256 === 'string',
    )
  )
    throw new BackupRefused('is damaged: its manifest lacks something');
  if (!known.includes(m.migration))
    throw new BackupRefused(`was made by a newer release of Jubb (its database has ${m.migration})`);
  if (m.postgres > postgres)
    throw new BackupRefused(`was made with PostgreSQL ${m.postgres}, and ${postgres} is installed here`);
  return m;
}
