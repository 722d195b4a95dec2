// Unpacks a backup into an empty folder and checks all of it: read-backup.mjs FILE FOLDER. Says what it holds.
import { dataSourceOptions } from '../apps/server/dist/database/data-source.js';
import { BackupRefused } from '../apps/server/dist/backup/manifest.js';
import { pgMajor } from '../apps/server/dist/backup/pg-programs.js';
import { readBackup } from '../apps/server/dist/backup/read-backup.js';

const [file, into] = process.argv.slice(2);
const migrations = dataSourceOptions('').migrations.map((m) => m.name);
try {
  const held = await readBackup(file, into, migrations, await pgMajor());
  if (held.made) console.log(`made ${held.made}: ${held.jobs} jobs, ${held.events} events`);
} catch (e) {
  console.error(
    `jubb: ${file} ${e instanceof BackupRefused ? e.message : `could not be read: ${e.message}`}. Nothing was touched.`,
  );
  process.exitCode = 1;
}
