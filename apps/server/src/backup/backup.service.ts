import {
  ConflictException,
  Inject,
  Injectable,
  Logger,
  NotFoundException,
  type OnApplicationShutdown,
} from '@nestjs/common';
import { NIGHTS_KEPT, type BackupsView, type BackupView } from '@jubb/contract';
import { createReadStream } from 'node:fs';
import { mkdir, readdir, rm, stat, statfs } from 'node:fs/promises';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { DataSource, IsNull, type QueryRunner } from 'typeorm';
import type { Person } from '../auth/person.entity.ts';
import { CONFIG, type Config } from '../config/config.ts';
import { Workshop } from '../planning/workshop.entity.ts';
import { ShopChangesService } from '../shop/shop-changes.service.ts';
import { Backup } from './backup.entity.ts';
import { fileSum } from './manifest.ts';
import { beyond, lastDue, nightIsDue } from './nightly.ts';
import { backupName, writeBackup } from './write-backup.ts';

const LOOK_MS = 60_000;
/** One at a time, whichever server takes it. */
const LOCK = `hashtextextended('backup', 0)`;
/** What the owner sees of those that were taken. */
const SHOWN = 30;

/** Backups as files in a folder of the machine: taken when the owner asks, and nightly when told to. */
@Injectable()
export class BackupService implements OnApplicationShutdown {
  private readonly logger = new Logger('backup');
  private timer: NodeJS.Timeout | undefined;
  private taking: Promise<void> | undefined;

  constructor(
    private readonly db: DataSource,
    private readonly changes: ShopChangesService,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  /** Begins to look whether a nightly one is due; called once the server listens. */
  start(): void {
    this.timer ??= setInterval(
      () => void this.night(new Date()).catch((e: Error) => this.logger.warn(`no nightly backup: ${e.message}`)),
      LOOK_MS,
    );
    this.timer.unref();
  }

  async onApplicationShutdown(): Promise<void> {
    clearInterval(this.timer);
    await this.taking;
  }

  async view(): Promise<BackupsView> {
    await this.endBroken();
    const rows = this.db.getRepository(Backup);
    const [shop, all, there] = await Promise.all([
      this.db.getRepository(Workshop).findOneByOrFail({ id: 1 }),
      rows.find({ order: { askedAt: 'DESC' }, take: SHOWN }),
      this.filesThere(),
    ]);
    const seen = all.map((b) => viewOf(b, there));
    return {
      nightly: shop.backupAt,
      folder: this.config.backupDir,
      last: seen.find((b) => b.state === 'done' && b.there)?.asked ?? null,
      all: seen,
    };
  }

  /** Begins to take one; how it went stands in the view. @throws ConflictException while another is taken */
  async take(me: Person, now: Date): Promise<BackupView> {
    const begun = await this.begin(now, me.name);
    if (!begun) throw new ConflictException('A backup is being taken: it is there in a moment');
    await this.changes.note(this.db.manager, me, [{ what: 'backup', is: begun.file }]);
    return viewOf(begun, new Set());
  }

  /** Sets when the nightly one is taken, or that none is. */
  async setNightly(at: string | null, me: Person, now: Date): Promise<void> {
    await this.db.transaction(async (m) => {
      const [shop] = await m.query<{ backup_at: string | null }[]>(
        `SELECT backup_at FROM workshop WHERE id = 1 FOR UPDATE`,
      );
      await m.query(`UPDATE workshop SET backup_at = $1, backup_since = $2 WHERE id = 1`, [at, now]);
      await this.changes.note(m, me, [{ what: 'nightly backup', was: shop!.backup_at, is: at }]);
    });
  }

  /** The bytes of one that was taken. @throws NotFoundException when it is not there any more */
  async open(
    id: string,
    me: Person,
  ): Promise<{ readonly name: string; readonly bytes: number; readonly stream: Readable }> {
    const row = await this.db.getRepository(Backup).findOneBy({ id, state: 'done' });
    const path = row && join(this.config.backupDir, row.file);
    const size = path === null ? undefined : await sizeOf(path);
    if (!row || path === null || size === undefined)
      throw new NotFoundException('This backup does not lie in its folder any more');
    await this.changes.note(this.db.manager, me, [{ what: 'backup', is: `${row.file} was copied from the screen` }]);
    return { name: row.file, bytes: size, stream: createReadStream(path) };
  }

  /** Takes the nightly one if it is due, and throws away those beyond the seven newest. */
  async night(now: Date): Promise<boolean> {
    const shop = await this.db.getRepository(Workshop).findOneBy({ id: 1 });
    if (!shop?.backupAt || !shop.backupSince) return false;
    const nights = this.db.getRepository(Backup);
    const [last] = await nights.find({ where: { byName: IsNull() }, order: { askedAt: 'DESC' }, take: 1 });
    if (!nightIsDue(lastDue(shop.backupAt, shop.zone, now), last?.askedAt ?? null, shop.backupSince)) return false;
    const begun = await this.begin(now, null);
    await this.taking;
    if (!begun) return false;
    const done = await nights.find({ where: { byName: IsNull(), state: 'done' } });
    for (const old of beyond(done, NIGHTS_KEPT)) {
      await rm(join(this.config.backupDir, old.file), { force: true });
      await nights.delete({ id: old.id });
    }
    return true;
  }

  /** When all that was begun here is done. */
  async settled(): Promise<void> {
    await this.taking;
  }

  /** Begins one under the lock, which its own connection holds until it is done; undefined while another is taken. */
  private async begin(now: Date, by: string | null): Promise<Backup | undefined> {
    const lock = this.db.createQueryRunner();
    try {
      const [{ got }] = (await lock.query(`SELECT pg_try_advisory_lock(${LOCK}) AS got`)) as [{ got: boolean }];
      if (!got) {
        await lock.release();
        return undefined;
      }
      const begun = await this.db
        .getRepository(Backup)
        .save({ askedAt: now, byName: by, state: 'running' as const, file: backupName(now, by === null) });
      const row = await this.db.getRepository(Backup).findOneByOrFail({ id: begun.id });
      this.taking = this.run(row, now).finally(() => unlock(lock));
      return row;
    } catch (e) {
      await unlock(lock);
      throw e;
    }
  }

  private async run(row: Backup, now: Date): Promise<void> {
    const rows = this.db.getRepository(Backup);
    try {
      await rows.update({ id: row.id }, { state: 'done', ...(await this.write(row.file, now)) });
    } catch (e) {
      const why = (e as NodeJS.ErrnoException).code === 'ENOSPC' ? 'the disk is full' : (e as Error).message;
      this.logger.error(`${row.file}: ${why}`);
      // With the database away this cannot be written either: the next look finds that nobody takes it.
      await rows
        .update({ id: row.id }, { state: 'failed', problem: why })
        .catch((again: Error) => this.logger.error(again.message));
    }
  }

  private async write(file: string, now: Date): Promise<Pick<Backup, 'bytes' | 'sha256' | 'jobs'>> {
    const folder = this.config.backupDir;
    await mkdir(folder, { recursive: true, mode: 0o700 });
    const [{ size }] = await this.db.query<[{ size: string }]>(`SELECT pg_database_size(current_database()) AS size`);
    const { bavail, bsize } = await statfs(folder);
    // The dump and the file that it goes into lie there together for a moment.
    const due = 2 * Number(size) + this.config.leastFree;
    if (bavail * bsize < due)
      throw new Error(`the disk has ${megabytes(bavail * bsize)} free, and ${megabytes(due)} may be needed`);
    const path = join(folder, file);
    const { jobs } = await writeBackup(this.config, path, now);
    return { bytes: String((await stat(path)).size), sha256: await fileSum(path), jobs };
  }

  /** One that is said to run while nobody holds the lock was cut off: the server stopped. */
  private async endBroken(): Promise<void> {
    await this.db.transaction(async (m) => {
      const [{ got }] = await m.query<[{ got: boolean }]>(`SELECT pg_try_advisory_xact_lock(${LOCK}) AS got`);
      if (got)
        await m.query(
          `UPDATE backup SET state = 'failed', problem = 'the server stopped while it was taken' WHERE state = 'running'`,
        );
    });
  }

  private async filesThere(): Promise<ReadonlySet<string>> {
    try {
      return new Set(await readdir(this.config.backupDir));
    } catch (e) {
      if (isNowhere(e)) return new Set();
      throw e;
    }
  }
}

async function unlock(lock: QueryRunner): Promise<void> {
  if (lock.isReleased) return;
  try {
    await lock.query(`SELECT pg_advisory_unlock(${LOCK})`);
  } finally {
    await lock.release();
  }
}

const megabytes = (bytes: number): string => `${Math.round(bytes / 1e6)} MB`;

const isNowhere = (e: unknown): boolean => ['ENOENT', 'ENOTDIR'].includes((e as NodeJS.ErrnoException).code ?? '');

async function sizeOf(path: string): Promise<number | undefined> {
  try {
    return (await stat(path)).size;
  } catch (e) {
    if (isNowhere(e)) return undefined;
    throw e;
  }
}

function viewOf(b: Backup, there: ReadonlySet<string>): BackupView {
  return {
    id: b.id,
    asked: b.askedAt.toISOString(),
    by: b.byName,
    state: b.state,
    file: b.file,
    there: there.has(b.file),
    bytes: b.bytes === null ? null : Number(b.bytes),
    sha256: b.sha256,
    jobs: b.jobs,
    problem: b.problem,
  };
}
