import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type { JobView } from '@jubb/contract';
import { randomUUID } from 'node:crypto';
import { createServer, connect, type AddressInfo, type Server, type Socket } from 'node:net';
import pg from 'pg';
import { demoCopy, envelope } from '../shop.fixtures.ts';
import { spawnServer, type Copy, type SpawnedServer } from '../spawned.fixtures.ts';

jest.setTimeout(180_000);

/** A line to the database that can be cut and mended. */
class CutLine {
  private readonly sockets = new Set<Socket>();
  private cut = false;
  private server: Server | undefined;
  async open(url: string): Promise<string> {
    const to = new URL(url);
    const [port, host] = [Number(to.port), to.hostname];
    this.server = createServer((near) => {
      if (this.cut) return near.destroy();
      const far = connect(port, host);
      for (const s of [near, far]) {
        this.sockets.add(s);
        s.on('error', () => undefined);
        s.on('close', () => this.sockets.delete(s));
      }
      near.pipe(far).pipe(near);
      return undefined;
    });
    await new Promise<void>((done) => this.server!.listen(0, '127.0.0.1', done));
    to.port = String((this.server.address() as AddressInfo).port);
    return to.href;
  }
  break(): void {
    this.cut = true;
    for (const s of this.sockets) s.destroy();
  }
  mend(): void {
    this.cut = false;
  }
  close(): void {
    this.break();
    this.server?.close();
  }
}

/** A stream as a browser hears it. */
async function listen(base: string, cookie: string): Promise<{ heard: string[]; over: Promise<void>; stop(): void }> {
  const abort = new AbortController();
  const answer = await fetch(`${base}/api/live`, { headers: { cookie }, signal: abort.signal });
  if (answer.status !== 200) throw new Error(`the stream is not given: ${answer.status}`);
  const heard: string[] = [];
  const over = (async () => {
    const text = new TextDecoder();
    try {
      for await (const chunk of answer.body!) heard.push(text.decode(chunk));
    } catch {
      // Cut off by whoever listens.
    }
  })();
  return { heard, over, stop: () => abort.abort() };
}
async function until<T>(what: string, look: () => Promise<T | undefined> | T | undefined, ms = 15_000): Promise<T> {
  const end = Date.now() + ms;
  for (;;) {
    const found = await look();
    if (found !== undefined && found !== false) return found;
    if (Date.now() > end) throw new Error(`${what} never came`);
    await new Promise((r) => setTimeout(r, 50));
  }
}

let copy: Copy;
let line: CutLine;
let server: SpawnedServer;
let db: pg.Client;
let cookie: string;
let job: string;
beforeAll(async () => {
  copy = await demoCopy();
  line = new CutLine();
  server = await spawnServer({ ...copy, url: await line.open(copy.url) });
  db = new pg.Client({ connectionString: copy.url });
  await db.connect();
  cookie = await server.signIn('Magnus Sorley', '2222');
  const { rows } = await db.query<{ id: string }>(`SELECT id FROM job WHERE place = 'A' AND stage <> 'handed-over'`);
  job = rows[0]!.id;
});
afterAll(async () => {
  await db.end();
  await server.stop();
  line.close();
});

const ask = async (path: string, body?: object): Promise<{ status: number; json: unknown }> => {
  const answer = await fetch(`${server.base}${path}`, {
    headers: { cookie, 'content-type': 'application/json' },
    ...(body ? { method: 'POST', body: JSON.stringify(body) } : {}),
  });
  const text = await answer.text();
  return { status: answer.status, json: text === '' ? undefined : (JSON.parse(text) as unknown) };
};
const note = async (text: string): Promise<number> => {
  const view = (await ask(`/api/jobs/${job}`)).json as JobView;
  return (await ask(`/api/jobs/${job}/commands`, envelope(view.events.length, { type: 'note', text }, randomUUID())))
    .status;
};
const listeners = async (): Promise<number[]> =>
  (
    await db.query<{ pid: number }>(
      `SELECT pid FROM pg_stat_activity WHERE datname = current_database() AND application_name = 'jubb-live'`,
    )
  ).rows.map((r) => r.pid);

describe('the line on which a server hears of appends', () => {
  test('lost eight times, it is one line still, and tells what came meanwhile', async () => {
    const stream = await listen(server.base, cookie);
    for (let i = 0; i < 8; i += 1) {
      const [pid] = await until('a listener', async () => {
        const pids = await listeners();
        return pids.length === 1 ? pids : undefined;
      });
      const before = stream.heard.length;
      await db.query('SELECT pg_terminate_backend($1)', [pid]);
      // Written while nobody listens.
      expect(await note(`while it was away, ${i}`)).toBe(200);
      await until('word of it', () => stream.heard.slice(before).some((h) => h.includes(job)));
      await until('word to look again', () => stream.heard.slice(before).some((h) => h.includes('"again":true')));
    }
    // Long enough for a second line to open, if there were one.
    await new Promise((r) => setTimeout(r, 1500));
    expect(await listeners()).toHaveLength(1);
    const before = stream.heard.length;
    await note('once');
    await until('the last word', () => stream.heard.slice(before).some((h) => h.includes(job)));
    await new Promise((r) => setTimeout(r, 300));
    expect(stream.heard.slice(before).join('').split(job)).toHaveLength(2);
    stream.stop();
  });

  test('while the database is away everybody is told so at once, and comes back by itself', async () => {
    const stream = await listen(server.base, cookie);
    line.break();
    const began = Date.now();
    const answers = await Promise.all([
      ask('/api/floor'),
      ask('/api/plan/moves'),
      ask(`/api/jobs/${job}/commands`, envelope(0, { type: 'note', text: 'x' })),
      ask('/api/health/ready'),
    ]);
    expect(answers.map((a) => a.status)).toEqual([503, 503, 503, 503]);
    expect(Date.now() - began).toBeLessThan(10_000);
    expect((await ask('/api/health/live')).json).toEqual({ status: 'ok' });
    line.mend();
    await until('the database', async () => ((await ask('/api/health/ready')).status === 200 ? true : undefined));
    await until('word to look again', () => stream.heard.some((h) => h.includes('"again":true')));
    expect(await note('it goes on')).toBe(200);
    expect((await ask('/api/plan/moves')).status).toBe(200);
    expect(await until('one listener', async () => ((await listeners()).length === 1 ? 1 : undefined))).toBe(1);
    stream.stop();
  });
});

describe('a stream', () => {
  test('ends when its session does, also where that was ended on another server', async () => {
    const second = await spawnServer(copy);
    try {
      const own = await second.signIn('Ailsa Brock', '3333');
      const [here, there] = [await listen(server.base, own), await listen(second.base, own)];
      const others = await listen(server.base, cookie);
      const out = await fetch(`${second.base}/api/session`, { method: 'DELETE', headers: { cookie: own } });
      expect(out.status).toBe(204);
      await Promise.all([here.over, there.over]);
      expect((await fetch(`${server.base}/api/live`, { headers: { cookie: own } })).status).toBe(401);
      await note('somebody else still hears');
      await until('word of it', () => others.heard.some((h) => h.includes(job)));
      others.stop();
    } finally {
      await second.stop();
    }
  });

  test('holds no server up that is told to stop', async () => {
    const second = await spawnServer(copy);
    const own = await second.signIn('Ailsa Brock', '3333');
    const streams = await Promise.all(Array.from({ length: 6 }, () => listen(second.base, own)));
    const gone = new Promise<number>((resolve) => second.process.once('exit', () => resolve(Date.now())));
    const told = Date.now();
    second.process.kill('SIGTERM');
    expect((await gone) - told).toBeLessThan(10_000);
    await Promise.all(streams.map((s) => s.over));
  });
});
