import { spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll } from '@jest/globals';

/** The checkout whose commands are run. */
export const ROOT = process.cwd();

/** A folder of a suite's own, gone when it ends; the database, another user when the tests run as root, may go into it. */
export function workFolder(name: string): string {
  const work = mkdtempSync(join(process.env['JUBB_TEST_DATA'] ?? '/tmp', `${name}-`));
  chmodSync(work, 0o755);
  afterAll(() => rmSync(work, { recursive: true, force: true }));
  return work;
}

/** What a command said, and how it ended. */
export interface Ran {
  readonly code: number | null;
  readonly out: string;
  readonly err: string;
}
/** Runs `./jubb …` in a folder to its end. Lines about packages and building are left out of what it said. */
export const jubbIn =
  (work: string) =>
  (args: readonly string[], more: { input?: string; env?: NodeJS.ProcessEnv; cwd?: string } = {}): Ran => {
    const ran = spawnSync(join(ROOT, 'jubb'), args, {
      cwd: more.cwd ?? work,
      input: more.input ?? '',
      env: { ...process.env, DATABASE_URL: '', ...more.env },
      encoding: 'utf8',
      timeout: 100_000,
    });
    return { code: ran.status, out: ran.stdout, err: ran.stderr.replace(/^(Building|Installing) .*\n/gm, '') };
  };
export const lines = (text: string): string[] => text.trimEnd().split('\n');
