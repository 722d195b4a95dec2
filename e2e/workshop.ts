import { spawn, type ChildProcess, type ChildProcessByStdio } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import pg from 'pg';
import type { Readable } from 'node:stream';
import puppeteer, { type Browser, type Page } from 'puppeteer-core';

const ROOT = process.cwd();
type ServerProcess = ChildProcessByStdio<null, Readable, null>;

export function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const s = createServer().listen(0, '127.0.0.1', () => {
      const { port } = s.address() as { port: number };
      s.close(() => resolve(port));
    });
  });
}

const adminUrl = (): string => {
  const admin = process.env['JUBB_TEST_DATABASE'];
  if (!admin) throw new Error('run ./jubb test: it starts the database that this test needs');
  return admin;
};
const databaseUrl = (name: string): string => adminUrl().replace(/\/[^/]+$/, `/${name}`);
const testData = (): string => process.env['JUBB_TEST_DATA'] ?? '/tmp';

async function inAdmin<T>(act: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: adminUrl() });
  await client.connect();
  try {
    return await act(client);
  } finally {
    await client.end();
  }
}

const serverEnv = (url: string, data: string): NodeJS.ProcessEnv => ({
  ...process.env,
  DATABASE_URL: url,
  JUBB_DATA: data,
  JUBB_WEB: join(ROOT, 'apps/web/dist'),
  JUBB_LIBRARY: join(ROOT, 'library'),
  JUBB_LOG: 'error',
});

const startProcess = (env: NodeJS.ProcessEnv): ServerProcess =>
  spawn(process.execPath, [join(ROOT, 'apps/server/dist/main.js')], { env, stdio: ['ignore', 'pipe', 'ignore'] });

/** Until a server takes requests. */
async function ready(server: ServerProcess): Promise<void> {
  await new Promise<void>((resolve, reject) => {
    server.stdout.on('data', (d: Buffer) => {
      if (d.toString().includes('ready on')) resolve();
    });
    server.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
  });
}

const LOCK = 7_800_002;
const LOOK_AGAIN_MS = 50;
/** A copy of the demo in a database of its own, its key in a folder. It is played once a run: whoever comes first does it. */
async function copyDemo(name: string, data: string): Promise<void> {
  const template = `e2e_demo_${process.ppid}`;
  const played = join(testData(), template);
  await inAdmin(async (admin) => {
    // One at a time: a database that is being copied is not copied by another.
    await admin.query('SELECT pg_advisory_lock($1)', [LOCK]);
    const { rowCount } = await admin.query('SELECT 1 FROM pg_database WHERE datname = $1', [template]);
    if (!rowCount) {
      await admin.query(`DROP DATABASE IF EXISTS ${template}_half`);
      await admin.query(`CREATE DATABASE ${template}_half`);
      mkdirSync(played, { recursive: true });
      const server = startProcess({
        ...serverEnv(databaseUrl(`${template}_half`), played),
        PORT: String(await freePort()),
        JUBB_STAND_INS: '127.0.0.1:1',
        JUBB_SUPPLIER: 'http://127.0.0.1:1',
      });
      await ready(server);
      const gone = new Promise((done) => server.once('exit', done));
      server.kill('SIGTERM');
      await gone;
      await admin.query(`SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = $1`, [
        `${template}_half`,
      ]);
      const held = async (): Promise<boolean> =>
        Boolean(
          (await admin.query('SELECT 1 FROM pg_stat_activity WHERE datname = $1', [`${template}_half`])).rowCount,
        );
      while (await held()) await new Promise((r) => setTimeout(r, 20));
      await admin.query(`ALTER DATABASE ${template}_half RENAME TO ${template}`);
    }
    await admin.query(`CREATE DATABASE ${name} TEMPLATE ${template}`);
    cpSync(played, data, { recursive: true });
  });
}

/** A workshop of its own for a test: fresh database, stand-ins, server; the real thing, on loopback. */
export class Workshop {
  base = '';
  databaseUrl = '';
  /** Address of the simulated supplier. */
  supplier = '';
  readonly data = mkdtempSync(join(process.env['JUBB_TEST_DATA'] ?? '/tmp', 'workshop-'));
  private env: NodeJS.ProcessEnv = {};
  private readonly running: ChildProcess[] = [];
  private server: ServerProcess | undefined;
  private browser: Browser | undefined;

  /** @param empty nothing of the demo: as a new shop begins */
  async open({ empty = false } = {}): Promise<void> {
    const name = `e2e_${process.pid}_${Date.now()}`;
    if (empty) await inAdmin((admin) => admin.query(`CREATE DATABASE ${name}`));
    else await copyDemo(name, this.data);
    this.databaseUrl = databaseUrl(name);
    const [port, standIns, supplier] = [await freePort(), await freePort(), await freePort()];
    this.supplier = `http://127.0.0.1:${supplier}`;
    this.base = `http://127.0.0.1:${port}`;
    this.env = {
      ...serverEnv(this.databaseUrl, this.data),
      PORT: String(port),
      JUBB_STAND_INS: `127.0.0.1:${standIns}`,
      JUBB_STAND_IN_PORT: String(standIns),
      JUBB_SUPPLIER: this.supplier,
      JUBB_SUPPLIER_PORT: String(supplier),
      ...(empty ? { JUBB_DEMO: 'no' } : {}),
    };
    this.running.push(
      spawn(process.execPath, [join(ROOT, 'apps/stand-ins/dist/main.js')], { env: this.env, stdio: 'ignore' }),
    );
    await this.startServer();
  }

  async startServer(): Promise<void> {
    this.server = startProcess(this.env);
    await ready(this.server);
  }

  /** Another server on the same database, at a port of its own; its address. */
  async secondServer(): Promise<string> {
    const port = await freePort();
    const server = startProcess({ ...this.env, PORT: String(port) });
    this.running.push(server);
    await ready(server);
    return `http://127.0.0.1:${port}`;
  }

  /** Ends the server without a word, as a power cut would. */
  async killServer(): Promise<void> {
    const server = this.server!;
    const gone = new Promise((done) => server.once('exit', done));
    server.removeAllListeners('exit');
    server.kill('SIGKILL');
    await Promise.race([gone, new Promise((r) => setTimeout(r, 500))]);
  }

  /** Holds the server still: alive, and silent. */
  freezeServer(): void {
    this.server?.kill('SIGSTOP');
  }

  thawServer(): void {
    this.server?.kill('SIGCONT');
  }

  async query<T>(sql: string, values: unknown[] = []): Promise<T[]> {
    const client = new pg.Client({ connectionString: this.databaseUrl });
    await client.connect();
    const { rows } = await client.query(sql, values);
    await client.end();
    return rows as T[];
  }

  /** A page in a browser context of its own: own cookies, own outbox. */
  async page(): Promise<Page> {
    this.browser ??= await puppeteer.launch({
      executablePath: '/usr/bin/chromium',
      headless: true,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
      defaultViewport: { width: 1280, height: 800, deviceScaleFactor: 1 },
    });
    const context = await this.browser.createBrowserContext();
    const page = await context.newPage();
    page.setDefaultTimeout(30_000);
    // By itself it looks again in each frame, which keeps the whole browser drawing.
    const wait = page.waitForFunction.bind(page);
    page.waitForFunction = (act, options, ...args) => wait(act, { polling: LOOK_AGAIN_MS, ...options }, ...args);
    return page;
  }

  async signIn(page: Page, name = 'Magnus Sorley', pin = '2222'): Promise<void> {
    await page.goto(this.base);
    await page.waitForSelector('.names button');
    await press(page, '.names button', name);
    await page.type('#pin', pin);
    await page.keyboard.press('Enter');
  }

  /** Opens the bench of a job, and waits until it is there and up to date; says what stands there instead. */
  async openBench(page: Page, job: string): Promise<void> {
    await page.goto(`${this.base}/job/${job}`);
    await page.waitForSelector('main.bench[aria-busy=false] .btn-go').catch(async (e: unknown) => {
      const answer = await fetch(`${this.base}/api/health/ready`).then((r) => r.status, String);
      const busy = await page.$$eval('main', (all) => all.map((m) => `${m.className} ${m.ariaBusy}`).join());
      throw new Error(`no bench of ${job}; server ${answer}; ${busy}: ${await text(page, 'body')}`, { cause: e });
    });
  }

  async close(): Promise<void> {
    await this.browser?.close();
    this.server?.removeAllListeners('exit');
    this.server?.kill('SIGKILL');
    for (const r of this.running) r.kill('SIGKILL');
  }
}

/** Presses the first element of a selector whose text holds the words, once it may be pressed. */
export async function press(page: Page, selector: string, words: string): Promise<void> {
  await page.waitForFunction(
    (s: string, w: string) =>
      [...document.querySelectorAll<HTMLButtonElement>(s)].some((e) => e.textContent?.includes(w) && !e.disabled),
    {},
    selector,
    words,
  );
  await page.evaluate(
    (s: string, w: string) => {
      [...document.querySelectorAll<HTMLButtonElement>(s)]
        .find((e) => e.textContent?.includes(w) && !e.disabled)
        ?.click();
    },
    selector,
    words,
  );
}

export const text = (page: Page, selector: string): Promise<string> => page.$eval(selector, (e) => e.textContent ?? '');
export const has = (page: Page, words: string): Promise<unknown> =>
  page
    .waitForFunction((w: string) => document.body.innerText.includes(w), {}, words)
    .catch(async () => Promise.reject(new Error(`"${words}" is nowhere in: ${await text(page, 'body')}`)));
