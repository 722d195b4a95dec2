import { expect } from '@jest/globals';
import type { NestExpressApplication } from '@nestjs/platform-express';
import type { JobView, PersonView } from '@jubb/contract';
import { fold, nextMove } from '@jubb/core/bench';
import { randomUUID } from 'node:crypto';
import { mkdtempSync } from 'node:fs';
import { join } from 'node:path';
import pg from 'pg';
import request from 'supertest';
import { makeApp } from './app.ts';
import { loadDemo } from './demo/demo.ts';
import { SheetsService } from './sheets/sheets.service.ts';

/** A server on a database of its own, with the demo in it and everybody signed in. */
export interface TestShop {
  readonly app: NestExpressApplication;
  http(): ReturnType<typeof request>;
  get(path: string, who?: string): request.Test;
  post(path: string, body: object, who?: string): request.Test;
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

export async function openShop(): Promise<TestShop> {
  const admin = process.env['JUBB_TEST_DATABASE'];
  if (!admin) throw new Error('run ./jubb test: it starts the database that this test needs');
  const name = `server_${process.pid}_${Date.now()}`;
  const client = new pg.Client({ connectionString: admin });
  await client.connect();
  await client.query(`CREATE DATABASE ${name}`);
  await client.end();
  const app = await makeApp(
    {
      port: 0,
      host: '127.0.0.1',
      databaseUrl: admin.replace(/\/[^/]+$/, `/${name}`),
      dataDir: mkdtempSync(join(process.env['JUBB_TEST_DATA'] ?? '/tmp', 'server-')),
      webDir: undefined,
      libraryDir: join(process.cwd(), 'library'),
      standIns: '127.0.0.1:1',
      supplier: 'http://127.0.0.1:1',
      secureCookie: false,
    },
    'silent',
  );
  await app.get(SheetsService).loadLibrary();
  await loadDemo(app, new Date());
  const cookies: Record<string, string> = {};
  const http = (): ReturnType<typeof request> => request(app.getHttpServer());
  const people = (await http().get('/api/people')).body as PersonView[];
  for (const [i, who] of ['Una Reith', 'Magnus Sorley', 'Ailsa Brock', 'Tam Veitch'].entries()) {
    const answer = await http()
      .post('/api/session')
      .send({ person: people.find((p) => p.name === who)!.id, pin: String(1111 * (i + 1)) });
    cookies[who] = String(answer.headers['set-cookie']).split(';')[0]!;
    expect(String(answer.headers['set-cookie'])).toMatch(/HttpOnly/);
    expect(String(answer.headers['set-cookie'])).toMatch(/SameSite=Strict/);
  }
  const as = (test: request.Test, who = 'Magnus Sorley'): request.Test => test.set('Cookie', cookies[who] ?? '');
  const get = (path: string, who?: string): request.Test => as(http().get(path), who);
  return {
    app,
    http,
    get,
    post: (path, body, who) => as(http().post(path), who).send(body),
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
