// A folder for the shipped sheets that suites compile, for one run of the tests: see library.fixtures.ts of core.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

export default function begin() {
  const folder = mkdtempSync(join(tmpdir(), 'jubb-sheets.'));
  process.env.JUBB_TEST_SHEETS = folder;
  process.on('exit', () => rmSync(folder, { recursive: true, force: true }));
}
