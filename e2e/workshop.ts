import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import pg from 'pg';
import puppeteer, { type Browser, type Page } from 'puppeteer-core';

const ROOT = process.cwd();

export function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const s = createServer().listen(0, '127.0.0.1', () => {
      const { port } = s.address() as { port: number };
      s.close(() => resolve(port));
    });
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
  private server: ChildProcess | undefined;
  private browser: Browser | undefined;

  /** @param empty nothing of the demo: as a new shop begins */
  async open({ empty = false } = {}): Promise<void> {
    const admin = process.env['JUBB_TEST_DATABASE'];
    if (!admin) throw new Error('run ./jubb test: it starts the database that this test needs');
    const name = `e2e_${process.pid}_${Date.now()}`;
    const client = new pg.Client({ connectionString: admin });
    await client.connect();
    await client.query(`CREATE DATABASE ${name}`);
    await client.end();
    this.databaseUrl = admin.replace(/\/[^/]+$/, `/${name}`);
    const [port, standIns, supplier] = [await freePort(), await freePort(), await freePort()];
    this.supplier = `http://127.0.0.1:${supplier}`;
    this.base = `http://127.0.0.1:${port}`;
    this.env = {
      ...process.env,
      DATABASE_URL: this.databaseUrl,
      PORT: String(port),
      JUBB_DATA: this.data,
      JUBB_WEB: join(ROOT, 'apps/web/dist'),
      JUBB_LIBRARY: join(ROOT, 'library'),
      JUBB_STAND_INS: `127.0.0.1:${standIns}`,
      JUBB_STAND_IN_PORT: String(standIns),
      JUBB_SUPPLIER: this.supplier,
      JUBB_SUPPLIER_PORT: String(supplier),
      JUBB_LOG: 'error',
      ...(empty ? { JUBB_DEMO: 'no' } : {}),
    };
    this.running.push(
      spawn(process.execPath, [join(ROOT, 'apps/stand-ins/dist/main.js')], { env: this.env, stdio: 'ignore' }),
    );
    await this.startServer();
  }

  async startServer(): Promise<void> {
    const server = spawn(process.execPath, [join(ROOT, 'apps/server/dist/main.js')], {
      env: this.env,
      stdio: ['ignore', 'pipe', 'ignore'],
    });
    this.server = server;
    await new Promise<void>((resolve, reject) => {
      server.stdout.on('data', (d: Buffer) => {
        if (d.toString().includes('ready on')) resolve();
      });
      server.on('exit', (code) => reject(new Error(`the server ended with ${code}`)));
    });
  }

  /** Another server on the same database, at a port of its own; its address. */
  async secondServer(): Promise<string> {
    const port = await freePort();
    const server = spawn(process.execPath, [join(ROOT, 'apps/server/dist/main.js')], {
      env: { ...this.env, PORT: String(port) },
      stdio: ['ignore', 'pipe', 'ignore'],
    });
    this.running.push(server);
    await new Promise<void>((resolve, reject) => {
      server.stdout.on('data', (d: Buffer) => {
        if (d.toString().includes('ready on')) resolve();
      });
      server.on('exit', (code) => reject(new Error(`the second server ended with ${code}`)));
    });
    server.removeAllListeners('exit');
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
