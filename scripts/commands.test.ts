import { afterAll, describe, expect, jest, test } from '@jest/globals';
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { cpSync, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { get as httpsGet } from 'node:https';
import { createServer, type Server } from 'node:net';
import { join } from 'node:path';
import pg from 'pg';
import { jubbIn, lines, ROOT, workFolder, type Ran } from './jubb.fixtures.ts';

jest.setTimeout(240_000);
const work = workFolder('commands');
const jubb = jubbIn(work);

describe('./jubb', () => {
  test('help names every command; an unknown one is one line and exit 2', () => {
    const help = jubb(['help']);
    expect(help.code).toBe(0);
    for (const c of ['start', 'stop', 'reset-demo', 'new-pin', 'service', 'test', 'reckon', 'verify'])
      expect(help.out).toContain(`./jubb ${c}`);
    const unknown = jubb(['strat']);
    expect([unknown.code, lines(unknown.err)]).toEqual([2, [expect.stringContaining('"strat"')]]);
  });
});

describe('./jubb service', () => {
  const hasSystemd = spawnSync('systemd-analyze', ['--version']).status === 0;
  test('prints a unit that starts this workshop with what start takes', () => {
    const data = join(work, 'a shop of 100%');
    mkdirSync(data);
    const ran = jubb(['service', '--data', data, '--https', '--port', '7900']);
    expect([ran.code, ran.err]).toEqual([0, '']);
    expect(ran.out).toContain(
      `ExecStart=/usr/bin/env bash "${join(ROOT, 'jubb')}" start --data "${data.replace('%', '%%')}" --https --port 7900\n`,
    );
    writeFileSync(join(work, 'jubb.service'), ran.out);
    // systemd's own reader, where there is one: it says what it does not understand.
    if (hasSystemd) {
      const checked = spawnSync('systemd-analyze', ['verify', join(work, 'jubb.service')], { encoding: 'utf8' });
      expect(checked.stderr.split('\n').filter((l) => l.includes('jubb.service'))).toEqual([]);
    }
  });
  test.each([[['--colour', 'red']], [['--port', 'seven']], [['--host', 'a b']], [['--data', 'no-such-folder']]])(
    '%s is refused in one line',
    (args) => {
      const ran = jubb(['service', ...args]);
      expect([ran.code, ran.out]).toEqual([1, '']);
      expect(ran.err).toContain(`${args[0]}`);
    },
  );
});

describe('./jubb start refuses in one line and damages nothing', () => {
  const listen = (): Promise<{ port: number; server: Server }> =>
    new Promise((resolve) => {
      const server = createServer().listen(0, '127.0.0.1', () =>
        resolve({ port: (server.address() as { port: number }).port, server }),
      );
    });
  const refused = (ran: Ran): string => {
    expect(ran.code).toBe(1);
    expect(lines(ran.err)).toHaveLength(1);
    return ran.err;
  };
  test('a port in use, a port that is no number, an option it does not know', async () => {
    const { port, server } = await listen();
    expect(refused(jubb(['start', '--port', String(port)]))).toContain(`port ${port} is in use`);
    server.close();
    expect(refused(jubb(['start', '--port', 'seven']))).toContain('"seven"');
    expect(refused(jubb(['start', '--colour', 'red']))).toContain('--colour');
  });
  test('data of another PostgreSQL version is left as it is', () => {
    const data = join(work, 'other-version');
    mkdirSync(join(data, 'postgres', 'data'), { recursive: true });
    writeFileSync(join(data, 'postgres', 'data', 'PG_VERSION'), '11\n');
    expect(refused(jubb(['start', '--port', '47811', '--data', data]))).toMatch(
      /made by PostgreSQL 11 and \d+ is installed/,
    );
    expect(readFileSync(join(data, 'postgres', 'data', 'PG_VERSION'), 'utf8')).toBe('11\n');
    expect(existsSync(join(data, 'jubb.pid'))).toBe(false);
  });
  test('a data folder that cannot be made', () => {
    writeFileSync(join(work, 'a-file'), '');
    expect(refused(jubb(['start', '--port', '47811', '--data', join(work, 'a-file', 'data')]))).toContain('a-file');
  });
  test('PostgreSQL is not there, and it may not install it: the command to run', () => {
    // A PATH with a dpkg-query that knows of nothing, and an id that is not root.
    const bin = join(work, 'bin');
    mkdirSync(bin, { recursive: true });
    writeFileSync(join(bin, 'dpkg-query'), '#!/bin/sh\nexit 1\n', { mode: 0o755 });
    writeFileSync(join(bin, 'id'), '#!/bin/sh\necho 1000\n', { mode: 0o755 });
    const env = { PATH: `${bin}:${process.env['PATH'] ?? ''}` };
    expect(refused(jubb(['start', '--port', '47811', '--data', join(work, 'none')], { env }))).toContain(
      'sudo apt-get install postgresql',
    );
  });
  test('a disk that is nearly full', () => {
    const bin = join(work, 'full');
    mkdirSync(bin, { recursive: true });
    writeFileSync(join(bin, 'df'), '#!/bin/sh\necho Filesystem\necho disk 100 93 7 93% /\n', { mode: 0o755 });
    const env = { PATH: `${bin}:${process.env['PATH'] ?? ''}` };
    expect(refused(jubb(['start', '--port', '47811', '--data', join(work, 'none')], { env }))).toContain('7 MB free');
  });
  test('a database that does not answer', () => {
    const ran = jubb(['start', '--port', '47811', '--data', join(work, 'far')], {
      env: { DATABASE_URL: 'postgres://jubb@127.0.0.1:1/jubb' },
    });
    expect(ran.code).toBe(1);
    expect(lines(ran.err).at(-1)).toMatch(/the database .* does not answer/);
  });
});

const address = (child: ChildProcess): Promise<string> =>
  new Promise((resolve, reject) => {
    let said = '';
    const hear = (d: Buffer): void => {
      said += d.toString();
      const found = /https?:\/\/127\.0\.0\.1:\d+/.exec(said);
      if (found) resolve(found[0]);
    };
    child.stdout!.on('data', hear);
    child.stderr!.on('data', hear);
    child.on('exit', (code) => reject(new Error(`start ended with ${code}: ${said}`)));
  });
const freePair = async (): Promise<number> => {
  for (let port = 20000 + (process.pid % 20000); ; port += 13) {
    const taken = await Promise.all([0, 1, 11, 12].map((more) => inUse(port + more)));
    if (!taken.includes(true)) return port;
  }
};
const inUse = (port: number): Promise<boolean> =>
  new Promise((resolve) => {
    const s = createServer()
      .once('error', () => resolve(true))
      .listen(port, '127.0.0.1', () => s.close(() => resolve(false)));
  });

/** One question to a database. */
async function askDatabase(url: string): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client.end();
}

describe('./jubb start and stop', () => {
  const data = join(work, 'data');
  let started: ChildProcess | undefined;
  afterAll(() => void started?.kill('SIGKILL'));
  test('an empty workshop opens, answers, is stopped with all it started, and opens again with what it had', async () => {
    const port = await freePair();
    const args = ['start', '--empty', '--port', String(port), '--data', data];
    started = spawn(join(ROOT, 'jubb'), args, { cwd: work, env: { ...process.env, DATABASE_URL: '' } });
    const base = await address(started);
    const people = (await (await fetch(`${base}/api/people`)).json()) as { name: string }[];
    expect(people).toEqual([{ name: 'Owner', initials: 'OW' }]);
    // The first PIN is made up, and stands in the data folder until it is changed.
    const pin = readFileSync(join(data, 'first-pin'), 'utf8').trim();
    expect(pin).toMatch(/^\d{8}$/);
    const signIn = async (secret: string): Promise<Response> =>
      fetch(`${base}/api/session`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ name: 'Owner', pin: secret }),
      });
    expect((await signIn('1111')).status).toBe(401);
    const signedIn = await signIn(pin);
    expect(signedIn.status).toBe(201);
    const cookie = signedIn.headers
      .getSetCookie()
      .map((c) => c.split(';')[0])
      .join('; ');
    const changed = await fetch(`${base}/api/me/pin`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json', cookie },
      body: JSON.stringify({ old: pin, pin: 'two eels in a boat' }),
    });
    expect([changed.status, existsSync(join(data, 'first-pin'))]).toEqual([204, false]);
    // Nobody gets into the database without the password of this folder.
    await expect(askDatabase(`postgres://jubb@127.0.0.1:${port + 12}/jubb`)).rejects.toThrow(/password/);
    expect(await (await fetch(base, { headers: { accept: 'text/html' } })).text()).toContain('<div id="root">');
    const key = readFileSync(join(data, 'keys', 'workshop.pub'), 'utf8');
    // A second start in the same folder says so and touches nothing.
    const second = jubb(['start', '--empty', '--port', String(port + 1), '--data', data]);
    expect([second.code, second.err]).toEqual([1, expect.stringContaining('is running already')]);
    expect((await fetch(`${base}/api/health/ready`)).status).toBe(200);

    const ended = new Promise((resolve) => started!.once('exit', resolve));
    expect(jubb(['stop', '--data', data]).out).toContain('Stopped.');
    await ended;
    for (const more of [0, 11, 12]) expect(await inUse(port + more)).toBe(false);

    started = spawn(join(ROOT, 'jubb'), args, { cwd: work, env: { ...process.env, DATABASE_URL: '' } });
    await address(started);
    expect(readFileSync(join(data, 'keys', 'workshop.pub'), 'utf8')).toBe(key);
    const gone = new Promise((resolve) => started!.once('exit', resolve));
    started.kill('SIGINT');
    expect(await gone).toBe(0);
    for (const more of [0, 11, 12]) expect(await inUse(port + more)).toBe(false);
    expect(existsSync(join(data, 'jubb.pid'))).toBe(false);
  });

  test('a start that was killed leaves nothing that stop does not end, nor that the next start trips over', async () => {
    const port = await freePair();
    const args = ['start', '--empty', '--port', String(port), '--data', data];
    const open = async (): Promise<void> => {
      started = spawn(join(ROOT, 'jubb'), args, { cwd: work, env: { ...process.env, DATABASE_URL: '' } });
      await address(started);
    };
    const kill = async (): Promise<void> => {
      const gone = new Promise((resolve) => started!.once('exit', resolve));
      started!.kill('SIGKILL');
      await gone;
      expect(await inUse(port)).toBe(true);
    };
    await open();
    await kill();
    // The next start ends what is left, and holds the port itself.
    await open();
    await kill();
    expect(jubb(['stop', '--data', data]).out).toContain('Ended 2 processes that an earlier start had left running.');
    for (const more of [0, 11, 12, 13]) expect(await inUse(port + more)).toBe(false);
  });

  test('reset-demo throws the database away and keeps the key', () => {
    cpSync(join(data, 'keys'), join(work, 'keys-before'), { recursive: true });
    expect(jubb(['reset-demo', '--data', data]).code).toBe(0);
    expect(existsSync(join(data, 'postgres'))).toBe(false);
    expect(readFileSync(join(data, 'keys', 'workshop.pub'), 'utf8')).toBe(
      readFileSync(join(work, 'keys-before', 'workshop.pub'), 'utf8'),
    );
  });
});

/** The backup that is taken below. */
const file = join(work, 'shop.tar');

describe('a workshop that was lost', () => {
  const data = join(work, 'shop');
  const again = join(work, 'shop-again');
  let started: ChildProcess | undefined;
  afterAll(() => void started?.kill('SIGKILL'));
  const open = async (folder: string): Promise<{ base: string; cookie: string }> => {
    const port = await freePair();
    started = spawn(join(ROOT, 'jubb'), ['start', '--port', String(port), '--data', folder], {
      cwd: work,
      env: { ...process.env, DATABASE_URL: '' },
    });
    base = await address(started);
    const answer = await fetch(`${base}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'Una Reith', pin: '1111' }),
    });
    return {
      base,
      cookie: answer.headers
        .getSetCookie()
        .map((c) => c.split(';')[0])
        .join('; '),
    };
  };
  let base = '';
  /** What the door answers to Una's name and a PIN. */
  const signsIn = async (pin: string): Promise<number> => {
    const answer = await fetch(`${base}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'Una Reith', pin }),
    });
    return answer.status;
  };
  const stop = async (folder: string): Promise<void> => {
    const gone = new Promise((resolve) => started!.once('exit', resolve));
    jubb(['stop', '--data', folder]);
    await gone;
  };
  interface Kept {
    readonly jobs: readonly { id: string; number: number; progress: number; nextMove: string }[];
    readonly record: { readonly events: readonly { hash: string }[] };
  }
  const lookAt = async ({ base, cookie }: { base: string; cookie: string }): Promise<Kept & { known: boolean }> => {
    const ask = async (path: string, body?: object): Promise<unknown> =>
      (
        await fetch(`${base}/api/${path}`, {
          headers: { cookie, 'content-type': 'application/json' },
          ...(body ? { method: 'POST', body: JSON.stringify(body) } : {}),
        })
      ).json();
    const { jobs } = (await ask('floor')) as Pick<Kept, 'jobs'>;
    const [over] = (await ask('jobs/handed-over')) as { id: string }[];
    const record = (await ask(`jobs/${over!.id}/record.json`)) as Kept['record'];
    const { good, known } = (await ask('records/verify', { file: record })) as { good: boolean; known: boolean };
    return { jobs, record, known: good && known };
  };

  test('comes back whole from its backup, in the default mode, and its records are of this workshop still', async () => {
    const before = await lookAt(await open(data));
    expect(before.known).toBe(true);
    expect(before.jobs.length).toBeGreaterThan(5);
    // Taken while it runs.
    const taken = jubb(['backup', file, '--data', data]);
    expect([taken.code, taken.err]).toEqual([0, '']);
    // Over a file that is there already it writes nothing.
    expect(jubb(['backup', file, '--data', data]).err).toContain('is there already');
    // Nor into a workshop that there is.
    const mixed = jubb(['restore', file, '--data', data]);
    expect([mixed.code, mixed.err]).toEqual([1, expect.stringContaining('Nothing was touched')]);
    await stop(data);
    rmSync(data, { recursive: true, force: true });
    const back = jubb(['restore', file, '--data', again]);
    expect([back.code, back.err]).toEqual([0, '']);
    const after = await lookAt(await open(again));
    expect(after.jobs.map(({ id, number, progress, nextMove }) => ({ id, number, progress, nextMove }))).toEqual(
      before.jobs.map(({ id, number, progress, nextMove }) => ({ id, number, progress, nextMove })),
    );
    expect([after.record, after.known]).toEqual([before.record, true]);
    // The owner forgot the PIN: whoever sits at the machine makes another, while it runs.
    const unknown = jubb(['new-pin', 'Nobody', '--data', again]);
    expect([unknown.code, unknown.err]).toEqual([1, expect.stringContaining('owners are "Una Reith"')]);
    const made = jubb(['new-pin', '--data', again]);
    const pin = /^Una Reith signs in with (\d{8}) now/m.exec(made.out)?.[1];
    expect([made.code, made.err]).toEqual([0, '']);
    const tries = await Promise.all(['1111', pin!].map((p) => signsIn(p)));
    expect(tries).toEqual([401, 201]);
    await stop(again);
  });

  test('with --https it says where a tablet takes its certificate, and is reached by whoever has it', async () => {
    const port = await freePair();
    started = spawn(
      join(ROOT, 'jubb'),
      ['start', '--port', String(port), '--data', again, '--https', '--host', '127.0.0.1'],
      {
        cwd: work,
        env: { ...process.env, DATABASE_URL: '' },
      },
    );
    expect(await address(started)).toBe(`https://127.0.0.1:${port}`);
    const authority = await (await fetch(`http://127.0.0.1:${port + 1}/authority.crt`)).text();
    expect(authority).toBe(readFileSync(join(again, 'tls', 'authority.crt'), 'utf8'));
    const status = await new Promise((resolve, reject) => {
      httpsGet(`https://localhost:${port}/api/health/live`, { ca: authority }, (a) => resolve(a.statusCode)).on(
        'error',
        reject,
      );
    });
    expect(status).toBe(200);
    await stop(again);
  });

  test.each<[string, () => void]>([
    ['a text', () => writeFileSync(join(work, 'bad.tar'), 'not a backup at all')],
    [
      'one with a byte changed',
      () => {
        const bytes = readFileSync(file);
        bytes[Math.floor(bytes.length / 2)]! ^= 1;
        writeFileSync(join(work, 'bad.tar'), bytes);
      },
    ],
    ['half of one', () => writeFileSync(join(work, 'bad.tar'), readFileSync(file).subarray(0, 20_000))],
  ])('%s is refused, and nothing is made of it', (_, make) => {
    make();
    const ran = jubb(['restore', join(work, 'bad.tar'), '--data', join(work, 'none-such')]);
    expect([ran.code, ran.err]).toEqual([1, expect.stringContaining('Nothing was touched')]);
    expect(existsSync(join(work, 'none-such', 'postgres'))).toBe(false);
    expect(existsSync(join(work, 'none-such', 'keys'))).toBe(false);
  });
});

/** A small disk of its own can be made only by root, where mounting is allowed. */
const disk = join(work, 'disk');
const hasDisk = ((): boolean => {
  mkdirSync(disk);
  return spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=400m,mode=755', 'tmpfs', disk]).status === 0;
})();
describe('a disk that fills up while the workshop is open', () => {
  let started: ChildProcess | undefined;
  afterAll(async () => {
    if (started) {
      const gone = new Promise((resolve) => started!.once('exit', resolve));
      started.kill('SIGTERM');
      await gone;
    }
    if (hasDisk) spawnSync('umount', ['-l', disk]);
  });
  (hasDisk ? test : test.skip)('is said; reading goes on; with room again, so does writing, by itself', async () => {
    const data = join(disk, 'data');
    // The workshop that was kept above, so that the demo is not played once more.
    expect(jubb(['restore', file, '--data', data]).err).toBe('');
    const port = await freePair();
    started = spawn(join(ROOT, 'jubb'), ['start', '--port', String(port), '--data', data], {
      cwd: work,
      env: { ...process.env, DATABASE_URL: '' },
    });
    const base = await address(started);
    const signedIn = await fetch(`${base}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'Una Reith', pin: '1111' }),
    });
    const cookie = signedIn.headers
      .getSetCookie()
      .map((c) => c.split(';')[0])
      .join('; ');
    const floor = async (): Promise<{ jobs: { id: string }[] }> =>
      (await fetch(`${base}/api/floor`, { headers: { cookie } })).json() as Promise<{ jobs: { id: string }[] }>;
    const [job] = (await floor()).jobs;
    const give = async (): Promise<number> =>
      (
        await fetch(`${base}/api/jobs/${job!.id}/commands`, {
          method: 'POST',
          headers: { 'content-type': 'application/json', cookie },
          body: JSON.stringify({
            id: crypto.randomUUID(),
            seen: 0,
            at: new Date().toISOString(),
            device: 'test',
            command: { type: 'note', text: 'is there room?' },
          }),
        })
      ).status;
    const until = async (status: number): Promise<void> => {
      for (let i = 0; (await give()) !== status; i += 1) {
        if (i > 60) throw new Error(`${status} never came`);
        await new Promise((r) => setTimeout(r, 250));
      }
    };
    expect(await give()).toBe(200);
    // To the last byte, as a camera's pictures or another program would.
    const stuffing = join(disk, 'stuffing');
    spawnSync('dd', ['if=/dev/zero', `of=${stuffing}`, 'bs=1M']);
    await until(507);
    expect((await (await fetch(`${base}/api/health/live`)).json()) as object).toEqual({ status: 'ok', disk: 'full' });
    // Reading goes on, for as long as it lasts; so does the log, into nothing.
    for (let i = 0; i < 50; i += 1) expect((await floor()).jobs.length).toBeGreaterThan(0);
    expect(await give()).toBe(507);
    rmSync(stuffing);
    await until(200);
    expect(started.exitCode).toBeNull();
  });
});
