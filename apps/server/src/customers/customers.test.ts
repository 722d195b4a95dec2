import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type { CustomerPage, CustomerRow, CustomersRead, CustomerView, JobView, ShopChangeView } from '@jubb/contract';
import { randomUUID } from 'node:crypto';
import type request from 'supertest';
import { errorsOf, openShop, type TestShop } from '../shop.fixtures.ts';

jest.setTimeout(120_000);
const UNA = 'Una Reith';
let shop: TestShop;
beforeAll(async () => {
  shop = await openShop();
});
afterAll(() => shop.app.close());

const put = (path: string, body: object): request.Test => shop.put(path, body, UNA);
const all = async (): Promise<CustomerRow[]> => (await shop.get('/api/customers/all', UNA)).body as CustomerRow[];
const facts = ({ name, phone, email, address, notes }: CustomerRow): object => ({ name, phone, email, address, notes });

describe('a customer', () => {
  test('is put right, and the page has their units and jobs', async () => {
    const one = (await all()).find((c) => c.jobs > 1)!;
    const answer = await put(`/api/customers/${one.id}`, {
      ...facts(one),
      phone: ' 0555 1234 ',
      email: 'yard@skerrow.example',
    });
    expect(answer.status).toBe(204);
    const page = (await shop.get(`/api/customers/${one.id}`, UNA)).body as CustomerPage;
    expect(page).toMatchObject({ name: one.name, phone: '0555 1234', email: 'yard@skerrow.example' });
    expect([page.units.length, page.jobs.length]).toEqual([one.units, one.jobs]);
  });

  test.each([
    ['a name of blanks', { name: '  ' }, 400, 'name'],
    ['no address of mail', { email: 'nowhere' }, 400, 'email'],
    ['notes without end', { notes: 'x'.repeat(2001) }, 400, 'notes'],
  ])('%s is refused with its field', async (_, wrong, status, field) => {
    const [one] = await all();
    const answer = await put(`/api/customers/${one!.id}`, { ...facts(one!), ...wrong });
    expect([answer.status, Object.keys(errorsOf(answer))]).toEqual([status, [field]]);
    expect((await all()).find((c) => c.id === one!.id)).toEqual(one);
  });

  test('the name of another is refused; a % in a name is a letter', async () => {
    const [one, other] = await all();
    const taken = await put(`/api/customers/${one!.id}`, { ...facts(one!), name: other!.name.toUpperCase() });
    expect([taken.status, errorsOf(taken)]).toEqual([
      409,
      { name: [`${other!.name} is a customer already: put the two together instead`] },
    ]);
    expect((await put(`/api/customers/${one!.id}`, { ...facts(one!), name: '%' })).status).toBe(204);
    expect((await put(`/api/customers/${one!.id}`, facts(one!))).status).toBe(204);
  });
});

describe('two customers that are one', () => {
  test('units and jobs go to the one that is kept; the log of a job keeps the name that it was written with', async () => {
    const [from, into] = (await all()).filter((c) => c.jobs > 0) as [CustomerRow, CustomerRow];
    await put(`/api/customers/${from.id}`, { ...facts(from), phone: '0555 77', notes: 'pays late' });
    const { jobs } = (await shop.get(`/api/customers/${from.id}`, UNA)).body as CustomerPage;
    expect((await shop.post(`/api/customers/${from.id}/merge`, { into: into.id }, UNA)).status).toBe(204);
    const after = (await all()).find((c) => c.id === into.id)!;
    expect([after.jobs, after.units]).toEqual([from.jobs + into.jobs, from.units + into.units]);
    expect(after.notes).toContain('pays late');
    expect((await shop.get(`/api/customers/${from.id}`, UNA)).status).toBe(404);
    const found = (await shop.get(`/api/customers?q=${encodeURIComponent(from.name)}`, UNA)).body as CustomerView[];
    expect(found.map((c) => c.id)).not.toContain(from.id);
    // Whoever is booked in by the old name is booked for the one that is kept.
    const again = await shop.post(
      '/api/jobs',
      {
        commandId: randomUUID(),
        customerName: from.name,
        serial: 'M-1',
        sheet: 'axle-clip',
        complaint: 'growls',
        answers: [],
      },
      UNA,
    );
    expect(again.status).toBe(201);
    expect((await all()).find((c) => c.id === into.id)!.jobs).toBe(from.jobs + into.jobs + 1);
    const file = { csv: `name\n${from.name}\n`, take: false };
    const lines = ((await shop.post('/api/customers/import', file, UNA)).body as CustomersRead).lines;
    expect(lines).toEqual([
      { line: 2, what: 'wrong', why: `name: ${from.name} was put together with another customer` },
    ]);
    const job = (await shop.get(`/api/jobs/${jobs[0]!.id}`, UNA)).body as JobView;
    const booked = job.events.find((e) => e.type === 'job-booked')!;
    expect((booked.payload as { customer: { name: string } }).customer.name).toBe(from.name);
    const [newest] = (await shop.get('/api/shop/changes', UNA)).body as ShopChangeView[];
    expect(newest).toMatchObject({ by: UNA, what: `customer ${from.name}`, is: `the same as ${into.name}` });
  });

  test('one with itself, with nobody, or by a mechanic: no', async () => {
    const [one] = await all();
    expect((await shop.post(`/api/customers/${one!.id}/merge`, { into: one!.id }, UNA)).status).toBe(422);
    const nobody = '00000000-0000-4000-8000-000000000000';
    expect((await shop.post(`/api/customers/${one!.id}/merge`, { into: nobody }, UNA)).status).toBe(404);
    expect((await shop.post(`/api/customers/${one!.id}/merge`, { into: nobody }, 'Magnus Sorley')).status).toBe(403);
    expect((await all()).some((c) => c.id === one!.id)).toBe(true);
  });
});

describe('customers of a file', () => {
  const csv = 'name,phone,email\nBrae Quarry,0555 8,\n,1,\nNorth Sheds,,nowhere\n';
  const read = (take: boolean): request.Test => shop.post('/api/customers/import', { csv, take }, 'Tam Veitch');

  test('are looked at first: nothing is written; then the good ones are taken, and the wrong ones named', async () => {
    const before = await all();
    const looked = (await read(false)).body as CustomersRead;
    expect(looked.lines.map((l) => l.what)).toEqual(['new', 'wrong', 'wrong']);
    expect(await all()).toEqual(before);
    const taken = (await read(true)).body as CustomersRead;
    expect(taken.taken).toBe(true);
    const after = await all();
    expect(after).toHaveLength(before.length + 1);
    expect(after.find((c) => c.name === 'Brae Quarry')).toMatchObject({ phone: '0555 8', jobs: 0 });
    // Once more changes nothing.
    expect(((await read(true)).body as CustomersRead).lines[0]!.what).toBe('same');
    expect(await all()).toEqual(after);
  });

  test('what is no CSV of customers is refused whole', async () => {
    const answer = await shop.post('/api/customers/import', { csv: 'who\nA\n', take: true }, UNA);
    expect([answer.status, errorsOf(answer)]).toEqual([
      400,
      { csv: ['There is no column "name"; the columns are who'] },
    ]);
  });

  test('what is written out is read again as it is', async () => {
    const out = await shop.get('/api/customers/all.csv', UNA);
    expect(out.headers['content-type']).toContain('text/csv');
    const again = (await shop.post('/api/customers/import', { csv: out.text, take: false }, UNA)).body as CustomersRead;
    expect(new Set(again.lines.map((l) => l.what))).toEqual(new Set(['same']));
    expect((await shop.get('/api/customers/all.csv', 'Magnus Sorley')).status).toBe(403);
  });
});
