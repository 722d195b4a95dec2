import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type {
  FirstStepView,
  JobView,
  SheetLine,
  ShopChangeView,
  ShopDrawerView,
  ShopPersonView,
  ShopPlacesView,
  WeekView,
} from '@jubb/contract';
import { existsSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type request from 'supertest';
import { DataSource } from 'typeorm';
import { loadEmpty } from '../demo/demo.ts';
import { errorsOf, openShop, signIn, type TestShop } from '../shop.fixtures.ts';

jest.setTimeout(180_000);
const UNA = 'Una Reith';
let shop: TestShop;
beforeAll(async () => {
  shop = await openShop();
});
afterAll(() => shop.app.close());

const put = (path: string, body: object): request.Test => shop.put(path, body, UNA);
const people = async (): Promise<ShopPersonView[]> =>
  (await shop.get('/api/shop/people', UNA)).body as ShopPersonView[];
const person = async (name: string): Promise<ShopPersonView> => (await people()).find((p) => p.name === name)!;
const changes = async (): Promise<ShopChangeView[]> =>
  (await shop.get('/api/shop/changes', UNA)).body as ShopChangeView[];
const newcomer = { name: 'Nils Ode', initials: 'no', role: 'mechanic', works: true, pin: '8264' };

describe('what the shop takes in', () => {
  const listed = async (): Promise<SheetLine | undefined> =>
    ((await shop.get('/api/sheets')).body as SheetLine[]).find((s) => s.id === 'hub-dolly');
  test('a sheet is taken off what is offered and put back, by the owner, and the log says so; jobs of it go on', async () => {
    expect((await put('/api/shop/sheets/hub-dolly', { done: false })).status).toBe(204);
    expect((await put('/api/shop/sheets/hub-dolly', { done: false })).status).toBe(204);
    expect((await listed())?.notDone).toBe(true);
    expect((await changes())[0]).toMatchObject({ was: 'taken in', is: 'not taken in' });
    expect((await shop.jobAt('C')).sheet.id).toBe('hub-dolly');
    expect((await put('/api/shop/sheets/hub-dolly', { done: true })).status).toBe(204);
    expect((await listed())?.notDone).toBeUndefined();
    expect((await put('/api/shop/sheets/no-such', { done: false })).status).toBe(404);
    expect(errorsOf(await put('/api/shop/sheets/hub-dolly', { done: 'no' }))).toEqual({ done: ['Yes or no'] });
  });
});

describe('people', () => {
  test('a mechanic is added, signs in with the PIN that the owner gave, and the plan counts on them', async () => {
    const added = await shop.post('/api/shop/people', newcomer, UNA);
    expect(added.status).toBe(201);
    expect(await person('Nils Ode')).toMatchObject({ initials: 'NO', role: 'mechanic', left: null, signedIn: 0 });
    const cookie = await signIn(shop.http(), 'Nils Ode', '8264');
    expect((await person('Nils Ode')).signedIn).toBe(1);
    const week = (await shop.http().get('/api/plan').set('Cookie', cookie)).body as WeekView;
    expect(week.people.map((p) => p.name)).toContain('Nils Ode');
    expect((await changes())[0]).toMatchObject({ by: UNA, what: 'Nils Ode', is: 'works here: mechanic' });
  });

  test.each([
    ['a PIN that is tried first', { pin: '1234' }, 'pin'],
    ['a PIN of noughts', { pin: '0000' }, 'pin'],
    ['a name of blanks', { name: '   ' }, 'name'],
    ['a role that is none', { role: 'king' }, 'role'],
    ['initials of figures', { initials: '12' }, 'initials'],
  ])('%s is refused with its field, and nobody is added', async (_, wrong, field) => {
    const before = (await people()).length;
    const answer = await shop.post('/api/shop/people', { ...newcomer, name: 'Somebody New', ...wrong }, UNA);
    expect(answer.status).toBe(400);
    expect(errorsOf(answer)).toHaveProperty(field);
    expect(await people()).toHaveLength(before);
  });

  test('a name that is known is refused', async () => {
    const answer = await shop.post('/api/shop/people', { ...newcomer, name: 'Magnus  Sorley' }, UNA);
    expect(answer.status).toBe(409);
    expect(errorsOf(answer)).toEqual({ name: ['Magnus Sorley works here already'] });
  });

  test('a forgotten PIN is made new: the old one is none, sessions end, and wrong tries are forgotten', async () => {
    const { id } = await person('Ailsa Brock');
    for (let i = 0; i < 6; i += 1)
      await shop
        .http()
        .post('/api/session')
        .send({ name: 'Ailsa Brock', pin: String(7000 + i) });
    const shut = await shop.http().post('/api/session').send({ name: 'Ailsa Brock', pin: '3333' });
    expect(shut.status).toBe(429);
    expect((await put(`/api/shop/people/${id}/pin`, { pin: '5093' })).status).toBe(204);
    expect((await shop.get('/api/me', 'Ailsa Brock')).status).toBe(401);
    expect((await shop.http().post('/api/session').send({ name: 'Ailsa Brock', pin: '3333' })).status).toBe(401);
    await signIn(shop.http(), 'Ailsa Brock', '5093');
  });

  test('who leaves is signed out and off the names, and stays by name in the jobs that they worked on', async () => {
    const [row] = await shop.app
      .get(DataSource)
      .query<{ id: string }[]>(`SELECT job_id AS id FROM job_event WHERE who->>'name' = 'Magnus Sorley' LIMIT 1`);
    const job = { id: row!.id };
    const { id } = await person('Magnus Sorley');
    expect((await shop.post(`/api/shop/people/${id}/leave`, {}, UNA)).status).toBe(204);
    expect((await shop.get('/api/floor', 'Magnus Sorley')).status).toBe(401);
    const names = (await shop.http().get('/api/people')).body as { name: string }[];
    expect(names.map((n) => n.name)).not.toContain('Magnus Sorley');
    expect((await shop.http().post('/api/session').send({ name: 'Magnus Sorley', pin: '2222' })).status).toBe(401);
    const week = (await shop.get('/api/plan', UNA)).body as WeekView;
    expect(week.people.map((p) => p.name)).not.toContain('Magnus Sorley');
    const still = (await shop.get(`/api/jobs/${job.id}`, UNA)).body as JobView;
    expect(still.events.filter((e) => e.who.name === 'Magnus Sorley')).not.toHaveLength(0);
    // The same name again is the same person.
    const again = await shop.post('/api/shop/people', { ...newcomer, name: 'Magnus Sorley' }, UNA);
    expect(errorsOf(again)).toEqual({ name: ['Magnus Sorley worked here before: bring them back'] });
    expect((await shop.post(`/api/shop/people/${id}/return`, {}, UNA)).status).toBe(204);
    await signIn(shop.http(), 'Magnus Sorley', '2222');
  });

  test('the last owner neither leaves nor becomes anything else', async () => {
    const { id, name, initials } = await person(UNA);
    const left = await shop.post(`/api/shop/people/${id}/leave`, {}, UNA);
    expect([left.status, errorsOf(left)]).toEqual([
      422,
      { role: ['Somebody must be owner: make another one owner first'] },
    ]);
    const other = await put(`/api/shop/people/${id}`, { name, initials, role: 'parts', works: false });
    expect(other.status).toBe(422);
    expect(await person(UNA)).toMatchObject({ role: 'owner', left: null });
  });

  // On a shop of its own: whichever of the two stays, the other's sessions are gone.
  test('of two owners who both leave at once one stays', async () => {
    const other = await openShop();
    try {
      const listed = (await other.get('/api/shop/people', UNA)).body as ShopPersonView[];
      const second = { ...newcomer, name: 'Olla Two', role: 'owner', pin: '8264' };
      const added = (await other.post('/api/shop/people', second, UNA)).body as ShopPersonView;
      const una = listed.find((p) => p.name === UNA)!;
      const cookie = await signIn(other.http(), 'Olla Two', '8264');
      const answers = await Promise.all([
        other.post(`/api/shop/people/${added.id}/leave`, {}, UNA),
        other.http().post(`/api/shop/people/${una.id}/leave`).set('Cookie', cookie),
      ]);
      const owners = await other.app
        .get(DataSource)
        .query<unknown[]>(`SELECT 1 FROM person WHERE role = 'owner' AND left_at IS NULL`);
      expect(owners).toHaveLength(1);
      expect(answers.filter((a) => a.status === 204)).toHaveLength(1);
    } finally {
      await other.app.close();
    }
  });
});

describe('places', () => {
  const now = async (): Promise<ShopPlacesView> => (await shop.get('/api/shop/places', UNA)).body as ShopPlacesView;
  test('a bench is added; one with a unit on it does not go', async () => {
    const { places, shelves, zone, taken } = await now();
    const more = await put('/api/shop/places', { places: [...places, 'Q7'], shelves, zone });
    expect(more.status).toBe(200);
    expect((await now()).places).toContain('Q7');
    const lost = taken.find((p) => places.includes(p))!;
    const answer = await put('/api/shop/places', { places: places.filter((p) => p !== lost), shelves, zone });
    expect([answer.status, errorsOf(answer)]).toEqual([422, { places: [`A unit is at ${lost}: move it first`] }]);
    expect((await changes()).find((c) => c.what === 'benches')).toMatchObject({ by: UNA, was: places.join(', ') });
  });

  test.each([
    ['a zone that is none', { zone: 'Mars/Olympus' }, 422, 'zone'],
    ['no bench at all', { places: [] }, 400, 'places'],
    ['two benches of one name', { places: ['A', 'A'] }, 400, 'places'],
  ])('%s is refused with its field', async (_, wrong, status, field) => {
    const { places, shelves, zone } = await now();
    const answer = await put('/api/shop/places', { places, shelves, zone, ...wrong });
    expect(answer.status).toBe(status);
    expect(errorsOf(answer)).toHaveProperty(field);
    expect(await now()).toMatchObject({ places, shelves, zone });
  });

  test('a bench that is a place on the shelf too is refused', async () => {
    const { places, shelves, zone } = await now();
    const answer = await put('/api/shop/places', { places: [...places, shelves[0]], shelves, zone });
    expect(errorsOf(answer)).toHaveProperty('shelves');
  });
});

describe('drawers', () => {
  const drawers = async (): Promise<ShopDrawerView[]> =>
    (await shop.get('/api/shop/drawers', UNA)).body as ShopDrawerView[];

  test('every drawer that a sheet draws on is listed with the sheets, and what lies in it is what was counted', async () => {
    const before = (await drawers()).find((d) => d.drawer === 'screw-rings')!;
    expect(before.sheets.length).toBeGreaterThan(0);
    const sizes = [
      { mm: 0.05, count: 12 },
      { mm: 0.254, count: 3 },
    ];
    expect((await put('/api/shop/drawers/screw-rings', { sizes })).status).toBe(200);
    const after = (await drawers()).find((d) => d.drawer === 'screw-rings')!;
    expect(after.sizes).toEqual([...sizes].reverse());
    expect((await changes())[0]).toMatchObject({ what: 'drawer screw-rings, counted', is: '3 × 0.254, 12 × 0.05' });
  });

  test.each([
    ['a drawer that no sheet knows', 'no-such', { sizes: [] }, 404],
    ['half a piece', 'screw-rings', { sizes: [{ mm: 0.1, count: 1.5 }] }, 400],
    ['a shim of no thickness', 'screw-rings', { sizes: [{ mm: 0, count: 1 }] }, 400],
    [
      'a size twice',
      'screw-rings',
      {
        sizes: [
          { mm: 0.1, count: 1 },
          { mm: 0.1, count: 2 },
        ],
      },
      400,
    ],
  ])('%s is refused', async (_, drawer, body, status) => {
    expect((await put(`/api/shop/drawers/${drawer}`, body)).status).toBe(status);
  });
});

describe('the log of changes', () => {
  test('rate, tax and hours are written down with who and when; what stays as it was is not', async () => {
    const me = (await shop.get('/api/me', UNA)).body as { workshop: Record<string, unknown> };
    const before = (await changes()).length;
    const answer = await put('/api/workshop', { ...me.workshop, rateMinor: 6150 });
    expect(answer.status).toBe(200);
    const after = await changes();
    expect(after.length - before).toBe(1);
    expect(after[0]).toMatchObject({ by: UNA, what: 'an hour', is: '61.50' });
    expect(Date.now() - new Date(after[0]!.at).getTime()).toBeLessThan(60_000);
  });
});

describe('somebody who left', () => {
  test('has no hours and no days off that the plan would still say', async () => {
    await shop.post('/api/shop/people', { ...newcomer, name: 'Odd Hand', pin: '8264' }, UNA);
    const { id } = await person('Odd Hand');
    const from = Math.ceil(Date.now() / 60_000) + 60;
    const hours = { from, to: from + 120, helper: false, person: id };
    expect((await shop.post('/api/plan/extra-hours', hours, UNA)).status).toBeLessThan(300);
    const week = async (): Promise<WeekView> => (await shop.get('/api/plan', UNA)).body as WeekView;
    expect((await week()).extraHours.filter((x) => x.person === id)).toHaveLength(1);
    await shop.post(`/api/shop/people/${id}/leave`, {}, UNA);
    expect((await week()).extraHours.filter((x) => x.person === id)).toEqual([]);
  });
});

describe('opening hours', () => {
  const week = async (): Promise<WeekView> => (await shop.get('/api/plan', UNA)).body as WeekView;
  const tools: object[] = [];

  test('that cross midnight are refused with their day, and nothing is changed', async () => {
    const { hours } = await week();
    const night = hours.map((day, i) => (i === 4 ? [['22:00', '06:00']] : day));
    const answer = await shop.post('/api/plan/shop', { hours: night, tools }, UNA);
    expect([answer.status, Object.keys(errorsOf(answer))]).toEqual([422, ['hours[4][0]']]);
    expect((await week()).hours).toEqual(hours);
  });

  test('a night is written as two spans, to 24:00 and from 00:00, and the log says so', async () => {
    const { hours } = await week();
    const night = hours.map((day, i) => (i === 5 ? [['22:00', '24:00']] : i === 6 ? [['00:00', '06:00']] : day));
    expect((await shop.post('/api/plan/shop', { hours: night, tools }, UNA)).status).toBe(204);
    expect((await week()).hours).toEqual(night);
    expect((await changes())[0]).toMatchObject({ by: UNA, what: 'opening hours' });
    expect((await changes())[0]!.is).toContain('Sat 22:00 to 24:00; Sun 00:00 to 06:00');
  });
});

describe('first steps', () => {
  test('of a shop that works are done; of an empty one none', async () => {
    const steps = (await shop.get('/api/shop/first-steps', UNA)).body as FirstStepView[];
    expect(steps.filter((s) => s.done).map((s) => s.id)).toEqual(expect.arrayContaining(['yourself', 'people', 'job']));
    const file = join(shop.copy.dataDir, 'first-pin');
    // While the PIN that was made for the machine is still good, the owner has none of their own.
    writeFileSync(file, '48260517\n');
    const yourself = async (): Promise<boolean | undefined> =>
      ((await shop.get('/api/shop/first-steps', UNA)).body as FirstStepView[]).find((s) => s.id === 'yourself')?.done;
    expect(await yourself()).toBe(false);
    expect((await shop.put('/api/me/pin', { old: '1111', pin: '59037' }, UNA)).status).toBe(204);
    expect([existsSync(file), await yourself()]).toEqual([false, true]);
    // A second shop over the first is never made.
    expect(await loadEmpty(shop.app.get(DataSource), shop.copy.dataDir)).toBe(false);
  });
});
