import { afterAll, beforeAll, expect, jest, test } from '@jest/globals';
import type { FloorView, JobView } from '@jubb/contract';
import { randomUUID } from 'node:crypto';
import { DataSource } from 'typeorm';
import { envelope, openShop, type TestShop } from '../shop.fixtures.ts';

jest.setTimeout(120_000);
let shop: TestShop;
beforeAll(async () => {
  shop = await openShop();
});
afterAll(() => shop.app.close());

const query = <T>(sql: string): Promise<T[]> => shop.app.get(DataSource).query(sql);
const logOf = async (job: string): Promise<JobView['events']> =>
  ((await shop.get(`/api/jobs/${job}`)).body as JobView).events;
const lineOf = async (job: string): Promise<FloorView['jobs'][number]> =>
  ((await shop.get('/api/floor')).body as FloorView).jobs.find((j) => j.id === job)!;
const correct = async (job: string, to: object): Promise<{ status: number; body: { says?: string } }> =>
  shop.post(
    `/api/jobs/${job}/commands`,
    envelope((await logOf(job)).length, { type: 'correct', seq: 1, to, reason: 'told wrong' }),
  );
/** Books a unit in under a customer; its job. */
async function booked(serial: string, customerName: string): Promise<string> {
  const answer = await shop.post('/api/jobs', {
    commandId: randomUUID(),
    customerName,
    serial,
    sheet: 'hub-dolly',
    complaint: 'growls',
    answers: [{ question: 0, answer: '65.2 mm' }],
  });
  expect(answer.status).toBe(201);
  return answer.body.id as string;
}
const tables = async (job: string): Promise<{ serial: string; customer: string; owner: string; complaint: string }> => {
  const [row] = await query<{ serial: string; customer: string; owner: string; complaint: string }>(
    `SELECT u.serial, c.name AS customer, o.name AS owner, j.complaint FROM job j JOIN unit u ON u.id = j.unit_id
     JOIN customer c ON c.id = j.customer_id JOIN customer o ON o.id = u.customer_id WHERE j.id = '${job}'`,
  );
  return row!;
};

test('a corrected booking stands in the lists, the unit is its right owner’s; taken back it stands as it was', async () => {
  const job = await booked('B-100', 'Skerrow Airfeild');
  expect(
    (await correct(job, { serial: 'B-101', customer: { id: randomUUID(), name: 'Brae Haulage' }, complaint: 'leaks' }))
      .status,
  ).toBe(200);
  const right = { serial: 'B-101', customer: 'Brae Haulage', owner: 'Brae Haulage', complaint: 'leaks' };
  expect(await tables(job)).toEqual(right);
  expect(JSON.stringify(await lineOf(job))).toContain('Brae Haulage');
  const log = await logOf(job);
  const { command } = log.at(-1)!;
  const back = await shop.post(
    `/api/jobs/${job}/commands`,
    envelope(log.length, { type: 'take-back', command, reason: 'it was right' }),
  );
  expect(back.status).toBe(200);
  expect(await tables(job)).toEqual({
    serial: 'B-100',
    customer: 'Skerrow Airfeild',
    owner: 'Skerrow Airfeild',
    complaint: 'growls',
  });
});

test('a customer of that name is not made twice, and a unit that has another owner keeps it', async () => {
  const first = await booked('B-200', 'Tarn Slate Quarry');
  const second = await booked('B-200', 'Council Depot');
  await correct(second, { customer: { id: randomUUID(), name: 'tarn slate quarry' } });
  expect(await tables(second)).toMatchObject({ customer: 'Tarn Slate Quarry', owner: 'Tarn Slate Quarry' });
  const many = await query<{ n: number }>(
    `SELECT count(*)::int AS n FROM customer WHERE lower(name) = 'tarn slate quarry'`,
  );
  expect(many[0]!.n).toBe(1);
  expect(await tables(first)).toMatchObject({ owner: 'Tarn Slate Quarry' });
});

test('a serial that another unit of the kind has is refused, and nothing is changed', async () => {
  await booked('B-300', 'Council Depot');
  const job = await booked('B-301', 'Council Depot');
  const answer = await correct(job, { serial: 'b-300', complaint: 'other' });
  expect([answer.status, JSON.stringify(answer.body)]).toEqual([
    409,
    expect.stringContaining('Another unit has the serial B-300'),
  ]);
  expect(await tables(job)).toMatchObject({ serial: 'B-301', complaint: 'growls' });
});
