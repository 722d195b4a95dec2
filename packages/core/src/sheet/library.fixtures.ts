import { existsSync, readdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { readGoodSheet } from './read/index.ts';
import type { Sheet } from './types.ts';

const LIBRARY = join(process.cwd(), 'library');
/** Where sheets that a suite has compiled lie for the suites after it, for this run of the tests only. */
const SHEETS = process.env['JUBB_TEST_SHEETS'];

/** The shipped sheets, by name. */
export const libraryNames: readonly string[] = readdirSync(LIBRARY)
  .filter((f) => f.endsWith('.yaml'))
  .map((f) => f.replace('.yaml', ''));

/** What stands in a shipped sheet's file. */
export const libraryText = (name: string): string => readFileSync(join(LIBRARY, `${name}.yaml`), 'utf8');

const kept = new Map<string, Sheet>();

/** A shipped sheet. To read and lint one takes a tenth of a second, so each is read once a run, and once a suite from there. */
export function librarySheet(name: string): Sheet {
  let sheet = kept.get(name);
  if (!sheet) kept.set(name, (sheet = compiledBefore(name) ?? compiledNow(name)));
  return sheet;
}

function compiledBefore(name: string): Sheet | undefined {
  const file = SHEETS && join(SHEETS, `${name}.json`);
  return file && existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as Sheet) : undefined;
}

function compiledNow(name: string): Sheet {
  const sheet = readGoodSheet(libraryText(name), name);
  if (SHEETS) {
    // Whole or not at all: another suite may look for it meanwhile.
    const own = join(SHEETS, `${name}.${process.pid}`);
    writeFileSync(own, JSON.stringify(sheet));
    renameSync(own, join(SHEETS, `${name}.json`));
  }
  return sheet;
}
