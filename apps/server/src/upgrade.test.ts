import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { fold, nextMove, type LoggedEvent } from '@jubb/core/bench';
import { verifyExport, type JobExport } from '@jubb/core/bench/verify';
import { currentSheet } from '@jubb/core/sheet';
import { mkdtempSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import pg from 'pg';
import { DataSource } from 'typeorm';
import { makeApp } from './app.ts';
import { dataSourceOptions } from './database/data-source.ts';
import { First1764000000000 } from './database/migrations/1764000000000-first.ts';
import { JobsService } from './jobs/jobs.service.ts';
import { configOf } from './shop.fixtures.ts';
import { SheetsService } from './sheets/sheets.service.ts';

jest.setTimeout(180_000);

/** A whole job as the first release wrote it: sheet, log, signature. */
const kept = JSON.parse(
  readFileSync(join(process.cwd(), 'packages/core/src/bench/old-forms/job-record-1.json'), 'utf8'),
) as JobExport;
const JOB = '00000000-0000-4000-8000-000000000001';
let url = '';
let app: NestExpressApplication;

/** The database as the first release left it: its own migration, one sheet, one job in the middle of its strip side. */
async function firstRelease(events: readonly LoggedEvent[]): Promise<void> {
  const db = new DataSource({ ...dataSourceOptions(url), migrations: [First1764000000000] });
  await db.initialize();
  await db.query(`INSERT INTO workshop VALUES (1, 'Skerrow Rebuilds', '£', '["A", "B"]')`);
  const [customer] = await db.query<[{ id: string }]>(`INSERT INTO customer (name) VALUES ('Airfield') RETURNING id`);
  const [unit] = await db.query<[{ id: string }]>(
    `INSERT INTO unit (serial, model, sheet, customer_id) VALUES ('20417', 'BD-6', 'hub-dolly', $1) RETURNING id`,
    [customer.id],
  );
  await db.query(`INSERT INTO sheet_revision VALUES ('hub-dolly', 1, 'as it was', 'hash', $1)`, [
    JSON.stringify(kept.sheet),
  ]);
  const head = events.at(-1)!;
  await db.query(
    `INSERT INTO job (id, number, unit_id, customer_id, sheet, revision, title, complaint, seq, head, stage, place)
     VALUES ($1, 318, $2, $3, 'hub-dolly', 1, 'Hub', 'leaks', $4, $5, 'strip', 'A')`,
    [JOB, unit.id, customer.id, head.seq, head.hash],
  );
  for (const e of events)
    await db.query('INSERT INTO job_event VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)', [
      JOB, e.seq, e.id, e.type, e.v, e.payload, e.who, e.at, e.device, e.command, e.hash,
    ]); // prettier-ignore
  await db.destroy();
}

beforeAll(async () => {
  const admin = process.env['JUBB_TEST_DATABASE'];
  if (!admin) throw new Error('run ./jubb test: it starts the database that this test needs');
  const name = `upgrade_${process.pid}_${Date.now()}`;
  const client = new pg.Client({ connectionString: admin });
  await client.connect();
  await client.query(`CREATE DATABASE ${name}`);
  await client.end();
  url = admin.replace(/\/[^/]+$/, `/${name}`);
  await firstRelease(kept.events.slice(0, 24));
  app = await makeApp(configOf(url, mkdtempSync(join(process.env['JUBB_TEST_DATA'] ?? '/tmp', 'upgrade-')), {}));
  await app.get(SheetsService).loadLibrary();
});
afterAll(() => app.close());

describe('a workshop of the first release, started with this one', () => {
  test('its open job goes on with the revision that it pinned, in the form of today', async () => {
    const view = await app.get(JobsService).view(JOB);
    expect([view.sheet.revision, view.sheet.format, view.events.length]).toEqual([1, 5, 24]);
    const move = nextMove(view.sheet, fold(JOB, view.events));
    expect(move.kind).toBe('op');
    const asker = { person: { id: 'p1', name: 'Una Reith', initials: 'UR' }, at: new Date(), device: 'test' };
    const command = { type: 'note', text: 'picked up again' };
    const { events } = await app.get(JobsService).command(
      JOB,
      {
        id: '00000000-0000-4000-8000-00000000000a',
        seen: 24,
        at: asker.at.toISOString(),
        device: 'test',
        command,
      },
      asker,
    );
    expect(events.map((e) => e.type)).toEqual(['noted']);
    expect((await app.get(JobsService).floor()).shelves.length).toBeGreaterThan(3);
  });

  test('what it exports still holds the sheet byte for byte, so that its hash fits the booking', async () => {
    const file = await app.get(JobsService).exported(JOB);
    expect(file.sheet).toEqual(kept.sheet);
    expect(currentSheet(file.sheet)).not.toBe(file.sheet);
    // The fixture's chain was made for another job id: only that is found, and the sheet is the pinned one.
    const checks = verifyExport(
      {
        ...file,
        job: kept.job,
        events: kept.events,
        record: kept.record,
        signatures: kept.signatures,
        jubb: kept.jubb,
      },
      [],
    );
    expect(checks.checks.find((c) => c.what === 'sheet')?.good).toBe(true);
    expect(checks.good).toBe(true);
  });

  test('the library comes in as new revisions beside the old, and a second start changes nothing', async () => {
    const db = app.get(DataSource);
    const revisions = async (): Promise<string[]> =>
      (await db.query<{ r: string }[]>(`SELECT sheet || ' ' || revision AS r FROM sheet_revision ORDER BY r`)).map(
        (x) => x.r,
      );
    const before = await revisions();
    expect(before).toEqual(expect.arrayContaining(['hub-dolly 1', 'hub-dolly 5', 'axle-clip 3']));
    await app.get(SheetsService).loadLibrary();
    expect(await revisions()).toEqual(before);
  });

  test('a migration can be taken back and made again', async () => {
    const db = new DataSource({ ...dataSourceOptions(url), migrationsRun: false });
    await db.initialize();
    const there = async (table: string): Promise<boolean> =>
      (await db.query<{ t: unknown }[]>(`SELECT to_regclass($1) AS t`, [table]))[0]!.t !== null;
    const visits = async (): Promise<number> =>
      (
        await db.query<[{ n: number }]>(
          `SELECT count(*)::int AS n FROM information_schema.columns WHERE column_name = 'visit'`,
        )
      )[0].n;
    const column = async (name: string): Promise<boolean> =>
      (
        await db.query<unknown[]>(
          `SELECT 1 FROM information_schema.columns WHERE table_name = 'job' AND column_name = $1`,
          [name],
        )
      ).length === 1;
    await db.undoLastMigration();
    expect([await column('delivery_date'), await column('promise')]).toEqual([false, true]);
    await db.undoLastMigration();
    expect([await there('sheet_not_done'), await there('certificate')]).toEqual([false, true]);
    await db.undoLastMigration();
    expect([await there('certificate'), await there('shop_order')]).toEqual([false, true]);
    await db.undoLastMigration();
    expect([await there('shop_order'), await there('invoice')]).toEqual([false, true]);
    await db.undoLastMigration();
    expect([await there('invoice'), await there('backup')]).toEqual([false, true]);
    await db.undoLastMigration();
    expect([await there('backup'), await there('shop_change')]).toEqual([false, true]);
    await db.undoLastMigration();
    expect([await there('shop_change'), await there('job_command')]).toEqual([false, true]);
    await db.undoLastMigration();
    expect([await there('job_command'), await there('extra_hours')]).toEqual([false, true]);
    await db.undoLastMigration();
    expect([await there('extra_hours'), await there('plan_in_force')]).toEqual([false, true]);
    await db.undoLastMigration();
    expect([await there('plan_in_force'), await there('imported_record')]).toEqual([false, true]);
    await db.undoLastMigration();
    expect([await there('imported_record'), await visits()]).toEqual([false, 1]);
    await db.undoLastMigration();
    expect([await visits(), await there('order_line')]).toEqual([0, true]);
    await db.undoLastMigration();
    expect([await there('order_line'), await there('photo')]).toEqual([false, true]);
    await db.undoLastMigration();
    expect(await there('photo')).toBe(false);
    await db.runMigrations();
    expect([await there('order_line'), await there('photo'), await visits()]).toEqual([true, true, 1]);
    expect([await there('imported_record'), await there('plan_in_force')]).toEqual([true, true]);
    expect([await there('extra_hours'), await column('delivery_date')]).toEqual([true, true]);
    await db.destroy();
  });
});
