// npm run bench:backup: what a backup of a shop with 1 GB of pictures, its export and its restore take of memory and time.
import { spawn } from 'node:child_process';
import { randomBytes, randomUUID } from 'node:crypto';
import { chmodSync, createWriteStream, mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { signIn, startServer, stopServers } from './lib/servers.mjs';

const GOAL_MB = 300;
const PICTURES = 512;
const EACH = 2 * 1024 * 1024;
const command = fileURLToPath(new URL('../jubb', import.meta.url));

/** Processes as the kernel lists them: id, parent, name and memory in MB. One that has just ended is left out. */
function processes() {
  return readdirSync('/proc').flatMap((pid) => {
    if (!/^\d+$/.test(pid)) return [];
    try {
      const status = readFileSync(`/proc/${pid}/status`, 'utf8');
      const field = (name) => status.match(new RegExp(`^${name}:\\s*(\\S+)`, 'm'))?.[1] ?? '0';
      return [{ pid, parent: field('PPid'), name: field('Name'), mb: Number(field('VmRSS')) / 1024 }];
    } catch (e) {
      if (e.code === 'ENOENT' || e.code === 'ESRCH') return [];
      throw e;
    }
  });
}

/** Watches a process and all that it started, but PostgreSQL's own server; what is answered says the most that they held, MB. */
function watched(pid) {
  let most = 0;
  const look = () => {
    const all = processes();
    const tree = new Set([String(pid)]);
    for (let before = 0; before < tree.size;) {
      before = tree.size;
      for (const p of all) if (tree.has(p.parent)) tree.add(p.pid);
    }
    const held = all.reduce((sum, p) => (tree.has(p.pid) && p.name !== 'postgres' ? sum + p.mb : sum), 0);
    most = Math.max(most, held);
  };
  look();
  const timer = setInterval(look, 100);
  return () => {
    clearInterval(timer);
    return most;
  };
}

const work = mkdtempSync(join(process.env.JUBB_DATA, 'backup-'));
// PostgreSQL's own user has to come through.
chmodSync(work, 0o755);
const missed = [];
/** `rest`: what the process held before it began; 0 of a command of its own. */
const tell = (what, took, most, rest) => {
  if (most - rest > GOAL_MB) missed.push(what);
  console.log(
    `${what} (goal ${GOAL_MB} MB): ${(most - rest).toFixed(0)} MB${rest > 0 ? ' over the baseline' : ''} at most, ${(took / 1000).toFixed(1)} s`,
  );
};
// The one that plays the demo has held much since; a shop's own server has not.
await startServer('yes');
stopServers();
const server = await startServer('no');
try {
  const cookie = await signIn(server.base, 'Una Reith', '1111');
  const get = (path) => fetch(`${server.base}/api/shop/${path}`, { headers: { cookie } });
  const base = watched(server.pid)();
  const db = new pg.Client({ connectionString: process.env.DATABASE_URL });
  await db.connect();
  const [{ id }] = (await db.query('SELECT id FROM job LIMIT 1')).rows;
  for (let i = 0; i < PICTURES; i += 1)
    await db.query(
      `INSERT INTO photo (id, job_id, bytes, sha256, width, height, by_name)
       SELECT $1::uuid, $2::uuid, $3::bytea, encode(sha256($3::bytea), 'hex'), 1600, 1200, 'Bench'`,
      [randomUUID(), id, randomBytes(EACH)],
    );
  await db.end();
  console.log(
    `baseline: the server at rest, with ${(PICTURES * EACH) / 2 ** 30} GB of pictures in its shop: ${base.toFixed(0)} MB`,
  );

  let from = performance.now();
  let most = watched(server.pid);
  const asked = await fetch(`${server.base}/api/shop/backups`, { method: 'POST', headers: { cookie } });
  if (asked.status !== 202) throw new Error(`no backup: ${asked.status} ${await asked.text()}`);
  const taken = (await asked.json()).id;
  for (let view = { state: 'running' }; view.state === 'running';) {
    await new Promise((r) => setTimeout(r, 200));
    view = (await (await get('backups')).json()).all.find((b) => b.id === taken);
    if (view.state === 'failed') throw new Error(view.problem);
  }
  tell('a backup, from the screen', performance.now() - from, most(), base);

  from = performance.now();
  most = watched(server.pid);
  const file = join(work, 'whole.tar');
  await pipeline(Readable.fromWeb((await get(`backups/${taken}/file`)).body), createWriteStream(file));
  tell(
    `the same, downloaded, ${(statSync(file).size / 2 ** 20).toFixed(0)} MB`,
    performance.now() - from,
    most(),
    base,
  );

  from = performance.now();
  most = watched(server.pid);
  const zip = join(work, 'all.zip');
  await pipeline(Readable.fromWeb((await get('export.zip')).body), createWriteStream(zip));
  tell(
    `everything as open files, ${(statSync(zip).size / 2 ** 20).toFixed(0)} MB`,
    performance.now() - from,
    most(),
    base,
  );

  from = performance.now();
  const { DATABASE_URL: _own, ...env } = process.env;
  const restore = spawn(command, ['restore', file, '--data', join(work, 'restored')], {
    env,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  most = watched(restore.pid);
  const code = await new Promise((resolve) => restore.on('exit', resolve));
  if (code !== 0) throw new Error(`./jubb restore ended with ${code}`);
  tell('./jubb restore', performance.now() - from, most(), 0);
} finally {
  stopServers();
  rmSync(work, { recursive: true, force: true });
}
if (missed.length > 0) {
  console.error(`over its goal: ${missed.join('; ')}`);
  process.exitCode = 1;
}
