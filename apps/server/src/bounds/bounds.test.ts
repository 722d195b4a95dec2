import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { demoCopy } from '../shop.fixtures.ts';
import { spawnServer, watchHealth, type SpawnedServer } from '../spawned.fixtures.ts';
import { boundOf, HEAVY, USUAL_BODY } from './bounds.ts';
import { parseBody } from './check-json.ts';

jest.setTimeout(180_000);
/**
 * Nobody is held up: before, health waited for minutes. Whether it keeps to its 100 ms is measured by the benchmark
 * (`bench/hostile.mjs`), on a machine that does nothing else.
 */
const WELL_MS = 2000;
let server: SpawnedServer;
let owner: string;
beforeAll(async () => {
  server = await spawnServer(await demoCopy());
  owner = await server.signIn('Una Reith', '1111');
});
afterAll(() => server.stop());

const post = (path: string, body: string | FormData, cookie = '', type = 'application/json'): Promise<Response> =>
  fetch(`${server.base}${path}`, {
    method: 'POST',
    body,
    headers: { ...(typeof body === 'string' ? { 'content-type': type } : {}), cookie },
  });
const get = (path: string, cookie = owner): Promise<Response> =>
  fetch(`${server.base}${path}`, { headers: { cookie } });
const keys = (n: number): string => `{${Array.from({ length: n }, (_, i) => `"k${i}":${i}`).join(',')}}`;

describe('a body that is too much', () => {
  const deep = (n: number): string => '['.repeat(n) + ']'.repeat(n);
  test.each<[string, string, () => string, boolean, number]>([
    ['300,000 keys by a stranger', '/api/session', () => keys(300_000), false, 413],
    ['4 MB by a stranger', '/api/session', () => `{"name":"${'x'.repeat(4_000_000)}"}`, false, 413],
    ['a stranger’s large command', `/api/jobs/${randomUUID()}/commands`, () => keys(60_000), false, 401],
    ['a stranger’s record', '/api/records/verify', () => `{"file":${keys(200_000)}}`, false, 401],
    ['300,000 keys by somebody signed in', `/api/jobs/${randomUUID()}/commands`, () => keys(60_000), true, 413],
    ['30,000 keys in one object', `/api/jobs/${randomUUID()}/commands`, () => `{"command":${keys(30_000)}}`, true, 413],
    ['depth', '/api/jobs', () => deep(7000), true, 400],
    ['depth within a run', `/api/jobs/${randomUUID()}/commands`, () => `{"command":${deep(200_000)}}`, true, 400],
    ['a record of 390,000 keys', '/api/records/verify', () => `{"file":${keys(390_000)}}`, true, 200],
    ['a record that is deep', '/api/records/verify', () => `{"file":${deep(300_000)}}`, true, 400],
    ['a plan of nonsense', '/api/plan', () => `{"slots":[${'{},'.repeat(20_000)}{}]}`, true, 413],
    ['a plan of as much nonsense as is read', '/api/plan', () => `{"slots":[${'{},'.repeat(6900)}{}]}`, true, 400],
    [
      'a run of as much nonsense as is read',
      `/api/jobs/${randomUUID()}/commands`,
      () => `{"command":{"type":"take-run","op":"x","run":[${'[1,1,1],'.repeat(8900)}[]]}}`,
      true,
      400,
    ],
    ['what is not JSON', '/api/jobs', () => '{"a":', true, 400],
  ])('%s: %s, while health answers', async (_, path, body, signedIn, status) => {
    const text = body();
    const watched = watchHealth(server.base);
    const answer = await post(path, text, signedIn ? owner : '');
    const { worstMs, asked } = await watched();
    expect(answer.status).toBe(status);
    expect(asked).toBeGreaterThan(0);
    expect(worstMs).toBeLessThan(WELL_MS);
  });

  test('another kind of body than JSON is refused by name', async () => {
    const answer = await post('/api/jobs', 'a=1', owner, 'application/x-www-form-urlencoded');
    expect([answer.status, ((await answer.json()) as { detail: string }).detail]).toEqual([
      415,
      'A body is JSON: content-type application/json',
    ]);
  });
});

describe('work that takes long is done elsewhere', () => {
  const lint = (source: string): Promise<Response> => post('/api/sheets/lint', JSON.stringify({ source }), owner);

  test.each<[string, () => string]>([
    ['40,000 keys', () => `jubb: build-sheet/1\n${Array.from({ length: 40_000 }, (_, i) => `k${i}: 1\n`).join('')}`],
    ['20,000 keys in one line', () => `{${Array.from({ length: 20_000 }, (_, i) => `k${i}: 1`).join(', ')}}`],
    ['the same key 30,000 times', () => 'sheet: x\n'.repeat(30_000)],
    ['a list of 100,000', () => `rungs:\n${'- a\n'.repeat(90_000)}`],
    [
      'a billion laughs',
      () =>
        [
          'a: &a [x,x,x,x,x,x,x,x]',
          ...'bcdefgh'.split('').map((c, i) => `${c}: &${c} [${Array(8).fill(`*${'abcdefgh'[i]}`).join(',')}]`),
        ].join('\n'),
    ],
    ['brackets', () => '['.repeat(100_000)],
  ])('a sheet of %s is answered within the limit, and health meanwhile', async (_, source) => {
    const text = source();
    const watched = watchHealth(server.base);
    const began = performance.now();
    const answer = await lint(text);
    const took = performance.now() - began;
    const { worstMs } = await watched();
    expect([200, 422]).toContain(answer.status);
    if (answer.status === 200) {
      const said = (await answer.json()) as { usable: boolean; problems: unknown[] };
      expect([said.usable, said.problems.length > 0, said.problems.length <= 200]).toEqual([false, true, true]);
    }
    // The thread's limit, and a little.
    expect(took).toBeLessThan(HEAVY.ms + 5000);
    expect(worstMs).toBeLessThan(WELL_MS);
  });

  test('after one that took too long the next is read as ever', async () => {
    const good = await lint('jubb: build-sheet/1\nsheet: x\nrevisio: 1\n');
    expect(((await good.json()) as { problems: { code: string }[] }).problems.map((p) => p.code)).toContain(
      'unknown-key',
    );
  });

  test.each<[string, () => string, number]>([
    ['4 MB of commas', () => ','.repeat(4_000_000), 400],
    ['4 MB of commas under a heading', () => `number,price\n${','.repeat(4_000_000)}`, 400],
    ['a million empty lines of two cells', () => `number,price\n${',\n'.repeat(1_000_000)}`, 400],
    ['one open quote', () => `number,price\n"${'x'.repeat(4_000_000)}`, 400],
    ['more than is taken', () => 'x'.repeat(17_000_000), 413],
  ])('a price list of %s is refused, and health answers meanwhile', async (_, list, status) => {
    const form = new FormData();
    form.set('file', new Blob([list()]), 'list.csv');
    const watched = watchHealth(server.base);
    const answer = await post('/api/parts/price-list?supplier=x', form, owner);
    const { worstMs } = await watched();
    expect(answer.status).toBe(status);
    expect(worstMs).toBeLessThan(WELL_MS);
  });
});

describe('an address', () => {
  test.each<[string, string, number]>([
    ['with a NUL', '/api/customers?q=a%00b', 400],
    ['that cannot be decoded', '/api/customers?q=%E0%A4%A', 400],
    ['with half a character', '/api/customers?q=%ED%A0%80', 400],
    ['that is too long', `/api/customers?q=${'x'.repeat(3000)}`, 414],
    ['nested in its question', `/api/customers?${'q[a]'.padEnd(900, '[a]')}=1`, 200],
    ['with the same question twice', '/api/customers?q=a&q=b', 200],
    ['after an event past all numbers', `/api/jobs/${randomUUID()}/events?after=99999999999999999999`, 404],
    ['of a quote past all numbers', `/api/jobs/${randomUUID()}/quotes/99999999999.pdf`, 404],
    ['of a path that climbs', '/api/..%2f..%2fetc%2fpasswd', 404],
  ])('%s', async (_, path, status) => {
    expect((await get(path)).status).toBe(status);
  });
});

describe('a value that cannot be kept is the sender’s fault, at its field', () => {
  const envelope = (more: object): string =>
    JSON.stringify({
      id: randomUUID(),
      seen: 0,
      at: new Date().toISOString(),
      device: 't',
      command: { type: 'sign-off' },
      ...more,
    });
  test.each<[string, object]>([
    ['a sequence past all numbers', { seen: 2 ** 31 }],
    ['a time in weeks', { at: '2026-W10' }],
    ['an age below nothing', { ageMs: -1 }],
    ['half a character', { device: '\ud800' }],
    ['a NUL', { device: 'a\u0000b' }],
    [
      'a promise on a day that there is not',
      { command: { type: 'move-delivery-date', deliveryDate: '2026-02-30T10:00:00Z', says: 'x' } },
    ],
  ])('%s', async (_, more) => {
    const answer = await post(`/api/jobs/${randomUUID()}/commands`, envelope(more), owner);
    expect(answer.status).toBe(400);
  });
  test('a key that would change all objects', async () => {
    const answer = await post('/api/reckon/thread', '{"__proto__":{"a":1},"designation":"M10"}', owner);
    expect(answer.status).toBe(400);
  });
});

describe('the reader of bodies', () => {
  const bound = { depth: 3, values: 5, objects: 4, keys: 3 };
  test.each<[string, string, boolean]>([
    ['brackets within texts are no depth', '{"a":"[[[[[["}', true],
    ['quotes within texts are no end', '{"a":"\\"[[[[["}', true],
    ['as deep as it may', '[[[1]]]', true],
    ['one deeper', '[[[[1]]]]', false],
    ['as many as may be', '[1,2,3,4,5]', true],
    ['one more', '[1,2,3,4,5,6]', false],
    ['as many objects as may be', '[{},{},{}]', true],
    ['one more object', '[{},{},{},{}]', false],
    ['as many keys as an object may have', '{"a":1,"b":2,"c":3}', true],
    ['one more key', '{"a":1,"b":2,"c":3,"d":4}', false],
    ['a whole pair of surrogates', '"😀"', true],
    ['a pair written out', '"\\ud83d\\ude00"', true],
    ['half of one', '"\\ud83d"', false],
    ['the other half', '"a\\ude00"', false],
  ])('%s', (_, text, good) => {
    if (good) expect(parseBody(text, bound)).toEqual(JSON.parse(text));
    else expect(() => parseBody(text, bound)).toThrow();
  });
  test('a route that nobody has given a bound has the usual one', () => {
    expect(boundOf('POST', '/api/some/thing/new')).toBe(USUAL_BODY);
    expect(boundOf('POST', '/api/session').bytes).toBeLessThan(USUAL_BODY.bytes);
  });
});
