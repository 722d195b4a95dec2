import { spawn, type ChildProcess } from 'node:child_process';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { demoCopy } from './shop.fixtures.ts';

/** A server in a process of its own, as `./jubb start` runs it: what holds it up holds up nobody else. */
export interface SpawnedServer {
  readonly base: string;
  readonly process: ChildProcess;
  /** Cookies of somebody of the demo. */
  signIn(name: string, pin: string): Promise<string>;
  stop(): Promise<void>;
}
export type Copy = Awaited<ReturnType<typeof demoCopy>>;

function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const s = createServer().listen(0, '127.0.0.1', () => {
      const { port } = s.address() as { port: number };
      s.close(() => resolve(port));
    });
  });
}

/** Starts a server on a copy of the demo; several may run on one. */
export async function spawnServer(copy: Copy, env: NodeJS.ProcessEnv = {}): Promise<SpawnedServer> {
  const port = await freePort();
  const child = spawn(process.execPath, [join(process.cwd(), 'apps/server/dist/main.js')], {
    env: {
      ...process.env,
      DATABASE_URL: copy.url,
      PORT: String(port),
      JUBB_DATA: copy.dataDir,
      JUBB_LIBRARY: join(process.cwd(), 'library'),
      JUBB_STAND_INS: '127.0.0.1:1',
      JUBB_SUPPLIER: 'http://127.0.0.1:1',
      JUBB_LOG: 'error',
      ...env,
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let said = '';
  child.stderr.on('data', (d: Buffer) => (said += d.toString()));
  await new Promise<void>((resolve, reject) => {
    child.stdout.on('data', (d: Buffer) => {
      said += d.toString();
      if (said.includes('ready on')) resolve();
    });
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}: ${said.slice(-2000)}`)));
  });
  const base = `http://127.0.0.1:${port}`;
  return {
    base,
    process: child,
    signIn: async (name, pin) => {
      const answer = await fetch(`${base}/api/session`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ name, pin }),
      });
      if (answer.status !== 201) throw new Error(`${name} cannot sign in: ${answer.status}`);
      return answer.headers
        .getSetCookie()
        .map((c) => c.split(';')[0]!)
        .join('; ');
    },
    stop: async () => {
      if (child.exitCode !== null || child.signalCode !== null) return;
      const gone = new Promise((done) => child.once('exit', done));
      child.kill('SIGKILL');
      await gone;
    },
  };
}

/** Asks in a thread of its own, so that what the test itself does is not counted: one request after another, 10 ms apart. */
const WATCH = `
  const { parentPort, workerData } = require('node:worker_threads');
  const { get, Agent } = require('node:http');
  const agent = new Agent({ keepAlive: true });
  let over = false, worstMs = 0, asked = 0;
  parentPort.on('message', () => { over = true; });
  const ask = () => {
    if (over) { agent.destroy(); parentPort.postMessage({ worstMs, asked }); parentPort.close(); return; }
    const began = performance.now();
    const done = () => {
      worstMs = Math.max(worstMs, performance.now() - began);
      asked += 1;
      setTimeout(ask, 10);
    };
    get(workerData, { agent }, (r) => r.resume().on('end', done)).on('error', done);
  };
  ask();
`;

/** Asks whether a server is well, again and again, until it is told to stop; the longest that an answer took, ms. */
export function watchHealth(base: string): () => Promise<{ readonly worstMs: number; readonly asked: number }> {
  const thread = new Worker(WATCH, { eval: true, workerData: `${base}/api/health/live` });
  const answer = new Promise<{ worstMs: number; asked: number }>((resolve, reject) => {
    thread.once('message', resolve);
    thread.once('error', reject);
  });
  return () => {
    thread.postMessage('stop');
    return answer;
  };
}
