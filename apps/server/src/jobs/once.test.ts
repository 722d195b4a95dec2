import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type { CommandAnswer, FloorView, JobView } from '@jubb/contract';
import { checkChain, type LoggedEvent } from '@jubb/core/bench';
import { randomUUID } from 'node:crypto';
import type { NestExpressApplication } from '@nestjs/platform-express';
import request from 'supertest';
import { DataSource } from 'typeorm';
import { POOL_SIZE } from '../database/data-source.ts';
import { envelope, openServer, openShop, opNow, type TestShop } from '../shop.fixtures.ts';
import { forgetRefusals } from './job-commands.ts';

jest.setTimeout(180_000);
let shop: TestShop;
let other: NestExpressApplication;
beforeAll(async () => {
  shop = await openShop();
  other = await openServer(shop.copy);
});
afterAll(async () => {
  await other.close();
  await shop.app.close();
});

const db = (): DataSource => shop.app.get(DataSource);
const note = (text: string): object => ({ type: 'note', text });
const give = (job: string, body: object, who?: string): request.Test =>
  shop.post(`/api/jobs/${job}/commands`, body, who);
const giveOther = (job: string, body: object): request.Test =>
  request(other.getHttpServer())
    .post(`/api/jobs/${job}/commands`)
    .set('Cookie', shop.cookie('Magnus Sorley'))
    .send(body);
const eventsOf = async (job: string): Promise<readonly LoggedEvent[]> =>
  ((await shop.get(`/api/jobs/${job}`)).body as JobView).events;

describe('one command sent twice at once', () => {
  test.each<[string, () => typeof give]>([
    ['to one server', () => give],
    ['to two servers', () => giveOther],
  ])('%s is written once and answered the same, also where its sender is one behind', async (_, second) => {
    const { id } = await shop.jobAt('A');
    const before = await eventsOf(id);
    const pairs = 40;
    for (let i = 0; i < pairs; i += 1) {
      const seen = before.length + i - 1;
      const body = envelope(seen, note(`pair ${i}`));
      const [a, b] = await Promise.all([give(id, body), second()(id, body)]);
      expect([a.status, b.status]).toEqual([200, 200]);
      expect(b.body).toEqual(a.body);
    }
    const after = await eventsOf(id);
    expect(after.length).toBe(before.length + pairs);
    expect(checkChain(id, after)).toMatchObject({ whole: true });
  });

  test('asked again later, and by one who has seen more, it is the same event', async () => {
    const { id } = await shop.jobAt('A');
    const seen = (await eventsOf(id)).length;
    const body = envelope(seen, note('once'));
    const first = (await give(id, body)).body as CommandAnswer;
    await give(id, envelope(seen, note('something else')));
    expect((await give(id, body)).body).toEqual(first);
    expect((await giveOther(id, { ...body, seen: seen + 2 })).body).toEqual(first);
  });

  test('what was refused stays refused, here and at another server, whatever has changed meanwhile', async () => {
    const { id } = await shop.jobAt('A');
    const seen = (await eventsOf(id)).length;
    const body = envelope(seen, { type: 'clear-hold', hold: 'none-such' });
    const first = await give(id, body);
    expect([first.status, first.body.code]).toEqual([409, 'unknown-hold']);
    await give(id, envelope(seen, note('the job goes on')));
    const again = await give(id, body);
    const elsewhere = await giveOther(id, body);
    expect([again.body, elsewhere.body]).toEqual([first.body, first.body]);
  });

  test('one id is one command: it is not taken by another job', async () => {
    const [a, c] = [await shop.jobAt('A'), await shop.jobAt('C')];
    const body = envelope(a.events.length, note('mine'));
    expect((await give(a.id, body)).status).toBe(200);
    const stray = await give(c.id, { ...body, seen: c.events.length });
    expect([stray.status, stray.body.code]).toEqual([409, 'other-job']);
    expect((await eventsOf(c.id)).length).toBe(c.events.length);
    // And not by two jobs at once.
    const twice = envelope(0, note('both'));
    const both = await Promise.all([give(a.id, twice), giveOther(c.id, twice)]);
    expect(both.map((r) => r.status).sort()).toEqual([200, 409]);
  });

  test('the database itself refuses a second writing', async () => {
    const [row] = await db().query<{ id: string; job_id: string }[]>(`SELECT id, job_id FROM job_command LIMIT 1`);
    await expect(
      db().query(`INSERT INTO job_command (id, job_id, first_seq, last_seq) VALUES ($1, $2, 1, 1)`, [
        row!.id,
        row!.job_id,
      ]),
    ).rejects.toThrow(/job_command_pkey/);
  });

  test('refusals are forgotten after a week, what was written never', async () => {
    const count = async (where: string): Promise<number> =>
      (await db().query<[{ n: number }]>(`SELECT count(*)::int AS n FROM job_command WHERE ${where}`))[0].n;
    const written = await count('refusal IS NULL');
    expect(await count('refusal IS NOT NULL')).toBeGreaterThan(0);
    await db().query(`UPDATE job_command SET at = now() - interval '8 days'`);
    await forgetRefusals(db());
    expect([await count('refusal IS NOT NULL'), await count('refusal IS NULL')]).toEqual([0, written]);
  });
});

describe('booking at once', () => {
  const form = (more: object = {}) => ({
    commandId: randomUUID(),
    customerName: `Customer ${randomUUID().slice(0, 6)}`,
    serial: `N-${randomUUID().slice(0, 6)}`,
    sheet: 'hub-dolly',
    complaint: 'runs hot',
    answers: [{ question: 0, answer: '65 mm' }],
    ...more,
  });
  const bookOther = (body: object): request.Test =>
    request(other.getHttpServer()).post('/api/jobs').set('Cookie', shop.cookie('Magnus Sorley')).send(body);

  test('one form forty times, on two servers, is one job', async () => {
    const body = form();
    const answers = await Promise.all(
      Array.from({ length: 40 }, (_, i) => (i % 2 ? shop.post('/api/jobs', body) : bookOther(body))),
    );
    expect(new Set(answers.map((a) => `${a.status} ${(a.body as { id: string }).id}`)).size).toBe(1);
    expect(answers[0]!.status).toBe(201);
    const units = await db().query<unknown[]>(
      'SELECT 1 FROM job JOIN unit ON unit.id = job.unit_id WHERE serial = $1',
      [body.serial],
    );
    expect(units).toHaveLength(1);
  });

  test('a server that has just begun books with the one connection that is left: it asks for no second one under a lock', async () => {
    const fresh = await openServer(shop.copy);
    const pool = fresh.get(DataSource);
    const held = Array.from({ length: POOL_SIZE - 1 }, () => pool.createQueryRunner());
    try {
      for (const h of held) await h.connect();
      const cookie = shop.cookie('Magnus Sorley');
      const answer = await request(fresh.getHttpServer()).post('/api/jobs').set('Cookie', cookie).send(form());
      expect(answer.status).toBe(201);
    } finally {
      for (const h of held) await h.release();
      await fresh.close();
    }
  });

  test('two units of one new customer are two jobs of one customer; one serial is one unit', async () => {
    const customerName = `Kelp & Co ${randomUUID().slice(0, 6)}`;
    const serial = `S-${randomUUID().slice(0, 6)}`;
    const answers = await Promise.all([
      shop.post('/api/jobs', form({ customerName, serial })),
      bookOther(form({ customerName: customerName.toUpperCase(), serial: serial.toLowerCase() })),
      shop.post('/api/jobs', form({ customerName })),
    ]);
    expect(answers.map((a) => a.status)).toEqual([201, 201, 201]);
    const rows = await db().query<{ customer_id: string; unit_id: string }[]>(
      `SELECT customer_id, unit_id FROM job WHERE id = ANY($1)`,
      [answers.map((a) => (a.body as { id: string }).id)],
    );
    expect([new Set(rows.map((r) => r.customer_id)).size, new Set(rows.map((r) => r.unit_id)).size]).toEqual([1, 2]);
  });

  test('two who put a unit at one place at once: one does, the other is told', async () => {
    const place = `P ${randomUUID().slice(0, 6)}`;
    const answers = await Promise.all([
      shop.post('/api/jobs', form({ place })),
      bookOther(form({ place })),
      shop.post('/api/jobs', form({ place })),
    ]);
    expect(answers.map((a) => a.status).sort()).toEqual([201, 409, 409]);
    await expect(db().query(`UPDATE job SET place = $1 WHERE stage <> 'handed-over'`, [place])).rejects.toThrow(
      /job_place/,
    );
  });
});

describe('two who want the last shims of a drawer at once', () => {
  test('one has them, the other is told what is left; the drawer is never below nothing', async () => {
    const job = await shop.jobAt('B');
    const setting = Object.values(job.sheet.settings).find((s) => s.shims)!;
    await db().query(`UPDATE drawer_size SET count = 1 WHERE drawer = $1`, [setting.shims!.drawer]);
    const op = opNow(job);
    let seen = job.events.length;
    for (const value of [0.23, 0.231, 0.229]) {
      await give(job.id, envelope(seen, { type: 'take-reading', op, value: { value, unit: 'mm' }, how: 'hand' }));
      seen += 1;
    }
    const pieces = [1.2, 0.12].map((value) => ({ value, unit: 'mm' }));
    const answers = await Promise.all([
      give(job.id, envelope(seen, { type: 'fit-pack', op, pieces })),
      giveOther(job.id, envelope(seen, { type: 'fit-pack', op, pieces })),
    ]);
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409]);
    const [least] = await db().query<[{ n: number }]>(`SELECT min(count) AS n FROM drawer_size`);
    expect(least.n).toBe(0);
  });
});

describe('whose work it is', () => {
  test('what one person gave is not taken from another, and is when its giver is back', async () => {
    const { id } = await shop.jobAt('A');
    const { person } = (await shop.get('/api/me')).body as { person: { id: string } };
    const body = { ...envelope((await eventsOf(id)).length, note('given by Magnus')), giver: person.id };
    const ailsas = await give(id, body, 'Ailsa Brock');
    expect([ailsas.status, ailsas.body.code]).toEqual([403, 'other-hands']);
    // The parts desk may give none at all, and hears all the same that this one is another's: refused, it would be set aside.
    const tams = await give(id, body, 'Tam Veitch');
    expect([tams.status, tams.body.code]).toEqual([403, 'other-hands']);
    const tam = ((await shop.get('/api/me', 'Tam Veitch')).body as { person: { id: string } }).person;
    const tamsOwn = await give(id, { ...body, id: randomUUID(), giver: tam.id }, 'Tam Veitch');
    expect([tamsOwn.status, tamsOwn.body.code]).toEqual([403, undefined]);
    const own = await give(id, body);
    expect(own.status).toBe(200);
    expect((own.body as CommandAnswer).events.at(-1)!.who.name).toBe('Magnus Sorley');
  });
});

describe('clocks', () => {
  const newest = async (job: string): Promise<LoggedEvent> => (await eventsOf(job)).at(-1)!;
  const HOUR = 3_600_000;
  const near = (at: string, ms: number): void => expect(Math.abs(Date.parse(at) - ms)).toBeLessThan(5000);

  test.each<[string, number]>([
    ['three hours behind', -3 * HOUR],
    ['a day ahead', 24 * HOUR],
    ['a century behind', -36_525 * 24 * HOUR],
  ])('a device that is %s: the server’s time counts, both are kept', async (_, off) => {
    const { id } = await shop.jobAt('A');
    const at = new Date(Date.now() + off).toISOString();
    const body = { ...envelope((await eventsOf(id)).length, note('what time is it')), at };
    expect((await give(id, body)).status).toBe(200);
    const event = await newest(id);
    near(event.at, Date.now());
    expect(event.deviceAt).toBe(at);
  });

  test('a wait is ended by the server’s clock, whatever the device says', async () => {
    const { id } = await shop.jobAt('A');
    const seen = (await eventsOf(id)).length;
    const timer = randomUUID();
    const past = new Date(Date.now() - 3 * HOUR).toISOString();
    const start = { type: 'start-timer', minutes: 15, kind: 'cure', title: 'Sealant' };
    expect((await give(id, { ...envelope(seen, start, timer), at: past })).status).toBe(200);
    const soon = new Date(Date.now() + HOUR).toISOString();
    for (const at of [soon, new Date().toISOString(), '0001-01-01T00:00:00Z']) {
      const end = await give(id, { ...envelope(seen + 1, { type: 'end-timer', timer }), at });
      expect([end.status, end.body.code]).toEqual([409, 'still-waiting']);
    }
    // Claimed as given without a line three hours ago, by one who has been signed in for a minute: no wait is over.
    const claim = { ...envelope(seen + 1, { type: 'end-timer', timer }), ageMs: 3 * HOUR };
    expect((await give(id, claim)).body.code).toBe('still-waiting');
    expect((await give(id, envelope(seen + 1, { type: 'end-timer', timer, reason: 'a test' }))).status).toBe(200);
  });

  test('what was given without a line keeps its time while its giver was signed in, and its order', async () => {
    const { jobs } = (await shop.get('/api/floor')).body as FloorView;
    const { id } = jobs.reduce((a, b) => (a.updatedAt < b.updatedAt ? a : b));
    const before = Date.parse((await newest(id)).at);
    const ageMs = Math.round((Date.now() - before) / 2);
    expect(ageMs).toBeGreaterThan(20_000);
    const given = async (age: number): Promise<LoggedEvent> => {
      const events = await eventsOf(id);
      expect((await give(id, { ...envelope(events.length, note(`${age} ago`)), ageMs: age })).status).toBe(200);
      return newest(id);
    };
    // Signed in a moment ago: nothing was given by that person before.
    const unbelieved = Date.now();
    const late = await given(ageMs);
    expect(Date.parse(late.at)).toBeGreaterThan(unbelieved - 5 * 60_000);
    await db().query(`UPDATE session SET started_at = now() - interval '30 days'`);
    const other = jobs.filter((j) => j.id !== id).reduce((a, b) => (a.updatedAt < b.updatedAt ? a : b));
    const last = Date.parse((await newest(other.id)).at);
    const age = Math.round((Date.now() - last) / 2);
    const body = { ...envelope((await eventsOf(other.id)).length, note('without a line')), ageMs: age };
    expect((await give(other.id, body)).status).toBe(200);
    const first = await newest(other.id);
    near(first.at, Date.now() - age);
    near(first.receivedAt!, Date.now());
    // Older than what it follows: it never stands before it.
    const second = { ...envelope((await eventsOf(other.id)).length, note('before that, it says')), ageMs: 2 * age };
    expect((await give(other.id, second)).status).toBe(200);
    expect((await newest(other.id)).at).toBe(first.at);
    expect(checkChain(other.id, await eventsOf(other.id))).toMatchObject({ whole: true });
  });

  test.each([
    ['a week', '2026-W10'],
    ['a day without a time', '2026-03-09'],
    ['a day that there is not', '2026-02-30T10:00:00Z'],
    ['nothing', ''],
  ])('%s is no moment', async (_, at) => {
    const { id } = await shop.jobAt('A');
    const answer = await give(id, { ...envelope(1, note('x')), at });
    expect([answer.status, Object.keys((answer.body as { errors: object }).errors)]).toEqual([400, ['at']]);
  });
});

describe('what the log says of an instrument', () => {
  test('is the shop’s own list, whatever a browser claims; one that is not on it is refused', async () => {
    const job = await shop.jobAt('B');
    const op = opNow(job);
    const seen = job.events.length;
    const reading = { type: 'take-reading', op, value: { value: 0.23, unit: 'mm' }, how: 'instrument' };
    const claims = { id: 'indicator-1', name: '=cmd()', uncertainty: { value: 1e-9, unit: 'mm' }, simulated: false };
    expect((await give(job.id, envelope(seen, { ...reading, instrument: claims }))).status).toBe(400);
    const unknown = await give(job.id, envelope(seen, { ...reading, instrument: { id: 'made-up' } }));
    expect([unknown.status, unknown.body.errors]).toEqual([
      400,
      { 'command.instrument.id': ['No instrument of this workshop'] },
    ]);
    const good = await give(job.id, envelope(seen, { ...reading, instrument: { id: 'indicator-1' } }));
    expect({ status: good.status, says: good.status === 200 ? '' : good.body }).toEqual({ status: 200, says: '' });
    const kept = (good.body as CommandAnswer).events.find((e) => e.type === 'reading-taken')!;
    expect((kept.payload as { instrument: object }).instrument).toMatchObject({ id: 'indicator-1', simulated: true });
    expect((kept.payload as { instrument: { name: string } }).instrument.name).not.toContain('=');
  });
});
