import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { emptyBench, type BenchState } from '@jubb/core/bench';
import { DataSource } from 'typeorm';
import { CONFIG, type Config } from '../config/config.ts';
import { DiskService } from '../health/disk.service.ts';
import { JobLog } from '../jobs/job-log.ts';
import { envelope, openShop, type TestShop } from '../shop.fixtures.ts';
import { breaksUnique, databaseIsAway, diskIsFull } from './database-errors.ts';

jest.setTimeout(120_000);
let shop: TestShop;
beforeAll(async () => {
  shop = await openShop();
});
afterAll(() => shop.app.close());
const db = (): DataSource => shop.app.get(DataSource);

describe('what the database holds by itself', () => {
  test.each([
    ['job_command_pkey', 'CREATE UNIQUE INDEX job_command_pkey ON public.job_command USING btree (id)'],
    ['job_unit', 'CREATE INDEX job_unit ON public.job USING btree (unit_id, number DESC)'],
    [
      'job_place',
      `CREATE UNIQUE INDEX job_place ON public.job USING btree (place) WHERE (stage <> 'handed-over'::text)`,
    ],
    ['session_expires', 'CREATE INDEX session_expires ON public.session USING btree (expires_at)'],
    ['customer_name', 'CREATE UNIQUE INDEX customer_name ON public.customer USING btree (lower(name))'],
  ])('%s is there, as it is meant', async (name, definition) => {
    const [row] = await db().query<
      {
        indexdef: string;
      }[]
    >(`SELECT indexdef FROM pg_indexes WHERE indexname = $1`, [name]);
    expect(row?.indexdef).toBe(definition);
  });
  test('a lesson has its event and its sheet', async () => {
    const made = (job: string, seq: number, sheet: string): Promise<unknown> =>
      db().query(
        `INSERT INTO lesson (job_id, seq, sheet, revision, rung, kind, words, by_name, at) VALUES ($1, $3, $2, 99, 'x', 'x', 'x', 'x', now())`,
        [job, sheet, seq],
      );
    const { id } = await shop.jobAt('A');
    await expect(made(id, 99_999, 'hub-dolly')).rejects.toThrow(/lesson_job_id_seq_fkey/);
    await expect(made(id, 1, 'no-such-sheet')).rejects.toThrow(/lesson_sheet_revision_fkey/);
  });
});

describe('what a question costs', () => {
  /** Statements that a request runs, beside the one that says who asks. */
  async function statements(path: string): Promise<number> {
    const runner = db().createQueryRunner();
    const spy = jest.spyOn(Object.getPrototypeOf(runner) as typeof runner, 'query');
    try {
      expect((await shop.get(path)).status).toBe(200);
      return spy.mock.calls.length;
    } finally {
      spy.mockRestore();
      await runner.release();
    }
  }
  test('what the plan has next: one question, with a plan in force and without', async () => {
    expect(await statements('/api/plan/moves')).toBe(1);
    await db().query(
      `INSERT INTO plan_in_force (version, slots, pins, by_name, at) VALUES (1, '{}', '[]', 'x', now())`,
    );
    await shop.get('/api/plan/moves');
    expect(await statements('/api/plan/moves')).toBe(1);
  });
  test('the week: no more for forty jobs than for a few', async () => {
    await shop.get('/api/plan');
    expect(await statements('/api/plan')).toBeLessThan(20);
  });
});

describe('folds that are kept', () => {
  test('are bounded by how long their logs are, the newest stay', () => {
    const log = new JobLog(db());
    const long = (job: string, seq: number): BenchState => ({ ...emptyBench(job), seq });
    for (let i = 0; i < 100; i += 1) log.keep(long(`job-${i}`, 1000), 'head');
    const kept = Array.from({ length: 100 }, (_, i) => log.folded(`job-${i}`)).filter((k) => k).length;
    expect(kept).toBeGreaterThan(5);
    expect(kept).toBeLessThan(30);
    expect(log.folded('job-99')).toBeDefined();
    // One that is longer than all that is kept is kept alone.
    log.keep(long('giant', 10_000_000), 'head');
    expect(log.folded('giant')).toBeDefined();
  });
});

describe('a full disk', () => {
  test('is said, reading goes on, nothing is written, and writing comes back by itself', async () => {
    const config = shop.app.get<{ -readonly [K in keyof Config]: Config[K] }>(CONFIG);
    const disk = shop.app.get(DiskService);
    const { id, events } = await shop.jobAt('A');
    const give = (): Promise<number> =>
      shop.post(`/api/jobs/${id}/commands`, envelope(events.length, { type: 'note', text: 'x' })).then((a) => a.status);
    config.leastFree = Number.MAX_SAFE_INTEGER;
    await disk.look();
    expect(await give()).toBe(507);
    expect((await shop.http().get('/api/health/live')).body).toEqual({ status: 'ok', disk: 'full' });
    expect((await shop.get(`/api/jobs/${id}`)).status).toBe(200);
    expect((await shop.post('/api/reckon/thread', { designation: 'M10' })).status).toBe(200);
    config.leastFree = 0;
    await disk.look();
    expect(await give()).toBe(200);
    expect((await shop.http().get('/api/health/live')).body).toEqual({ status: 'ok' });
  });
});

describe('errors of the database by their codes', () => {
  const error = (code: string, more: object = {}): Error => Object.assign(new Error('x'), { code, ...more });
  test.each([
    ['ECONNREFUSED', true],
    ['57P01', true],
    ['57P03', true],
    ['08006', true],
    ['53300', true],
    ['23505', false],
    ['22P02', false],
  ])('%s: away %s', (code, away) => expect(databaseIsAway(error(code))).toBe(away));
  test('full, and once only', () => {
    expect([diskIsFull(error('53100')), diskIsFull(error('ENOSPC')), diskIsFull(error('23505'))]).toEqual([
      true,
      true,
      false,
    ]);
    const once = error('23505', { constraint: 'job_command_pkey' });
    expect([breaksUnique(once, 'job_command_pkey'), breaksUnique(once, 'job_place')]).toEqual([true, false]);
  });
});
