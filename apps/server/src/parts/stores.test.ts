import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type { JobView, PartsView, PlanView, ShopChangeView, StoresView, SupplierView, UnitView } from '@jubb/contract';
import { randomUUID } from 'node:crypto';
import { DataSource } from 'typeorm';
import { SupplierOrders } from './supplier-orders.ts';
import { errorsOf, openShop, type TestShop } from '../shop.fixtures.ts';

jest.setTimeout(180_000);
const UNA = 'Una Reith';
const TAM = 'Tam Veitch';
let shop: TestShop;
beforeAll(async () => {
  shop = await openShop();
});
afterAll(() => shop.app.close());

const stores = async (): Promise<StoresView> => (await shop.get('/api/stores', TAM)).body as StoresView;
/** One that has no level yet. */
const small = async (): Promise<StoresView['kept'][number]> =>
  (await stores()).kept.find((k) => k.number === 'LC-SEALANT')!;
const shim = async (): Promise<StoresView['kept'][number]> => (await stores()).kept.find((k) => k.drawer !== null)!;

describe('levels, and the list that they make', () => {
  test('below its level something is on the list, with who lists it; ordered, it is not asked for twice; come, it lies there', async () => {
    const { number, count } = await small();
    expect((await shop.put('/api/stores/levels', { number, least: count + 2, upTo: count + 10 }, TAM)).status).toBe(
      204,
    );
    expect(await small()).toMatchObject({ number, wanted: 10, coming: 0 });
    const order = { id: randomUUID(), number, count: 10, supplier: 'The corner shop', priceMinor: 120 };
    for (let twice = 0; twice < 2; twice += 1)
      expect((await shop.post('/api/stores/orders', order, TAM)).status).toBe(204);
    // Another order under that id is not lost without a word.
    const other = await shop.post('/api/stores/orders', { ...order, count: 3 }, TAM);
    expect([other.status, (other.body as { detail: string }).detail]).toEqual([
      409,
      expect.stringContaining('written down already, as 10 ×'),
    ]);
    const ordered = await stores();
    expect(ordered.orders).toMatchObject([{ id: order.id, count: 10, supplier: 'The corner shop', by: TAM }]);
    expect(await small()).toMatchObject({ wanted: 0, coming: 10 });
    expect((await shop.post(`/api/stores/orders/${order.id}/arrive`, {})).status).toBe(204);
    expect(await small()).toMatchObject({ count: count + 10, coming: 0, wanted: 0 });
    const again = await shop.post(`/api/stores/orders/${order.id}/arrive`, {});
    expect(again.status).toBe(409);
    expect(await small()).toMatchObject({ count: count + 10 });
  });

  test('a size of a shim has a level too, which a count leaves as it is; one that was counted out lies there again when it comes', async () => {
    const { drawer, thicknessNm, count } = await shim();
    await shop.put('/api/stores/levels', { drawer, thicknessNm, least: count + 1, upTo: null }, UNA);
    const of = (view: StoresView): StoresView['kept'][number] | undefined =>
      view.kept.find((k) => k.drawer === drawer && k.thicknessNm === thicknessNm);
    expect(of(await stores())).toMatchObject({ wanted: 1 });
    const id = randomUUID();
    await shop.post('/api/stores/orders', { id, drawer, thicknessNm, count: 5, supplier: 'S' }, UNA);
    const mm = thicknessNm! / 1e6;
    await shop.put(`/api/shop/drawers/${drawer}`, { sizes: [{ mm, count: count + 3 }] }, UNA);
    expect(of(await stores())).toMatchObject({ count: count + 3, least: count + 1 });
    await shop.put(`/api/shop/drawers/${drawer}`, { sizes: [{ mm: 9.99, count: 1 }] }, UNA);
    expect(of(await stores())).toBeUndefined();
    await shop.post(`/api/stores/orders/${id}/arrive`, {}, UNA);
    expect(of(await stores())).toMatchObject({ count: 5, least: null });
  });

  test.each<[string, object, number, string | undefined]>([
    ['up to fewer than its level', { least: 5, upTo: 4 }, 400, 'upTo'],
    ['up to without a level', { least: null, upTo: 4 }, 400, 'least'],
    ['a level of half a piece', { least: 0.5, upTo: null }, 400, 'least'],
    ['something that is not kept', { number: 'NO-SUCH', least: 1, upTo: null }, 404, undefined],
    ['a drawer without its size', { number: undefined, drawer: 'hub-shims', least: 1, upTo: null }, 400, 'thicknessNm'],
  ])('%s is refused', async (_, more, status, field) => {
    const { number } = await small();
    const answer = await shop.put('/api/stores/levels', { number, ...more }, UNA);
    expect(answer.status).toBe(status);
    if (field !== undefined) expect(errorsOf(answer)).toHaveProperty(field);
  });
});

describe('suppliers', () => {
  test('those of the price lists stand there; one is added and put right, and the log says so', async () => {
    const all = async (): Promise<SupplierView[]> => (await shop.get('/api/stores/suppliers')).body as SupplierView[];
    const listed = (await all()).find((s) => s.numbers > 0)!;
    const facts = { phone: '01 23', email: '', account: 'FR-9', notes: '' };
    await shop.put('/api/stores/suppliers', { name: listed.name, ...facts }, TAM);
    await shop.put('/api/stores/suppliers', { name: ' The corner shop ', ...facts }, TAM);
    const after = await all();
    expect(after.find((s) => s.name === listed.name)).toMatchObject({ phone: '01 23', numbers: listed.numbers });
    expect(after.filter((s) => s.name === 'The corner shop')).toHaveLength(1);
    const changes = (await shop.get('/api/shop/changes', UNA)).body as ShopChangeView[];
    expect(changes[0]).toMatchObject({ by: TAM, what: 'supplier The corner shop', was: null, is: '01 23, FR-9' });
    expect(errorsOf(await shop.put('/api/stores/suppliers', { ...facts, name: ' ' }, TAM))).toHaveProperty('name');
  });
});

describe('an order by telephone', () => {
  test('is on its way at once, from whom and at what it was said; no queue sends it, and sent back it stays with them', async () => {
    const toOrder = ((await shop.get('/api/parts', TAM)).body as PartsView).toOrder[0]!;
    const plan = (await shop.get(`/api/jobs/${toOrder.job}/parts?way=singles`)).body as PlanView;
    const need = plan.needs.find((n) => n.count > 0)!;
    const order = (more: object = {}): ReturnType<TestShop['post']> =>
      shop.post(
        `/api/jobs/${toOrder.job}/orders/by-telephone`,
        {
          commandId: randomUUID(),
          supplier: 'The corner shop',
          expected: '2027-03-31',
          lines: [{ part: need.part, number: '', count: need.count, priceMinor: 1234 }],
          ...more,
        },
        TAM,
      );
    expect(errorsOf(await order({ lines: [{ part: 'no-part', number: '', count: 1, priceMinor: 1 }] }))).toEqual({
      'lines.0.part': ['There is no part "no-part"'],
    });
    expect(errorsOf(await order({ supplier: ' ' }))).toHaveProperty('supplier');
    expect((await order()).status).toBe(200);
    const line = async (): Promise<PartsView['lines'][number]> =>
      ((await shop.get('/api/parts', TAM)).body as PartsView).lines.find((l) => l.supplier === 'The corner shop')!;
    expect(await line()).toMatchObject({ state: 'on-its-way', priceMinor: 1234, count: need.count });
    expect((await line()).expected).toContain('2027-03-31');
    const orders = shop.app.get(SupplierOrders);
    for (const ref of await orders.due()) await orders.send(ref);
    expect(await line()).toMatchObject({ state: 'on-its-way', trouble: null });
    // Ordered already: not twice, by whatever way.
    const twice = await order();
    expect(JSON.stringify(twice.body)).toContain('ordered already');
    const view = (await shop.get(`/api/jobs/${toOrder.job}`)).body as JobView;
    expect(
      view.events.filter((e) => e.type === 'parts-ordered' && JSON.stringify(e.payload).includes('1234')),
    ).toHaveLength(1);
    const path = `/api/parts/lines/${encodeURIComponent((await line()).line)}`;
    await shop.post(`${path}/arrive`, { commandId: randomUUID(), missing: [] }, TAM);
    await shop.post(`${path}/send-back`, { commandId: randomUUID(), why: 'the wrong one' }, TAM);
    expect(await line()).toMatchObject({ state: 'on-its-way' });
  });
});

describe('some of a part by telephone', () => {
  test('the rest stays on the list, more than the rest is refused with its field, and the desk may order it elsewhere', async () => {
    const booked = await shop.post('/api/jobs', {
      commandId: randomUUID(),
      customerName: 'Council Depot',
      serial: 'T-31',
      sheet: 'alternator-brushpin',
      complaint: 'no charge',
      leaveOpen: true,
      answers: [],
    });
    const job = (booked.body as { id: string }).id;
    const { needs } = (await shop.get(`/api/jobs/${job}/parts?way=singles`)).body as PlanView;
    const need = needs.find((n) => n.count > 1)!;
    const order = (count: number, supplier: string): ReturnType<TestShop['post']> =>
      shop.post(
        `/api/jobs/${job}/orders/by-telephone`,
        { commandId: randomUUID(), supplier, lines: [{ part: need.part, number: '', count, priceMinor: 99 }] },
        TAM,
      );
    const rest = async (): Promise<number | undefined> =>
      ((await shop.get(`/api/jobs/${job}/parts?way=singles`)).body as PlanView).needs.find((n) => n.part === need.part)
        ?.count;
    expect(errorsOf(await order(need.count + 1, 'Here'))).toHaveProperty(['lines.0.count']);
    expect(errorsOf(await order(0, 'Here'))).toHaveProperty(['lines.0.count']);
    expect((await order(1, 'Here')).status).toBe(200);
    expect(await rest()).toBe(need.count - 1);
    expect(errorsOf(await order(need.count, 'There'))['lines.0.count']![0]).toContain(`${need.count - 1} to order`);
    expect((await order(need.count - 1, 'There')).status).toBe(200);
    expect(await rest()).toBeUndefined();
    const { lines } = (await shop.get('/api/parts', TAM)).body as PartsView;
    expect(lines.flatMap((l) => (l.supplier === 'Here' || l.supplier === 'There' ? [l.count] : [])).sort()).toEqual(
      [1, need.count - 1].sort(),
    );
  });
});

describe('what a unit is called, and where it works', () => {
  test('is put right on its page; the record keeps what it was; the serial of another of its kind is refused', async () => {
    const job = await shop.jobAt('C');
    const rows = await shop.app
      .get(DataSource)
      .query<{ id: string; serial: string; sheet: string }[]>(
        `SELECT u.id, u.serial, u.sheet FROM unit u JOIN job j ON j.unit_id = u.id WHERE j.id = $1`,
        [job.id],
      );
    const { id, serial, sheet } = rows[0]!;
    const set = (facts: object): ReturnType<TestShop['put']> =>
      shop.put(`/api/units/${id}`, { serial, model: 'Mk 2', worksAt: '', ...facts }, 'Magnus Sorley');
    const answer = await set({ serial: ' HB-900 ', worksAt: 'Trailer 4, quarry' });
    expect(answer.body as UnitView).toMatchObject({ serial: 'HB-900', model: 'Mk 2', worksAt: 'Trailer 4, quarry' });
    const after = (await shop.get(`/api/jobs/${job.id}`)).body as JobView;
    expect(after.events[0]!.payload).toMatchObject({ unit: { serial } });
    const changes = (await shop.get('/api/shop/changes', UNA)).body as ShopChangeView[];
    expect(changes.find((c) => c.what === `unit ${serial}: serial number`)).toMatchObject({
      was: serial,
      is: 'HB-900',
    });
    await shop.app
      .get(DataSource)
      .query(
        `INSERT INTO unit (serial, model, sheet, customer_id) SELECT 'TWIN-1', 'x', $1, customer_id FROM unit WHERE id = $2`,
        [sheet, id],
      );
    const taken = await set({ serial: 'twin-1' });
    expect([taken.status, errorsOf(taken)['serial']?.[0]]).toEqual([
      409,
      expect.stringContaining('TWIN-1 is another unit'),
    ]);
    expect(errorsOf(await set({ serial: '  ' }))).toHaveProperty('serial');
  });
});
