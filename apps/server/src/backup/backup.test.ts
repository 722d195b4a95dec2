import { afterAll, afterEach, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type { BackupsView, BackupView, ShopChangeView } from '@jubb/contract';
import JSZip from 'jszip';
import { execFileSync, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type request from 'supertest';
import { DataSource } from 'typeorm';
import { CONFIG, type Config } from '../config/config.ts';
import { dataSourceOptions } from '../database/data-source.ts';
import { errorsOf, openShop, type TestShop } from '../shop.fixtures.ts';
import { BackupService } from './backup.service.ts';
import type { BackupManifest } from './manifest.ts';
import { pgMajor } from './pg-programs.ts';
import { readBackup } from './read-backup.ts';

jest.setTimeout(180_000);
const UNA = 'Una Reith';
let shop: TestShop;
let work: string;
beforeAll(async () => {
  shop = await openShop();
  work = mkdtempSync(join(process.env['JUBB_TEST_DATA'] ?? '/tmp', 'backup-test-'));
});
afterAll(async () => {
  await shop.app.close();
  rmSync(work, { recursive: true, force: true });
});

const service = (): BackupService => shop.app.get(BackupService);
const view = async (): Promise<BackupsView> => (await shop.get('/api/shop/backups', UNA)).body as BackupsView;
const db = (): DataSource => shop.app.get(DataSource);
const migrations = (dataSourceOptions('').migrations as { name: string }[]).map((m) => m.name);
/** A body as it came, in bytes. */
const bytesOf = async (asked: request.Test): Promise<Buffer> =>
  (
    await asked.buffer(true).parse((answer, done) => {
      const pieces: Buffer[] = [];
      answer.on('data', (p: Buffer) => pieces.push(p));
      answer.on('end', () => done(null, Buffer.concat(pieces)));
    })
  ).body as Buffer;
async function taken(): Promise<BackupView> {
  const asked = await shop.post('/api/shop/backups', {}, UNA);
  expect(asked.status).toBe(202);
  await service().settled();
  return (await view()).all[0]!;
}

describe('a backup from the screen', () => {
  test('is a tar whose sums sha256sum agrees with, and holds what the workshop has', async () => {
    const made = await taken();
    expect(made).toMatchObject({ by: UNA, state: 'done', there: true, problem: null });
    expect((await view()).last).toBe(made.asked);
    const bytes = await bytesOf(shop.get(`/api/shop/backups/${made.id}/file`, UNA));
    const into = mkdtempSync(join(work, 'whole-'));
    writeFileSync(join(into, 'whole.tar'), bytes);
    expect(execFileSync('sha256sum', [join(into, 'whole.tar')], { encoding: 'utf8' })).toContain(made.sha256);
    execFileSync('tar', ['-xf', 'whole.tar'], { cwd: into });
    // GNU coreutils checks every file of it, without us.
    const checked = execFileSync('sha256sum', ['-c', 'SHA256SUMS'], { cwd: into, encoding: 'utf8' });
    expect(checked.trim().split('\n').sort()).toEqual([
      'database.dump: OK',
      'keys/workshop.pem: OK',
      'keys/workshop.pub: OK',
      'manifest.json: OK',
    ]);
    const manifest = JSON.parse(readFileSync(join(into, 'manifest.json'), 'utf8')) as BackupManifest;
    const [{ jobs }] = await db().query<[{ jobs: number }]>('SELECT count(*)::int AS jobs FROM job');
    expect(manifest).toMatchObject({ form: 'jubb-backup/2', jobs, migration: migrations.at(-1) });
    expect(manifest.jobs).toBe(made.jobs);
    // It holds the key: nobody else on the machine reads it.
    const folder = shop.app.get<Config>(CONFIG).backupDir;
    expect(statSync(join(folder, made.file)).mode & 0o077).toBe(0);
    expect(readdirSync(folder).filter((f) => f.startsWith('.'))).toEqual([]);
    const changes = (await shop.get('/api/shop/changes', UNA)).body as ShopChangeView[];
    expect(changes.slice(0, 2).map((c) => c.is)).toEqual([`${made.file} was copied from the screen`, made.file]);
  });

  test('while one is taken another is refused; one that was cut off says so, and is no backup', async () => {
    const other = db().createQueryRunner();
    await other.query(`SELECT pg_advisory_lock(hashtextextended('backup', 0))`);
    expect((await shop.post('/api/shop/backups', {}, UNA)).status).toBe(409);
    await db().query(`INSERT INTO backup (asked_at, by_name, file) VALUES (now(), 'Una Reith', 'cut.tar')`);
    expect((await view()).all[0]).toMatchObject({ file: 'cut.tar', state: 'running' });
    await other.query(`SELECT pg_advisory_unlock(hashtextextended('backup', 0))`);
    await other.release();
    const { all, last } = await view();
    expect(all[0]).toMatchObject({ state: 'failed', problem: 'the server stopped while it was taken' });
    expect(last).toBe(all.find((b) => b.state === 'done')!.asked);
  });

  test('one that cannot be written says why, and leaves nothing behind', async () => {
    const config = shop.app.get<{ backupDir: string }>(CONFIG);
    const { backupDir } = config;
    config.backupDir = join(work, 'a-file', 'backups');
    writeFileSync(join(work, 'a-file'), '');
    const failed = await taken();
    config.backupDir = backupDir;
    expect(failed).toMatchObject({ state: 'failed', there: false, bytes: null });
    expect(failed.problem).toMatch(/ENOTDIR|EEXIST/);
  });

  test('one whose file was taken away from its folder is not there, and does not count as the last', async () => {
    const made = await taken();
    rmSync(join(shop.app.get<Config>(CONFIG).backupDir, made.file));
    const after = await view();
    expect(after.all[0]).toMatchObject({ id: made.id, there: false });
    expect(after.last).not.toBe(made.asked);
    expect((await shop.get(`/api/shop/backups/${made.id}/file`, UNA)).status).toBe(404);
  });
});

describe('every night', () => {
  afterEach(() => shop.put('/api/shop/backups/nightly', { at: null }, UNA));
  test.each(['25:00', '2 o’clock', 7])('%s is no time of day', async (at) => {
    const answer = await shop.put('/api/shop/backups/nightly', { at }, UNA);
    expect([answer.status, errorsOf(answer)]).toEqual([400, { at: ['A time of day, as 02:00'] }]);
  });

  test('one is taken once, seven are kept, and one that was asked for is never thrown away', async () => {
    const asked = await taken();
    const night = (day: number): Date => new Date(Date.UTC(2027, 0, day, 2, 1));
    expect(await service().night(night(1))).toBe(false);
    expect((await shop.put('/api/shop/backups/nightly', { at: '02:00' }, UNA)).status).toBe(204);
    for (let day = 1; day <= 9; day += 1) {
      expect(await service().night(night(day))).toBe(true);
      expect(await service().night(new Date(night(day).getTime() + 60_000))).toBe(false);
    }
    const { all, nightly } = await view();
    const nights = all.filter((b) => b.by === null);
    expect(nightly).toBe('02:00');
    expect(nights.map((b) => b.asked.slice(8, 10))).toEqual(['09', '08', '07', '06', '05', '04', '03']);
    const files = readdirSync(shop.app.get<Config>(CONFIG).backupDir);
    expect(files.filter((f) => f.includes('-night'))).toHaveLength(7);
    expect(files).toContain(asked.file);
  });
});

describe('what is no backup', () => {
  const tarOf = (name: string, files: Readonly<Record<string, string>>): string => {
    const from = mkdtempSync(join(work, 'made-'));
    mkdirSync(join(from, 'keys'));
    for (const [file, text] of Object.entries(files)) {
      writeFileSync(join(from, file), text);
    }
    const tar = join(work, name);
    execFileSync('tar', ['-P', '-cf', tar, '-C', from, ...Object.keys(files)]);
    return tar;
  };
  const manifest = (more: object): string =>
    JSON.stringify({ form: 'jubb-backup/2', migration: migrations[0], postgres: 9, files: [], ...more });
  const why = async (file: string): Promise<string> => {
    const into = mkdtempSync(join(work, 'into-'));
    const said = await readBackup(file, into, migrations, await pgMajor()).then(
      () => 'read',
      (e: Error) => `${e.constructor.name}: ${e.message}`,
    );
    return said;
  };
  test.each<[string, Readonly<Record<string, string>>, string]>([
    ['of a newer release', { 'manifest.json': manifest({ migration: 'Later2100000000000' }) }, 'newer release of Jubb'],
    ['of a newer PostgreSQL', { 'manifest.json': manifest({ postgres: 99 }) }, 'PostgreSQL 99'],
    ['of a later form', { 'manifest.json': manifest({ form: 'jubb-backup/9' }) }, 'jubb-backup/9'],
    ['with a manifest of nothing', { 'manifest.json': 'null' }, 'form that this release does not know (none)'],
    ['with a manifest that is no JSON', { 'manifest.json': '{' }, 'manifest cannot be read'],
    ['without a database', { 'manifest.json': manifest({}) }, 'holds no database'],
    ['whose sums are prose', { 'manifest.json': manifest({}), SHA256SUMS: 'all good' }, 'list of sums'],
    [
      'whose dump is another one',
      {
        'manifest.json': manifest({ files: [{ name: 'database.dump', bytes: 1, sha256: 'f'.repeat(64) }] }),
        'database.dump': 'x',
      },
      'sum of database.dump does not agree',
    ],
    ['that would write elsewhere', { 'keys/../elsewhere': 'x' }, 'it holds "keys/../elsewhere"'],
    ['of anything else', { 'holiday.txt': 'sun' }, 'it holds "holiday.txt"'],
  ])('one %s is refused with why', async (name, files, says) => {
    const said = await why(tarOf(`${name.replace(/\W/g, '-')}.tar`, files));
    expect(said).toMatch(/^BackupRefused: (is|was) /);
    expect(said).toContain(says);
  });

  test('every backup that was cut short anywhere is refused', async () => {
    const made = await taken();
    const whole = readFileSync(join(shop.app.get<Config>(CONFIG).backupDir, made.file));
    const file = join(work, 'short.tar');
    for (const part of [0.001, 0.3, 0.7, 0.99]) {
      writeFileSync(file, whole.subarray(0, Math.floor(whole.length * part)));
      expect(await why(file)).toMatch(/^BackupRefused: is (damaged|no backup)/);
    }
    writeFileSync(file, whole);
    expect(await why(file)).toBe('read');
  });

  test('one of the first form is still read', async () => {
    const dump = 'dumped';
    const sum = (text: string): string => spawnSync('sha256sum', { input: text, encoding: 'utf8' }).stdout.slice(0, 64);
    const form = 'jubb-backup/1\n';
    const sums = `${sum(form)}  form\n${sum(dump)}  database.dump\n`;
    expect(await why(tarOf('first.tar', { form, sums, 'database.dump': dump }))).toBe('read');
    expect(await why(tarOf('first-bad.tar', { form, sums, 'database.dump': 'other' }))).toContain(
      'sum of database.dump',
    );
  });
});

describe('everything as open files', () => {
  test('a zip that other software opens: jobs that verify, readings, parts, sheets, customers', async () => {
    const zip = await JSZip.loadAsync(await bytesOf(shop.get('/api/shop/export.zip', UNA)));
    const text = (name: string): Promise<string> => zip.file(name)!.async('string');
    const [{ jobs }] = await db().query<[{ jobs: number }]>('SELECT count(*)::int AS jobs FROM job');
    const records = Object.keys(zip.files).filter((f) => /^jobs\/\d+\.json$/.test(f));
    expect(records).toHaveLength(jobs);
    const readme = await text('README.txt');
    const top = Object.keys(zip.files).filter((f) => !f.includes('/') && f !== 'README.txt');
    for (const file of top) expect(readme).toContain(file);
    const over = ((await shop.get('/api/jobs/handed-over')).body as { number: number }[])[0]!;
    const file = JSON.parse(await text(`jobs/${over.number}.json`)) as object;
    const verified = (await shop.post('/api/records/verify', { file })).body as { good: boolean; known: boolean };
    expect(verified).toMatchObject({ good: true, known: true });
    const readings = (await text('readings.csv')).trimEnd().split('\n');
    expect(readings[0]).toBe('job,serial,kind,what,place,value,unit,verdict,instrument,at,by');
    expect(readings.length).toBeGreaterThan(100);
    expect(await text('customers.csv')).toBe((await shop.get('/api/customers/all.csv', UNA)).text);
    const [{ lines }] = await db().query<[{ lines: number }]>('SELECT count(*)::int AS lines FROM order_line');
    expect((await text('parts.csv')).trimEnd().split('\n')).toHaveLength(lines + 1);
    const sheet = Object.keys(zip.files).find((f) => f.startsWith('sheets/') && f.endsWith('.yaml'))!;
    expect(await text(sheet)).toMatch(/^(#|id:|sheet:)/m);
    // What opens doors is not in it.
    const whole = (await Promise.all(top.map((f) => text(f)))).join('\n');
    expect(whole).not.toMatch(/scrypt|BEGIN PRIVATE KEY/);
  });
});
