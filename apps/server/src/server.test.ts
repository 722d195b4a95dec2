import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { commandTypes, type JobView, type UnitView } from '@jubb/contract';
import { checkChain } from '@jubb/core/bench';
import { randomUUID } from 'node:crypto';
import { DataSource } from 'typeorm';
import { ACCESS } from './auth/access.ts';
import { hashPin, pinFits } from './auth/pin.ts';
import { likeText } from './database/like.ts';
import { envelope, openShop, opNow, type TestShop } from './shop.fixtures.ts';

jest.setTimeout(180_000);

let shop: TestShop;
let app: TestShop['app'];
const http = (): ReturnType<TestShop['http']> => shop.http();
const get: TestShop['get'] = (...a) => shop.get(...a);
const post: TestShop['post'] = (...a) => shop.post(...a);

beforeAll(async () => {
  shop = await openShop();
  ({ app } = shop);
});
afterAll(() => app.close());

const jobAt = (place: string): Promise<JobView> => shop.jobAt(place);

describe('the API describes itself', () => {
  interface Described {
    paths: Record<string, { post?: { requestBody?: { content: Record<string, { schema: { $ref?: string } }> } } }>;
    components: {
      schemas: Record<
        string,
        { properties?: Record<string, { oneOf?: unknown[]; minLength?: number }>; required?: string[] }
      >;
    };
  }
  test('bodies by the decorators that check them, each reckoner by its fields', async () => {
    const { body } = (await get('/api/docs-json')) as { body: Described };
    const book = body.components.schemas['BookInDto']!;
    expect(book.required).toEqual(expect.arrayContaining(['commandId', 'sheet', 'complaint', 'answers']));
    expect(book.properties!['complaint']!.minLength).toBe(3);
    expect(body.components.schemas['CommandEnvelopeDto']!.properties!['command']!.oneOf).toHaveLength(
      commandTypes.length,
    );
    expect(body.paths['/api/jobs']!.post!.requestBody!.content['application/json']!.schema.$ref).toBe(
      '#/components/schemas/BookInDto',
    );
    const shims = body.paths['/api/reckon/shim-stack']!.post!.requestBody!.content['application/json']!.schema;
    expect(shims).toMatchObject({ required: ['needed', 'tolerance', 'drawer'] });
  });
  test('no schema is pointed to that is not there', async () => {
    const { text } = await get('/api/docs-json');
    const { schemas } = (JSON.parse(text) as Described).components;
    const pointed = [...text.matchAll(/#\/components\/schemas\/(\w+)/g)].map((m) => m[1]!);
    expect(pointed.length).toBeGreaterThan(20);
    for (const name of pointed) expect(Object.keys(schemas)).toContain(name);
  });
});

describe('who may ask', () => {
  test.each([
    '/api/floor',
    '/api/me',
    '/api/sheets',
    '/api/reckon',
    '/api/instruments',
    '/api/customers?q=a',
    `/api/jobs/${randomUUID()}`,
    '/api/jobs/handed-over',
  ])('%s is closed to strangers', async (path) => {
    const answer = await http().get(path);
    expect([answer.status, answer.headers['content-type']]).toEqual([
      401,
      expect.stringContaining('application/problem+json'),
    ]);
  });

  test('the parts desk reads, and does not put hands on a unit', async () => {
    const job = await jobAt('A');
    expect((await get(`/api/jobs/${job.id}`, 'Tam Veitch')).status).toBe(200);
    const answer = await post(
      `/api/jobs/${job.id}/commands`,
      envelope(job.events.length, { type: 'complete', op: opNow(job) }),
      'Tam Veitch',
    );
    expect(answer.status).toBe(403);
  });

  test('every handler of every controller says who may call it', () => {
    const container = (
      app as unknown as {
        container: {
          getModules(): Map<
            string,
            { controllers: Map<unknown, { metatype: { prototype: Record<string, unknown> } }> }
          >;
        };
      }
    ).container;
    const silent: string[] = [];
    let handlers = 0;
    for (const m of container.getModules().values())
      for (const { metatype } of m.controllers.values())
        for (const name of Object.getOwnPropertyNames(metatype.prototype)) {
          const handler = metatype.prototype[name];
          if (typeof handler !== 'function' || !Reflect.hasMetadata('path', handler) || name === 'constructor')
            continue;
          handlers += 1;
          if (!Reflect.hasMetadata(ACCESS, handler)) silent.push(name);
        }
    expect(silent).toEqual([]);
    expect(handlers).toBeGreaterThan(20);
  });

  test('five wrong PINs lock the name for a minute, also against the right one', async () => {
    const name = 'Ailsa Brock';
    for (let i = 0; i < 5; i += 1)
      expect((await http().post('/api/session').send({ name, pin: '9999' })).status).toBe(401);
    expect((await http().post('/api/session').send({ name, pin: '3333' })).status).toBe(429);
  });

  test('an empty PIN is refused at its field', async () => {
    const answer = await http().post('/api/session').send({ name: 'Ailsa Brock', pin: '' });
    expect(answer.body).toMatchObject({ status: 400, errors: { pin: ['A PIN has four figures at least'] } });
  });

  test('a PIN is stored so that the same PIN looks different twice', async () => {
    const [a, b] = [await hashPin('1234'), await hashPin('1234')];
    expect(a).not.toBe(b);
    expect([await pinFits('1234', a), await pinFits('1235', a), await pinFits('1234', 'plain')]).toEqual([
      true,
      false,
      false,
    ]);
  });
});

describe('commands', () => {
  test('the same command twice is one event; the answer is the same', async () => {
    const job = await jobAt('A');
    const body = envelope(job.events.length, { type: 'complete', op: opNow(job) });
    const first = await post(`/api/jobs/${job.id}/commands`, body);
    const again = await post(`/api/jobs/${job.id}/commands`, body);
    expect([first.status, again.status]).toEqual([200, 200]);
    expect(again.body).toEqual(first.body);
    expect((await jobAt('A')).events.length).toBe(job.events.length + first.body.events.length);
  });

  test('two who strip the same rung at once: one wins, the other is told, nothing is doubled', async () => {
    const job = await jobAt('C');
    const url = `/api/jobs/${job.id}/commands`;
    const strip = { type: 'complete', op: opNow(job), tray: 'C1' };
    const both = await Promise.all([
      post(url, envelope(job.events.length, strip)),
      post(url, envelope(job.events.length, strip), 'Una Reith'),
    ]);
    expect(both.map((b) => b.status).sort()).toEqual([200, 409]);
    const loser = both.find((b) => b.status === 409)!.body as { refusal: { code: string }; missed: unknown[] };
    expect(loser.refusal.code).toBe('already-done');
    expect(loser.missed.length).toBeGreaterThan(0);
    const now = await jobAt('C');
    const op = (strip as { op: string }).op;
    expect(now.events.filter((e) => e.type === 'parts-off' && e.payload.op === op)).toHaveLength(1);
  });

  test('twelve at once on one job: the log stays a chain without gap or double', async () => {
    const job = await jobAt('C');
    const answers = await Promise.all(
      Array.from({ length: 12 }, (_, i) =>
        post(`/api/jobs/${job.id}/commands`, envelope(0, { type: 'hold', why: 'tool', note: `press ${i}` })),
      ),
    );
    expect(answers.map((a) => a.status)).toEqual(Array(12).fill(200));
    const now = await jobAt('C');
    expect(now.events.length).toBe(job.events.length + 12);
    expect(checkChain(job.id, now.events)).toMatchObject({ whole: true });
  });

  test('a refusal is a 409 with what would clear it and the events that were missed', async () => {
    const job = await jobAt('B');
    const answer = await post(`/api/jobs/${job.id}/commands`, envelope(job.events.length - 2, { type: 'sign-off' }));
    expect(answer.status).toBe(409);
    expect(answer.body.refusal.blockers.map((b: { code: string }) => b.code)).toEqual(
      expect.arrayContaining(['aid-in', 'pull-missing']),
    );
    expect(answer.body.missed.map((e: { seq: number }) => e.seq)).toEqual([job.events.length - 1, job.events.length]);
  });

  test.each<[string, object, number]>([
    ['an unknown field', { type: 'complete', op: 'x', extra: 1 }, 400],
    ['an unknown command', { type: 'explode' }, 400],
    ['no type', {}, 400],
    [
      'a length as a torque',
      {
        type: 'pull',
        op: 'x',
        bolt: 1,
        reading: { value: 59, unit: 'mm' },
        rig: { extensionMm: 0, extensionAngleDeg: 0 },
        how: 'hand',
      },
      400,
    ],
    [
      'a value that is no number',
      { type: 'take-reading', op: 'x', value: { value: 'NaN', unit: 'mm' }, how: 'hand' },
      400,
    ],
    ['an operation that is not there', { type: 'complete', op: 'nowhere' }, 409],
    ['a NUL in a text', { type: 'hold', why: 'parts', note: 'a\u0000b' }, 400],
    [
      'a trace of nonsense',
      {
        type: 'pull',
        op: 'x',
        bolt: 1,
        reading: { value: 9, unit: 'N·m' },
        rig: { extensionMm: 0, extensionAngleDeg: 0 },
        how: 'hand',
        trace: [['a', 1]],
      },
      400,
    ],
  ])('%s is refused and nothing is written', async (_, command, status) => {
    const job = await jobAt('A');
    const answer = await post(`/api/jobs/${job.id}/commands`, envelope(job.events.length, command));
    expect(answer.status).toBe(status);
    expect((await jobAt('A')).events.length).toBe(job.events.length);
  });

  test('a job that is not there, an id that is no id', async () => {
    expect((await get(`/api/jobs/${randomUUID()}`)).status).toBe(404);
    expect((await get('/api/jobs/nonsense')).status).toBe(400);
    expect((await post(`/api/jobs/${randomUUID()}/commands`, envelope(0, { type: 'sign-off' }))).status).toBe(404);
  });

  test('the log cannot be changed or deleted, even in the database', async () => {
    const db = app.get(DataSource);
    await expect(db.query(`UPDATE job_event SET device = 'x'`)).rejects.toThrow(/only ever added/);
    await expect(db.query('DELETE FROM job_event')).rejects.toThrow(/only ever added/);
  });
});

describe('the drawer', () => {
  test('a pack that is fitted comes out of it; taken back, it lies there again', async () => {
    const job = await jobAt('B');
    const url = `/api/jobs/${job.id}/commands`;
    const counts = async (): Promise<Record<string, number>> =>
      Object.fromEntries(
        Object.values(((await get(`/api/jobs/${job.id}`)).body as JobView).drawers)
          .flat()
          .map((d) => [d.thickness.value, d.count]),
      );
    let seen = job.events.length;
    const give = async (command: object): Promise<string> => {
      const id = randomUUID();
      const answer = await post(url, envelope(seen, command, id));
      expect({ status: answer.status, body: answer.status === 200 ? '' : answer.body }).toEqual({
        status: 200,
        body: '',
      });
      seen = Math.max(seen, ...(answer.body as { events: { seq: number }[] }).events.map((e) => e.seq));
      return id;
    };
    const op = opNow(job);
    for (const value of [0.23, 0.231, 0.229])
      await give({ type: 'take-reading', op, value: { value, unit: 'mm' }, how: 'hand' });
    const before = await counts();
    const pieces = [1.2, 0.12].map((value) => ({ value, unit: 'mm' }));
    const fitted = await give({ type: 'fit-pack', op, pieces });
    const with132 = await counts();
    expect([with132['1.2'], with132['0.12']]).toEqual([before['1.2']! - 1, before['0.12']! - 1]);
    await give({ type: 'take-back', command: fitted, reason: 'wrong drawer' });
    expect(await counts()).toEqual(before);
  });
});

describe('booking', () => {
  const form = (more: object = {}): object => ({
    commandId: randomUUID(),
    customerName: 'Harbour Office',
    serial: `N-${randomUUID().slice(0, 6)}`,
    sheet: 'hub-dolly',
    complaint: 'runs hot',
    answers: [{ question: 0, answer: '65 mm' }],
    ...more,
  });
  test('the same form twice books once', async () => {
    const body = form();
    const [a, b] = [await post('/api/jobs', body), await post('/api/jobs', body)];
    expect([a.status, b.status, b.body.id]).toEqual([201, 201, a.body.id]);
  });
  test('a known serial is the same unit, with its past visits', async () => {
    const { id } = (await post('/api/jobs', form({ serial: '20417', customerName: 'Skerrow Airfield' }))).body as {
      id: string;
    };
    const { history } = (await get(`/api/jobs/${id}`)).body as JobView;
    const over = history.filter((v) => v.stage === 'handed-over');
    expect(history.length).toBeGreaterThanOrEqual(2);
    expect(over.map((v) => v.figures.length > 0)).toEqual([true]);
  });
  test('how long the unit runs in a week is kept with it, and stays where nobody says it again', async () => {
    const serial = `R-${randomUUID().slice(0, 6)}`;
    const runs = async (more: object): Promise<number | null> => {
      expect((await post('/api/jobs', form({ serial, ...more }))).status).toBe(201);
      return ((await get(`/api/units?q=${serial}`)).body as UnitView[])[0]!.hoursPerWeek;
    };
    expect([await runs({ hoursPerWeek: 30 }), await runs({}), await runs({ hoursPerWeek: 12.5 })]).toEqual([
      30, 30, 12.5,
    ]);
  });
  test('a visit that is over is kept as its log says; one of an older form is made again from the log', async () => {
    const db = shop.app.get(DataSource);
    const [{ unit, number }] = await db.query<[{ unit: string; number: number }]>(
      `SELECT unit_id AS unit, number FROM job WHERE stage = 'handed-over' ORDER BY number LIMIT 1`,
    );
    const visits = async (): Promise<UnitView['visits']> => ((await get(`/api/units/${unit}`)).body as UnitView).visits;
    const kept = await visits();
    expect(kept.some((v) => v.number === number)).toBe(true);
    await db.query(`UPDATE job SET visit = jsonb_set(visit, '{form}', '0') WHERE unit_id = $1`, [unit]);
    expect(await visits()).toEqual(kept);
    await db.query(`UPDATE job SET visit = jsonb_set(visit, '{visit,complaint}', '"kept"') WHERE unit_id = $1`, [unit]);
    expect((await visits()).find((v) => v.number === number)!.complaint).toBe('kept');
  });
  test.each<[string, object, string]>([
    ['no customer', { customerName: undefined }, 'customerName'],
    ['near no variant', { answers: [{ question: 0, answer: '71 mm' }] }, 'answers.0.answer'],
    ['a distance without a unit', { answers: [{ question: 0, answer: '65' }] }, 'answers.0.answer'],
    ['a distance in newton metres', { answers: [{ question: 0, answer: '65 N·m' }] }, 'answers.0.answer'],
    ['no answer', { answers: [] }, 'answers.0.answer'],
    ['a limit below nothing', { spendLimitMinor: -1 }, 'spendLimitMinor'],
    ['more hours than a week has', { hoursPerWeek: 200 }, 'hoursPerWeek'],
  ])('%s: refused at its field', async (_, more, field) => {
    const answer = await post('/api/jobs', form(more));
    expect(answer.status).toBe(400);
    expect(Object.keys(answer.body.errors)).toContain(field);
  });
});

describe('reckoning, records, health', () => {
  test('a reckoner answers with its working; its errors carry code, field, given and accepted', async () => {
    const good = await post('/api/reckon/thread', { designation: 'M10' });
    expect([good.status, good.body.results.pitch]).toEqual([200, { value: 1.5, unit: 'mm' }]);
    const bad = await post('/api/reckon/thread', { designation: 'Q7' });
    expect(bad.body).toMatchObject({
      status: 422,
      code: 'unknown-thread',
      field: 'designation',
      given: 'Q7',
      accepted: expect.any(String),
    });
  });
  test('a handed-over job exports whole and signed', async () => {
    const done = (await get('/api/jobs/handed-over')).body as { id: string }[];
    const file = (await get(`/api/jobs/${done[0]!.id}/record.json`)).body as object;
    expect((await post('/api/records/verify', { file })).body).toMatchObject({ good: true, known: true });
  });
  test('ready when the database answers', async () => {
    expect((await http().get('/api/health/ready')).body).toEqual({ status: 'ok' });
  });
  test('a sheet with a slip comes back with its line', async () => {
    const answer = await post('/api/sheets/lint', { source: 'jubb: build-sheet/1\nsheet: x\nrevisio: 1\n' });
    expect(answer.body.problems).toContainEqual(expect.objectContaining({ code: 'unknown-key', line: 3 }));
  });
  test('what LIKE reads as a sign is taken literally', () => {
    expect([likeText('50%_\\'), likeText(undefined), likeText(['x'])]).toEqual(['%50\\%\\_\\\\%', '%%', '%%']);
  });
});
