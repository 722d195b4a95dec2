// Servers of their own process for the benchmarks, and signing in.
import { spawn } from 'node:child_process';
import { createServer } from 'node:net';

const root = new URL('../..', import.meta.url).pathname;
const running = [];

export const freePort = () =>
  new Promise((resolve) => {
    const s = createServer().listen(0, '127.0.0.1', () => {
      const { port } = s.address();
      s.close(() => resolve(port));
    });
  });

/** Starts a server on the database of DATABASE_URL; the first of several loads the demo. */
export async function startServer(demo = 'yes') {
  const port = await freePort();
  const server = spawn(process.execPath, [`${root}apps/server/dist/main.js`], {
    env: {
      ...process.env,
      PORT: String(port),
      JUBB_HOST: '127.0.0.1',
      JUBB_DEMO: demo,
      JUBB_LOG: 'fatal',
      JUBB_STAND_INS: '127.0.0.1:1',
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  running.push(server);
  await new Promise((resolve, reject) => {
    server.stdout.on('data', (d) => d.toString().includes('ready on') && resolve());
    server.on('exit', (code) => reject(new Error(`the server ended with ${code}`)));
  });
  return { base: `http://127.0.0.1:${port}`, pid: server.pid };
}

export async function signIn(base, name = 'Magnus Sorley', pin = '2222') {
  const answer = await fetch(`${base}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name, pin }),
  });
  if (answer.status !== 201) throw new Error(`${name} cannot sign in: ${answer.status} ${await answer.text()}`);
  return answer.headers
    .getSetCookie()
    .map((c) => c.split(';')[0])
    .join('; ');
}

export function stopServers() {
  for (const s of running) {
    s.removeAllListeners('exit');
    s.kill('SIGTERM');
  }
}
