import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import request from 'supertest';
import { DataSource } from 'typeorm';
import { demoCopy, openServer, openShop, signIn, type TestShop } from '../shop.fixtures.ts';
import { AuthService } from './auth.service.ts';
import { pinProblem } from './pin.ts';

jest.setTimeout(180_000);
let shop: TestShop;
beforeAll(async () => {
  shop = await openShop();
});
afterAll(() => shop.app.close());

const tryPin = (name: string, pin: string, cookie = ''): request.Test =>
  shop.http().post('/api/session').set('Cookie', cookie).send({ name, pin });
const db = (): DataSource => shop.app.get(DataSource);
const forget = (): Promise<unknown> => db().query('DELETE FROM sign_in_try');
/** As if so long had gone by since the last try. */
const wait = (seconds: number): Promise<unknown> =>
  db().query(
    `UPDATE sign_in_try SET last_at = last_at - make_interval(secs => $1), next_at = next_at - make_interval(secs => $1)`,
    [seconds],
  );

describe('tries to sign in', () => {
  test('of two hundred at once no more are judged than of two hundred one after another', async () => {
    await forget();
    const answers = await Promise.all(
      Array.from({ length: 200 }, (_, i) => tryPin('Ailsa Brock', String(5000 + i)).then((a) => a.status)),
    );
    // Five free ones: the fifth begins a wait. The right PIN does not pass either.
    expect(answers.filter((s) => s === 401)).toHaveLength(5);
    expect(answers.filter((s) => s === 429)).toHaveLength(195);
    expect((await tryPin('Ailsa Brock', '3333')).status).toBe(429);
  });

  test('of two servers on one database no more are judged than of one', async () => {
    await forget();
    const other = await openServer(shop.copy);
    try {
      const at = (i: number): request.Test =>
        (i % 2 ? shop.http() : request(other.getHttpServer())).post('/api/session').send({
          name: 'Ailsa Brock',
          pin: String(5000 + i),
        });
      const answers = await Promise.all(Array.from({ length: 60 }, (_, i) => at(i).then((a) => a.status)));
      expect(answers.filter((s) => s === 401)).toHaveLength(5);
    } finally {
      await other.close();
    }
  });

  test('each further wrong one doubles the wait; nine guesses in ten minutes at most', async () => {
    await forget();
    const waits: number[] = [];
    let judged = 0;
    for (let second = 0; second < 600;) {
      const answer = await tryPin('Ailsa Brock', '9999');
      if (answer.status === 401) {
        judged += 1;
        continue;
      }
      const seconds = Number(/again in (\d+) (s|min)/.exec(answer.body.detail as string)![1]);
      const inSeconds = (answer.body.detail as string).includes('min') ? seconds * 60 : seconds;
      waits.push(inSeconds);
      await wait(inSeconds);
      second += inSeconds;
    }
    expect(judged).toBeLessThanOrEqual(9);
    expect(waits.slice(0, 3)).toEqual([30, 60, 120]);
  });

  test('a wrong one that is still being judged does not take the wait away', async () => {
    await forget();
    await Promise.all(Array.from({ length: 12 }, () => tryPin('Ailsa Brock', '9999')));
    const [row] = await db().query<{ tries: number; waits: boolean }[]>(
      `SELECT tries, next_at > now() AS waits FROM sign_in_try WHERE key LIKE 'person %'`,
    );
    expect(row).toEqual({ tries: 5, waits: true });
  });

  test('a stranger shuts nobody out of a device that was signed in before, and gains nothing by it', async () => {
    await forget();
    const mine = await signIn(shop.http(), 'Ailsa Brock', '3333');
    for (let i = 0; i < 8; i += 1) await tryPin('Ailsa Brock', '9999');
    expect((await tryPin('Ailsa Brock', '3333')).status).toBe(429);
    expect((await tryPin('Ailsa Brock', '3333', mine)).status).toBe(201);
    // A made-up mark is a stranger's.
    expect((await tryPin('Ailsa Brock', '3333', 'jubb_device=AAAA')).status).toBe(429);
    // On the device itself wrong ones are counted all the same.
    const own = await signIn(shop.http(), 'Una Reith', '1111');
    const answers: number[] = [];
    for (let i = 0; i < 7; i += 1) answers.push((await tryPin('Una Reith', '9999', own)).status);
    expect(answers).toEqual([401, 401, 401, 401, 401, 429, 429]);
  });

  test('one address that tries everybody waits too', async () => {
    await forget();
    const names = ['Una Reith', 'Magnus Sorley', 'Ailsa Brock', 'Tam Veitch'];
    const answers: number[] = [];
    for (let i = 0; i < 30; i += 1) answers.push((await tryPin(names[i % 4]!, '9999')).status);
    expect(answers.filter((s) => s === 401).length).toBeLessThanOrEqual(20);
    await forget();
  });

  test('a wait that was made while the clock was a day ahead is over', async () => {
    await forget();
    for (let i = 0; i < 6; i += 1) await tryPin('Tam Veitch', '9999');
    expect((await tryPin('Tam Veitch', '4444')).status).toBe(429);
    await wait(-86_400);
    expect((await tryPin('Tam Veitch', '4444')).status).toBe(201);
  });

  test('a name that there is not is answered as a wrong PIN', async () => {
    const answer = await tryPin('Nobody Here', '1111');
    expect([answer.status, answer.body.detail]).toEqual([401, 'That is not the PIN']);
  });
});

describe('what a stranger learns', () => {
  test('names and initials, no ids and no roles', async () => {
    const people = (await shop.http().get('/api/people')).body as object[];
    expect(people).toHaveLength(4);
    for (const p of people) expect(Object.keys(p).sort()).toEqual(['initials', 'name']);
  });
  test.each(['/api/docs', '/api/docs-json', '/api/docs-yaml', '/api/docs/'])(
    '%s is behind the sign-in',
    async (path) => {
      expect((await shop.http().get(path)).status).toBe(401);
      expect((await shop.get(path).redirects(1)).status).toBe(200);
    },
  );
  test('private answers are kept by nobody', async () => {
    for (const path of ['/api/me', '/api/floor', '/api/people', '/api/parts'])
      expect((await shop.get(path)).headers['cache-control']).toBe('no-store');
  });
});

describe('sessions', () => {
  const live = async (cookie: string): Promise<number> =>
    (await shop.http().get('/api/me').set('Cookie', cookie)).status;

  test('other hands on a device end the session before', async () => {
    await forget();
    const first = await signIn(shop.http(), 'Magnus Sorley', '2222');
    expect((await tryPin('Ailsa Brock', '3333', first)).status).toBe(201);
    expect(await live(first)).toBe(401);
  });

  test('ended ones are purged once nothing is held against them any more', async () => {
    const cookie = await signIn(shop.http(), 'Tam Veitch', '4444');
    await shop.http().delete('/api/session').set('Cookie', cookie);
    const count = async (): Promise<number> =>
      (await db().query<[{ n: number }]>(`SELECT count(*)::int AS n FROM session WHERE ended_at IS NOT NULL`))[0].n;
    const before = await count();
    await shop.app.get(AuthService).purge();
    expect(await count()).toBe(before);
    await db().query(`UPDATE session SET ended_at = now() - interval '15 days' WHERE ended_at IS NOT NULL`);
    await shop.app.get(AuthService).purge();
    expect(await count()).toBe(0);
  });

  test('a changed PIN ends the sessions on other devices, and the old PIN', async () => {
    await forget();
    const [here, there] = [
      await signIn(shop.http(), 'Tam Veitch', '4444'),
      await signIn(shop.http(), 'Tam Veitch', '4444'),
    ];
    const change = (old: string, pin: string): request.Test =>
      shop.http().put('/api/me/pin').set('Cookie', here).send({ old, pin });
    expect((await change('9999', '7294')).status).toBe(401);
    expect((await change('4444', '1234')).body).toMatchObject({
      status: 400,
      errors: { pin: [expect.stringContaining('1234')] },
    });
    expect((await change('4444', '7294')).status).toBe(204);
    expect([await live(here), await live(there)]).toEqual([200, 401]);
    expect([(await tryPin('Tam Veitch', '4444')).status, (await tryPin('Tam Veitch', '7294')).status]).toEqual([
      401, 201,
    ]);
  });
});

describe('a new PIN', () => {
  test.each<[string, boolean, string | undefined]>([
    ['7294', false, undefined],
    ['729', false, '4 to 8 figures'],
    ['7294', true, '6 to 8 figures'],
    ['729461', true, undefined],
    ['000000', true, 'tried first'],
    ['123456', true, 'tried first'],
    ['987654', true, 'tried first'],
    ['123456789', false, '4 to 8 figures'],
    ['two eels in a boat', true, undefined],
    ['eels', false, '8 letters'],
  ])('%s, on a network %s', (pin, onNetwork, problem) => {
    const says = pinProblem(pin, onNetwork);
    if (problem === undefined) expect(says).toBeUndefined();
    else expect(says).toContain(problem);
  });
});

describe('under https', () => {
  test('cookies are kept to this host, and the browser comes back by https only', async () => {
    const copy = await demoCopy();
    const app = await openServer(copy, { secureCookie: true, publicUrl: 'https://bench.example', behindProxy: true });
    try {
      const answer = await request(app.getHttpServer()).post('/api/session').send({ name: 'Una Reith', pin: '1111' });
      const cookies = (answer.headers as Record<string, unknown>)['set-cookie'] as string[];
      for (const [i, name] of ['__Host-jubb_session', '__Host-jubb_device'].entries())
        expect(cookies[i]).toMatch(new RegExp(`^${name}=.*Path=/;.*HttpOnly; Secure; SameSite=Strict`));
      expect(answer.headers['strict-transport-security']).toMatch(/max-age=31536000/);
      const { url } = (
        await request(app.getHttpServer())
          .post('/api/calendar')
          .set('Cookie', cookies.map((c) => c.split(';')[0]!).join('; '))
          .set('Host', 'evil.example')
          .send({})
      ).body as { url: string };
      expect(url).toMatch(/^https:\/\/bench\.example\/api\/calendar\/[\w-]{32}\.ics$/);
    } finally {
      await app.close();
    }
  });
});

describe('another page', () => {
  const write = (headers: Record<string, string>): request.Test =>
    shop
      .http()
      .post('/api/reckon/thread')
      .set('Cookie', shop.cookie('Magnus Sorley'))
      .set(headers)
      .send({ designation: 'M10' });
  test.each<[string, Record<string, string>, number]>([
    ['on the same host, another port', { 'Sec-Fetch-Site': 'same-site' }, 403],
    ['elsewhere', { 'Sec-Fetch-Site': 'cross-site' }, 403],
    ['on the same host, by an older browser', { Origin: 'http://127.0.0.1:9' }, 403],
    ['from a file', { Origin: 'null' }, 403],
    ['our own', { 'Sec-Fetch-Site': 'same-origin' }, 200],
    ['no page at all', {}, 200],
  ])('%s', async (_, headers, status) => {
    expect((await write(headers)).status).toBe(status);
  });
  test('our own by an older browser', async () => {
    const { host } = new URL(shop.base);
    expect((await write({ Host: host, Origin: `http://${host}` })).status).toBe(200);
  });
  test('a price list that another page posts with the cookie changes nothing', async () => {
    const answer = await shop
      .http()
      .post('/api/parts/price-list?supplier=x&apply=yes')
      .set('Cookie', shop.cookie('Una Reith'))
      .set('Sec-Fetch-Site', 'same-site')
      .attach('file', Buffer.from('number,price\nEVIL-1,0.01\n'), { filename: 'x.csv' });
    expect(answer.status).toBe(403);
    expect(await db().query(`SELECT 1 FROM catalogue_item WHERE number = 'EVIL-1'`)).toEqual([]);
  });
});
