import { expect } from '@jest/globals';
import type { NestExpressApplication } from '@nestjs/platform-express';
import type { JobView } from '@jubb/contract';
import { fold, nextMove } from '@jubb/core/bench';
import { randomUUID } from 'node:crypto';
import { cpSync, mkdirSync, mkdtempSync } from 'node:fs';
import { join } from 'node:path';
import pg from 'pg';
import request from 'supertest';
import { makeApp } from './app.ts';
import type { Config } from './config/config.ts';
import { loadDemo } from './demo/demo.ts';
import { SheetsService } from './sheets/sheets.service.ts';

/** A server on a database of its own, with the demo in it and everybody signed in. */
export interface TestShop {
  readonly app: NestExpressApplication;
  /** Address that it listens on. */
  readonly base: string;
  readonly copy: { readonly url: string; readonly dataDir: string };
  /** Cookies of somebody of the demo. */
  cookie(who: string): string;
  http(): ReturnType<typeof request>;
  get(path: string, who?: string): request.Test;
  post(path: string, body: object, who?: string): request.Test;
  put(path: string, body: object, who?: string): request.Test;
  remove(path: string, who?: string): request.Test;
  /** A post with a file in it. */
  upload(
    path: string,
    fields: Readonly<Record<string, string>>,
    field: string,
    file: Buffer,
    name: string,
    who?: string,
  ): request.Test;
  /** A post of bytes as they are. */
  raw(path: string, type: string, body: Buffer): request.Test;
  jobAt(place: string): Promise<JobView>;
}

/** The demo is played once a run of the tests, and copied for each shop. */
const TEMPLATE = `demo_${process.ppid}`;
const LOCK = 7_800_001;

const adminUrl = (): string => {
  const admin = process.env['JUBB_TEST_DATABASE'];
  if (!admin) throw new Error('run ./jubb test: it starts the database that this test needs');
  return admin;
};
const databaseUrl = (name: string): string => adminUrl().replace(/\/[^/]+$/, `/${name}`);
const dataFolder = (): string => process.env['JUBB_TEST_DATA'] ?? '/tmp';

/** A server's settings on a database and a data folder. */
export function configOf(url: string, dataDir: string, more: Partial<Config>): Config {
  return {
    port: 0,
    host: '127.0.0.1',
    databaseUrl: url,
    dataDir,
    webDir: undefined,
    libraryDir: join(process.cwd(), 'library'),
    standIns: '127.0.0.1:1',
    supplier: 'http://127.0.0.1:1',
    secureCookie: false,
    publicUrl: undefined,
    behindProxy: false,
    backupDir: join(dataDir, 'backups'),
    leastFree: 0,
    https: false,
    guidePort: 0,
    ...more,
  };
}

/** Plays the demo into a database that is copied from then on; whoever comes first does it, the others wait. */
async function template(admin: pg.Client): Promise<void> {
  await admin.query('SELECT pg_advisory_lock($1)', [LOCK]);
  try {
    const { rowCount } = await admin.query('SELECT 1 FROM pg_database WHERE datname = $1', [TEMPLATE]);
    if (rowCount) return;
    const half = `${TEMPLATE}_half`;
    await admin.query(`DROP DATABASE IF EXISTS ${half}`);
    await admin.query(`CREATE DATABASE ${half}`);
    const dataDir = join(dataFolder(), TEMPLATE);
    mkdirSync(dataDir, { recursive: true });
    const app = await makeApp(configOf(databaseUrl(half), dataDir, {}));
    await app.get(SheetsService).loadLibrary();
    await loadDemo(app, new Date());
    await app.close();
    await admin.query(`ALTER DATABASE ${half} RENAME TO ${TEMPLATE}`);
  } finally {
    await admin.query('SELECT pg_advisory_unlock($1)', [LOCK]);
  }
}

/** A fresh copy of the demo: the address of its database, and a data folder with its key. */
export async function demoCopy(): Promise<{ readonly url: string; readonly dataDir: string }> {
  const admin = new pg.Client({ connectionString: adminUrl() });
  await admin.connect();
  const name = `server_${process.pid}_${Date.now()}_${(copies += 1)}`;
  try {
    await template(admin);
    await admin.query('SELECT pg_advisory_lock($1)', [LOCK]);
    await admin.query(`CREATE DATABASE ${name} TEMPLATE ${TEMPLATE}`);
  } finally {
    await admin.end();
  }
  const dataDir = mkdtempSync(join(dataFolder(), 'server-'));
  cpSync(join(dataFolder(), TEMPLATE), dataDir, { recursive: true });
  return { url: databaseUrl(name), dataDir };
}
let copies = 0;

/** A server on a copy of the demo, listening on a port of its own. */
export async function openServer(
  copy: { readonly url: string; readonly dataDir: string },
  more: Partial<Config> = {},
): Promise<NestExpressApplication> {
  const app = await makeApp(configOf(copy.url, copy.dataDir, more));
  await app.listen(0, '127.0.0.1');
  return app;
}

/** Signs somebody of the demo in and answers their cookies. */
export async function signIn(http: ReturnType<typeof request>, name: string, pin: string): Promise<string> {
  const answer = await http.post('/api/session').send({ name, pin });
  expect(answer.status).toBe(201);
  return ((answer.headers as Record<string, unknown>)['set-cookie'] as string[])
    .map((c) => c.split(';')[0]!)
    .join('; ');
}

export async function openShop(more: Partial<Config> = {}): Promise<TestShop> {
  const copy = await demoCopy();
  const app = await openServer(copy, more);
  const cookies: Record<string, string> = {};
  const http = (): ReturnType<typeof request> => request(app.getHttpServer());
  for (const [i, who] of ['Una Reith', 'Magnus Sorley', 'Ailsa Brock', 'Tam Veitch'].entries()) {
    const answer = await http()
      .post('/api/session')
      .send({ name: who, pin: String(1111 * (i + 1)) });
    cookies[who] = String(answer.headers['set-cookie']).split(';')[0]!;
    expect(String(answer.headers['set-cookie'])).toMatch(/HttpOnly/);
    expect(String(answer.headers['set-cookie'])).toMatch(/SameSite=Strict/);
  }
  const as = (test: request.Test, who = 'Magnus Sorley'): request.Test => test.set('Cookie', cookies[who] ?? '');
  const get = (path: string, who?: string): request.Test => as(http().get(path), who);
  return {
    app,
    base: await app.getUrl(),
    copy,
    cookie: (who) => cookies[who] ?? '',
    http,
    get,
    post: (path, body, who) => as(http().post(path), who).send(body),
    put: (path, body, who) => as(http().put(path), who).send(body),
    remove: (path, who) => as(http().delete(path), who),
    raw: (path, type, body) => as(http().post(path)).set('Content-Type', type).send(body),
    upload: (path, fields, field, file, fileName, who) => {
      let sent = as(http().post(path), who);
      for (const [k, v] of Object.entries(fields)) sent = sent.field(k, v);
      return sent.attach(field, file, { filename: fileName });
    },
    jobAt: async (place) => {
      const floor = (await get('/api/floor')).body as { jobs: { id: string; place: string }[] };
      return (await get(`/api/jobs/${floor.jobs.find((j) => j.place === place)!.id}`)).body as JobView;
    },
  };
}

/** Which fields a refusal names, and why. */
export const errorsOf = (answer: request.Response): Record<string, string[]> =>
  (answer.body as { errors?: Record<string, string[]> }).errors ?? {};

export const envelope = (seen: number, command: object, id = randomUUID()): object => ({
  id,
  seen,
  at: new Date().toISOString(),
  device: 'test',
  command,
});

/** The operation that is next. */
export const opNow = (job: JobView): string => {
  const move = nextMove(job.sheet, fold(job.id, job.events));
  if (move.kind !== 'op') throw new Error('no operation is next');
  return move.op.id;
};
