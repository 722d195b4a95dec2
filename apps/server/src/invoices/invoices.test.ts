import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type { InvoiceDraftView, InvoiceRow, InvoiceSettingsView, InvoiceView, JobLine } from '@jubb/contract';
import { format } from 'date-fns';
import { randomUUID } from 'node:crypto';
import pdfParse from 'pdf-parse/lib/pdf-parse.js';
import { errorsOf, openShop, type TestShop } from '../shop.fixtures.ts';

jest.setTimeout(180_000);
const UNA = 'Una Reith';
let shop: TestShop;
let job: string;
beforeAll(async () => {
  shop = await openShop();
  job = ((await shop.get('/api/jobs/handed-over', UNA)).body as JobLine[])[0]!.id;
});
afterAll(() => shop.app.close());

const draft = async (of = job): Promise<InvoiceDraftView> =>
  (await shop.get(`/api/invoices/draft/${of}`, UNA)).body as InvoiceDraftView;
const send = async (
  more: object = {},
): Promise<{ status: number; body: InvoiceView; answer: Awaited<ReturnType<TestShop['post']>> }> => {
  const { lines } = await draft();
  const answer = await shop.post('/api/invoices', { commandId: randomUUID(), job, lines, note: '', ...more }, UNA);
  return { status: answer.status, body: answer.body as InvoiceView, answer };
};
const pay = (id: string, more: object): ReturnType<TestShop['post']> =>
  shop.post(
    `/api/invoices/${id}/payments`,
    {
      commandId: randomUUID(),
      amountMinor: 100,
      day: format(new Date(), 'yyyy-MM-dd'),
      how: 'bank',
      note: '',
      ...more,
    },
    UNA,
  );
/** Those that were sent here; the demo has some of its own. */
const mine = async (): Promise<InvoiceRow[]> =>
  ((await shop.get('/api/invoices', UNA)).body as InvoiceRow[]).filter((i) => Number(i.number) > 200);
const settings: InvoiceSettingsView = {
  address: '3 Mill Lane\nBraeside',
  taxNumber: 'T 12 34',
  payWords: 'Bank of Sample, 00-00-00',
  payDays: 30,
  next: 201,
};

describe('invoices', () => {
  let first: InvoiceView;
  test('what stands on every one is the owner’s to set; a number that may have been given is refused', async () => {
    expect((await shop.put('/api/invoices/settings', settings, UNA)).body).toEqual(settings);
    expect((await shop.put('/api/invoices/settings', settings, 'Tam Veitch')).status).toBe(403);
    const back = await shop.put('/api/invoices/settings', { ...settings, next: 200 }, UNA);
    expect([back.status, errorsOf(back)]).toEqual([400, { next: ['201 at least: lower ones may have been given'] }]);
  });

  test('one is sent from what was agreed and done, under the next number; the same command twice is one', async () => {
    const before = await draft();
    expect(before).toMatchObject({ notYet: null, sent: [] });
    const commandId = randomUUID();
    const { status, body } = await send({ commandId, note: 'Thank you' });
    expect(status).toBe(201);
    first = body;
    expect(first).toMatchObject({
      number: '0201',
      kind: 'invoice',
      state: 'open',
      totalMinor: before.totalMinor,
      openMinor: before.totalMinor,
      note: 'Thank you',
      shop: { address: settings.address, taxNumber: settings.taxNumber },
    });
    expect((Date.parse(first.due) - Date.parse(first.day)) / 86_400_000).toBe(30);
    const again = await send({ commandId });
    expect(again.body.id).toBe(first.id);
    expect(await mine()).toHaveLength(1);
  });

  test('a second one for the same job is refused while the first stands', async () => {
    const { status, answer } = await send();
    expect(status).toBe(409);
    expect((answer.body as { detail?: string }).detail).toContain('Invoice 0201 is made out for it already');
  });

  test('a line that does not add up is refused with its place, and no number is lost', async () => {
    const { answer } = await send({
      lines: [{ title: 'Seal', kind: 'part', count: 2, eachMinor: 100, sumMinor: 250 }],
    });
    expect([answer.status, errorsOf(answer)]).toEqual([400, { 'lines.0': ['Seal: 2 × 1.00 is 2.00, not 2.50'] }]);
    expect(((await shop.get('/api/invoices/settings', UNA)).body as InvoiceSettingsView).next).toBe(202);
  });

  test('of a job that is not signed none is sent', async () => {
    const open = await shop.jobAt('C');
    const view = await draft(open.id);
    expect(view.notYet).toContain('not signed yet');
    const { status } = await send({ job: open.id });
    expect(status).toBe(409);
  });

  test('its page for the customer has its number, its lines and its sums', async () => {
    const answer = await shop.get(`/api/invoices/${first.id}/page.pdf`, UNA).buffer(true);
    const { text } = await pdfParse(answer.body as Buffer);
    for (const words of [
      'Invoice 0201',
      first.customer,
      'Bank of Sample',
      (first.totalMinor / 100).toFixed(2),
      first.lines[0]!.title,
    ])
      expect(text).toContain(words);
  });

  test('paid in part, then all; the same payment twice is one; a day that has not been is refused', async () => {
    const commandId = randomUUID();
    const half = Math.floor(first.totalMinor / 2);
    await pay(first.id, { amountMinor: half, commandId });
    const part = (await pay(first.id, { amountMinor: half, commandId })).body as InvoiceView;
    expect([part.state, part.paidMinor]).toEqual(['part paid', half]);
    const wrong = await pay(first.id, { day: '2999-01-01' });
    expect([wrong.status, errorsOf(wrong)]).toEqual([400, { day: ['A day that has been'] }]);
    expect(errorsOf(await pay(first.id, { day: '2026-02-30' }))).toEqual({ day: ['There is no 2026-02-30'] });
    expect(errorsOf(await pay(first.id, { amountMinor: 0 }))).toHaveProperty('amountMinor');
    const all = (await pay(first.id, { amountMinor: first.totalMinor - half, how: 'cash' })).body as InvoiceView;
    expect([all.state, all.openMinor, all.payments.map((p) => p.how)]).toEqual(['paid', 0, ['bank', 'cash']]);
  });

  test('put right by credits: one line, then the rest, to the last penny; then another invoice may be sent', async () => {
    const credit = (body: object): ReturnType<TestShop['post']> =>
      shop.post(`/api/invoices/${first.id}/credit`, { commandId: randomUUID(), reason: 'the wrong kit', ...body }, UNA);
    const one = (await credit({ lines: [0] })).body as InvoiceView;
    expect(one).toMatchObject({
      number: '0202',
      kind: 'credit',
      state: 'credit',
      of: { number: '0201' },
      note: 'the wrong kit',
    });
    expect(one.netMinor).toBe(-first.lines[0]!.sumMinor);
    const twice = await credit({ lines: [0] });
    expect([twice.status, errorsOf(twice)]).toEqual([400, { lines: ['Line 1 is taken back already'] }]);
    expect(errorsOf(await credit({ lines: [99] }))).toEqual({ lines: ['Line 100 is not on it'] });
    expect(errorsOf(await credit({ reason: '  ' }))).toHaveProperty('reason');
    const rest = (await credit({})).body as InvoiceView;
    expect(one.totalMinor + rest.totalMinor).toBe(-first.totalMinor);
    expect((await credit({})).status).toBe(409);
    const now = (await shop.get(`/api/invoices/${first.id}`, UNA)).body as InvoiceView;
    expect([now.state, now.openMinor]).toEqual(['paid too much', -first.totalMinor]);
    const back = (await pay(first.id, { amountMinor: -first.totalMinor })).body as InvoiceView;
    expect([back.state, back.openMinor]).toEqual(['credited', 0]);
    const { body } = await send();
    expect([body.number, body.state]).toEqual(['0204', 'open']);
  });

  test('of four that are sent at once for one job one is, and numbers have no gap', async () => {
    const [, other] = (await shop.get('/api/jobs/handed-over', UNA)).body as JobLine[];
    const { lines } = await draft(other!.id);
    const answers = await Promise.all(
      [1, 2, 3, 4].map(() =>
        shop.post('/api/invoices', { commandId: randomUUID(), job: other!.id, lines, note: '' }, UNA),
      ),
    );
    expect(answers.map((a) => a.status).sort()).toEqual([201, 409, 409, 409]);
    const numbers = (await mine()).map((i) => Number(i.number));
    expect(numbers).toEqual([205, 204, 203, 202, 201]);
  });

  test('a file for the bookkeeper has each once, and adds up; a span of no days is refused', async () => {
    const csv = (await shop.get('/api/invoices/all.csv', UNA)).text.trimEnd().split('\n');
    const rows = (await shop.get('/api/invoices', UNA)).body as InvoiceRow[];
    expect(csv).toHaveLength(rows.length + 1);
    const day = rows[0]!.day;
    const span = async (query: string): Promise<number> =>
      (await shop.get(`/api/invoices/all.csv?${query}`, UNA)).text.trimEnd().split('\n').length - 1;
    expect([await span(`from=${day}`), await span('to=2020-01-01')]).toEqual([(await mine()).length, 0]);
    expect((await shop.get('/api/invoices/all.csv?from=yesterday', UNA)).status).toBe(400);
  });

  test('a mechanic sees none', async () => {
    for (const path of ['', '/all.csv', `/${first.id}`, `/draft/${job}`])
      expect((await shop.get(`/api/invoices${path}`)).status).toBe(403);
  });
});
