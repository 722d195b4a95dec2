// Writes a backup of the workshop in JUBB_DATA, of the database that DATABASE_URL names, to a file.
import { writeBackup } from '../apps/server/dist/backup/write-backup.js';

const [file] = process.argv.slice(2);
try {
  const made = await writeBackup(
    { databaseUrl: process.env.DATABASE_URL, dataDir: process.env.JUBB_DATA },
    file,
    new Date(),
  );
  console.log(`${made.jobs} jobs, ${made.events} events, ${made.pictures} pictures`);
} catch (e) {
  console.error(`jubb: ${e.code === 'ENOSPC' ? 'the disk is full' : e.message}; nothing was written`);
  process.exitCode = 1;
}
