import { afterAll, describe, expect, jest, test } from '@jest/globals';
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { chmodSync, cpSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:net';
import { join } from 'node:path';

jest.setTimeout(240_000);
const ROOT = process.cwd();
const work = mkdtempSync(join(process.env['JUBB_TEST_DATA'] ?? '/tmp', 'commands-'));
// The database runs as another user when the tests run as root.
chmodSync(work, 0o755);
afterAll(() => rmSync(work, { recursive: true, force: true }));

interface Ran {
  readonly code: number | null;
  readonly out: string;
  readonly err: string;
}
/** Runs `./jubb …` to its end. Lines about packages and building are left out of what it said. */
function jubb(args: readonly string[], more: { input?: string; env?: NodeJS.ProcessEnv; cwd?: string } = {}): Ran {
  const ran = spawnSync(join(ROOT, 'jubb'), args, {
    cwd: more.cwd ?? work,
    input: more.input ?? '',
    env: { ...process.env, DATABASE_URL: '', ...more.env },
    encoding: 'utf8',
    timeout: 100_000,
  });
  return { code: ran.status, out: ran.stdout, err: ran.stderr.replace(/^(Building|Installing) .*\n/gm, '') };
}
const lines = (text: string): string[] => text.trimEnd().split('\n');

describe('./jubb', () => {
  test('help names every command; an unknown one is one line and exit 2', () => {
    const help = jubb(['help']);
    expect(help.code).toBe(0);
    for (const c of ['start', 'stop', 'reset-demo', 'test', 'reckon', 'verify'])
      expect(help.out).toContain(`./jubb ${c}`);
    const unknown = jubb(['strat']);
    expect([unknown.code, lines(unknown.err)]).toEqual([2, [expect.stringContaining('"strat"')]]);
  });
});

describe('./jubb reckon', () => {
  test('one reckoning: JSON out, exit 0', () => {
    const ran = jubb([
      'reckon',
      'wrench-setting',
      '{"torque":"100 N·m","wrenchLength":"400 mm","extension":"50 mm","scaleUnit":"N·m","graduation":0.1}',
    ]);
    expect(ran.code).toBe(0);
    const answer = JSON.parse(ran.out) as { results: { setting: { value: number } }; working: unknown[] };
    expect(answer.results.setting.value).toBeCloseTo(88.9, 9);
    expect(answer.working.length).toBeGreaterThan(0);
  });
  test.each([
    [
      'a field of the wrong dimension',
      ['reckon', 'bolt-torque', '{"thread":"M8","propertyClass":"8.8","holeDiameter":"9 N·m"}'],
      'wrong-dimension',
      'holeDiameter',
    ],
    ['no such reckoner', ['reckon', 'bolt-tork', '{}'], 'unknown-reckoner', 'id'],
    ['not JSON', ['reckon', 'thread', '{designation'], 'not-json', ''],
  ])('%s: the error as JSON, exit 1', (_name, args, code, field) => {
    const ran = jubb(args);
    expect(ran.code).toBe(1);
    expect((JSON.parse(ran.out) as { error: object }).error).toMatchObject({ code, field });
  });
  test('--batch: one line out for each line in, in order, errors in their place', () => {
    const ran = jubb(['reckon', '--batch'], {
      input:
        '{"id":"thread","inputs":{"designation":"M10"}}\nnonsense\n\n{"id":"thread","inputs":{"designation":"M11.5"}}\n{"id":"nothing","inputs":{}}\n',
    });
    const out = lines(ran.out).map(
      (l) =>
        JSON.parse(l) as { id: string | null; results?: { stressArea: { value: number } }; error?: { code: string } },
    );
    expect(ran.code).toBe(0);
    expect(out.map((o) => o.id)).toEqual(['thread', null, 'thread', 'nothing']);
    expect(out[0]!.results!.stressArea.value).toBeCloseTo(58, 1);
    expect(out.slice(1).map((o) => o.error!.code)).toEqual(['not-json', 'unknown-thread', 'unknown-reckoner']);
  });
  test('--list: every reckoner with its fields', () => {
    const list = JSON.parse(jubb(['reckon', '--list']).out) as { id: string; inputs: object }[];
    expect(list.find((r) => r.id === 'shim-stack')!.inputs).toHaveProperty('drawer');
  });
});

describe('./jubb verify', () => {
  test('no file, a file that is not there, a file that is not JSON, an empty export: each its own line', () => {
    expect(jubb(['verify']).code).toBe(2);
    expect(jubb(['verify', 'nothing.json']).err).toMatch(/nothing\.json cannot be read/);
    writeFileSync(join(work, 'broken.json'), '{"jubb":');
    expect(jubb(['verify', 'broken.json']).code).toBe(1);
    writeFileSync(join(work, 'empty.json'), '{}');
    const empty = jubb(['verify', 'empty.json']);
    expect([empty.code, empty.out]).toEqual([1, expect.stringContaining('BAD')]);
  });
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

describe('./jubb start and stop', () => {
  const data = join(work, 'data');
  let started: ChildProcess | undefined;
  afterAll(() => void started?.kill('SIGKILL'));
  const address = (child: ChildProcess): Promise<string> =>
    new Promise((resolve, reject) => {
      let said = '';
      const hear = (d: Buffer): void => {
        said += d.toString();
        const found = /http:\/\/127\.0\.0\.1:\d+/.exec(said);
        if (found) resolve(found[0]);
      };
      child.stdout!.on('data', hear);
      child.stderr!.on('data', hear);
      child.on('exit', (code) => reject(new Error(`start ended with ${code}: ${said}`)));
    });
  const freePair = async (): Promise<number> => {
    for (let port = 20000 + (process.pid % 20000); ; port += 13) {
      const taken = await Promise.all([0, 11, 12].map((more) => inUse(port + more)));
      if (!taken.includes(true)) return port;
    }
  };
  const inUse = (port: number): Promise<boolean> =>
    new Promise((resolve) => {
      const s = createServer()
        .once('error', () => resolve(true))
        .listen(port, '127.0.0.1', () => s.close(() => resolve(false)));
    });

  test('an empty workshop opens, answers, is stopped with all it started, and opens again with what it had', async () => {
    const port = await freePair();
    const args = ['start', '--empty', '--port', String(port), '--data', data];
    started = spawn(join(ROOT, 'jubb'), args, { cwd: work, env: { ...process.env, DATABASE_URL: '' } });
    const base = await address(started);
    const people = (await (await fetch(`${base}/api/people`)).json()) as { name: string }[];
    expect(people.map((p) => p.name)).toEqual(['Owner']);
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

  test('reset-demo throws the database away and keeps the key', () => {
    cpSync(join(data, 'keys'), join(work, 'keys-before'), { recursive: true });
    expect(jubb(['reset-demo', '--data', data]).code).toBe(0);
    expect(existsSync(join(data, 'postgres'))).toBe(false);
    expect(readFileSync(join(data, 'keys', 'workshop.pub'), 'utf8')).toBe(
      readFileSync(join(work, 'keys-before', 'workshop.pub'), 'utf8'),
    );
  });
});
