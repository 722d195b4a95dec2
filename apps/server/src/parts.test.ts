import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type { JobView, OfferView, PartsView, PlanView, PriceListView } from '@jubb/contract';
import { billOf, fold, rehearse, type BenchState, type Command } from '@jubb/core/bench';
import { randomUUID } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import { DataSource } from 'typeorm';
import { CONFIG, type Config } from './config/config.ts';
import { SupplierOrders } from './parts/supplier-orders.ts';
import { SupplierQueue } from './parts/supplier-queue.ts';
import { JobQueue } from './queue/job-queue.ts';
import { envelope, openShop, type TestShop } from './shop.fixtures.ts';

jest.setTimeout(180_000);

/** A supplier that a test holds in its hand: what it was asked, and whether it answers. */
class HandSupplier {
  readonly asked: { ref: string; lines: { line: string; number: string; count: number; listMinor?: number }[] }[] = [];
  answers: 'yes' | 'no' | 'half' = 'yes';
  private server: Server | undefined;

  async open(): Promise<string> {
    this.server = createServer((request, response) => {
      let text = '';
      request.on('data', (d) => (text += String(d)));
      request.on('end', () => {
        if (this.answers === 'no') return request.socket.destroy();
        const order = JSON.parse(text) as HandSupplier['asked'][number];
        this.asked.push(order);
        const lines = order.lines.map((l) => ({
          ...l,
          status: 'on-its-way',
          expected: '2026-12-01T00:00:00.000Z',
          priceMinor: (l.listMinor ?? 900) + 35,
        }));
        return response.end(JSON.stringify({ lines: this.answers === 'half' ? lines.slice(1) : lines }));
      });
    });
    await new Promise<void>((done) => this.server!.listen(0, '127.0.0.1', done));
    return `http://127.0.0.1:${(this.server.address() as { port: number }).port}`;
  }
  close(): void {
    this.server?.close();
  }
}

let shop: TestShop;
const supplier = new HandSupplier();
const DESK = 'Tam Veitch';
beforeAll(async () => {
  shop = await openShop();
  shop.app.get<{ supplier: string }>(CONFIG).supplier = await supplier.open();
});
afterAll(async () => {
  supplier.close();
  await shop.app.close();
});

const view = async (job: string): Promise<JobView> => (await shop.get(`/api/jobs/${job}`)).body as JobView;
const stateOf = async (job: string): Promise<BenchState> => fold(job, (await view(job)).events);
async function give(job: string, command: Command): Promise<number> {
  const { events } = await view(job);
  return (await shop.post(`/api/jobs/${job}/commands`, envelope(events.length, command))).status;
}
/** An axle, stripped and measured, every part judged with its finding; with a sum agreed at booking if there is one. */
async function judgedAxle(findings: Record<string, 'renew' | 'dress'> = {}, spendLimitMinor?: number): Promise<string> {
  const booked = await shop.post('/api/jobs', {
    commandId: randomUUID(),
    customerName: 'Skerrow Ice',
    serial: `A-${randomUUID().slice(0, 6)}`,
    sheet: 'axle-clip',
    complaint: 'leaks at the wheel',
    answers: [],
    ...(spendLimitMinor === undefined ? {} : { spendLimitMinor }),
  });
  const { id } = booked.body as { id: string };
  for (let i = 0; i < 300; i += 1) {
    const { sheet, events, drawers } = await view(id);
    const state = fold(id, events);
    if (state.steps['bottom decide']) return id;
    const command = rehearse(sheet, state, { drawers }, {
      finding: (part) => ({ finding: findings[part] ?? 'reuse', reason: 'as a test says' }),
    })!; // prettier-ignore
    if (command.type === 'complete' && command.op.startsWith('build/')) return id;
    expect((await shop.post(`/api/jobs/${id}/commands`, envelope(events.length, command))).status).toBe(200);
  }
  throw new Error('never judged');
}
const order = (
  job: string,
  way = 'cheapest',
  commandId: string = randomUUID(),
  who = DESK,
): ReturnType<TestShop['post']> => shop.post(`/api/jobs/${job}/orders`, { commandId, way }, who);
/** Waits until something is so: the queue works at its own pace. */
async function until(so: () => Promise<boolean>, tries = 200): Promise<void> {
  if (await so()) return;
  if (tries === 0) throw new Error('it never came to be so');
  await new Promise((then) => setTimeout(then, 100));
  await until(so, tries - 1);
}
const parts = async (): Promise<PartsView> => (await shop.get('/api/parts', DESK)).body as PartsView;
const send = async (): Promise<void> => {
  await shop.app.get(DataSource).query(`UPDATE order_line SET next_try = now() WHERE state = 'sending'`);
  const orders = shop.app.get(SupplierOrders);
  for (const ref of await orders.due()) await orders.send(ref);
};
const linesOf = async (job: string): Promise<PartsView['lines']> => (await parts()).lines.filter((l) => l.job === job);

describe('the list that makes itself', () => {
  test('what is always new and what was found, the kit over singles, the drawer first', async () => {
    const job = await judgedAxle({ pin: 'renew' });
    const plan = (await shop.get(`/api/jobs/${job}/parts`, DESK)).body as PlanView;
    expect(plan.lines.map((l) => [l.title, l.from, l.kit])).toEqual(
      expect.arrayContaining([
        ['Pin lock bolt', 'drawer', false],
        ['Both shaft seals', 'supplier', true],
        ['Differential pin', 'supplier', false],
      ]),
    );
    // By hand: two seals at 12.60 against the kit at 22.00; the pin at 38.00.
    expect([plan.totalMinor, plan.singlesMinor]).toEqual([6000, 6320]);
    const singles = (await shop.get(`/api/jobs/${job}/parts?way=singles`, DESK)).body as PlanView;
    expect(singles.lines.some((l) => l.kit)).toBe(false);
    expect((await shop.get(`/api/jobs/${job}/parts?way=free`, DESK)).status).toBe(400);
  });

  test('a number that was replaced twice is ordered by the newest', async () => {
    const hub = await shop.post('/api/jobs', {
      commandId: randomUUID(), customerName: 'Skerrow Airfield', serial: 'H-1', sheet: 'hub-dolly', complaint: 'hot hub',
      answers: [{ question: 0, answer: '65 mm' }],
    }); // prettier-ignore
    const plan = (await shop.get(`/api/jobs/${(hub.body as { id: string }).id}/parts?way=singles`)).body as PlanView;
    expect(plan.lines.find((l) => l.title === 'Hub seal')).toMatchObject({ number: 'BD6-122', instead: 'BD6-121' });
  });
});

describe('ordering', () => {
  test('the same order twice is one order; a second one finds it ordered already', async () => {
    const job = await judgedAxle();
    const id = randomUUID();
    expect((await order(job, 'cheapest', id)).status).toBe(200);
    expect((await order(job, 'cheapest', id)).status).toBe(200);
    await send();
    const lines = await linesOf(job);
    // The kit is 22.00 in the list; this supplier asks 35 more than any list says.
    expect(lines.filter((l) => l.supplier !== 'drawer').map((l) => [l.priceMinor, l.askedMinor])).toEqual([
      [2200, 2235],
    ]);
    expect(supplier.asked.filter((o) => o.ref === id)).toHaveLength(1);
    expect((await order(job)).status).toBe(409);
    expect((await stateOf(job)).holds.filter((h) => h.why === 'parts')).toHaveLength(1);
  });

  test('the supplier down: the order is kept and said so; back again it goes out, once', async () => {
    const job = await judgedAxle();
    supplier.answers = 'no';
    const id = randomUUID();
    expect((await order(job, 'singles', id)).status).toBe(200);
    await send();
    const [waiting] = (await linesOf(job)).filter((l) => l.state === 'sending');
    expect(waiting!.trouble!.says).toBe('The supplier does not answer');
    supplier.answers = 'half';
    await send();
    expect((await linesOf(job)).filter((l) => l.state === 'sending')[0]!.trouble!.says).toMatch(/some of the lines/);
    supplier.answers = 'yes';
    await send();
    await send();
    const lines = (await linesOf(job)).filter((l) => l.supplier !== 'drawer');
    expect(new Set(lines.map((l) => l.state))).toEqual(new Set(['on-its-way']));
    // Asked twice under one reference: the supplier knows it for one order.
    expect(new Set(supplier.asked.filter((o) => o.ref.startsWith(id)).map((o) => o.ref))).toEqual(new Set([id]));
  });

  test('the last part to come clears the hold; a kit that lacks one does not, and the list has it again', async () => {
    const job = await judgedAxle({ pin: 'renew' });
    await order(job);
    await send();
    const lines = (await linesOf(job)).filter((l) => l.state === 'on-its-way');
    const [kit, pin] = [lines.find((l) => l.kit)!, lines.find((l) => !l.kit)!];
    const arrive = (line: string, missing: string[], who = DESK): ReturnType<TestShop['post']> =>
      shop.post(`/api/parts/lines/${line}/arrive`, { commandId: randomUUID(), missing }, who);
    expect((await arrive(kit.line, ['moon'])).status).toBe(409);
    expect((await arrive(kit.line, ['seal@left'])).status).toBe(200);
    expect((await arrive(kit.line, [])).status).toBe(409);
    const open = async (): Promise<unknown[]> => (await stateOf(job)).holds.filter((h) => !h.cleared);
    expect(await open()).toHaveLength(1);
    const again = (await shop.get(`/api/jobs/${job}/parts`)).body as PlanView;
    expect(again.needs.map((n) => n.part)).toEqual(['seal@left']);
    expect(
      (await shop.post(`/api/parts/lines/${pin.line}/send-back`, { commandId: randomUUID(), why: '' }, DESK)).status,
    ).toBe(400);
    // The seal that the kit lacked is still to be bought: the wait is not over with the pin.
    expect((await arrive(pin.line, [])).status).toBe(200);
    expect(await open()).toHaveLength(1);
    expect((await order(job, 'singles')).status).toBe(200);
    const seal = (await linesOf(job)).find((l) => l.state !== 'arrived')!;
    expect((await arrive(seal.line, [])).status).toBe(200);
    expect(await open()).toEqual([]);
  });

  test('the wrong part goes back, another is asked for under a reference of its own, and the job waits again', async () => {
    const job = await judgedAxle();
    await order(job, 'singles');
    await send();
    const [line] = (await linesOf(job)).filter((l) => l.state === 'on-its-way');
    for (const l of (await linesOf(job)).filter((x) => x.state === 'on-its-way'))
      await shop.post(`/api/parts/lines/${l.line}/arrive`, { commandId: randomUUID(), missing: [] }, DESK);
    const before = supplier.asked.length;
    const why = { commandId: randomUUID(), why: 'Ten millimetres too wide' };
    expect((await shop.post(`/api/parts/lines/${line!.line}/send-back`, why, DESK)).status).toBe(200);
    await send();
    expect(supplier.asked.length).toBe(before + 1);
    expect(supplier.asked.at(-1)!.ref).toContain('-again-');
    const state = await stateOf(job);
    expect(state.holds.filter((h) => !h.cleared && h.why === 'parts')).toHaveLength(1);
    expect(state.partLines[line!.line]!.sentBack[0]!.why).toBe('Ten millimetres too wide');
  });

  test('an order that has gone out is not taken back', async () => {
    const job = await judgedAxle();
    const id = randomUUID();
    await order(job, 'cheapest', id, 'Magnus Sorley');
    const { events } = await view(job);
    const back = await shop.post(
      `/api/jobs/${job}/commands`,
      envelope(events.length, { type: 'take-back', command: id, reason: 'oops' }),
    );
    expect([back.status, (back.body as { refusal: { says: string } }).refusal.says]).toEqual([
      409,
      'It has gone out already',
    ]);
  });

  test('a stranger and a line that is not there', async () => {
    expect((await shop.http().get('/api/parts')).status).toBe(401);
    const body = { commandId: randomUUID(), missing: [] };
    expect((await shop.post('/api/parts/lines/none/arrive', body, DESK)).status).toBe(404);
    expect((await shop.post('/api/parts/lines/none/cancel', { commandId: randomUUID(), why: 'x' })).status).toBe(403);
  });
});

describe('the price and the yes', () => {
  test('a quote is refused in part, revised and accepted; past the agreed sum the build waits', async () => {
    const job = await judgedAxle({ pin: 'dress' }, 10_000);
    const offer = (await shop.get(`/api/jobs/${job}/offer`)).body as OfferView;
    expect(offer.offer.options.map((o) => o.id)).toEqual(['repair', 'renewed', 'leave']);
    for (const o of offer.offer.options) {
      expect(o.netMinor).toBe(o.lines.reduce((sum, l) => sum + l.sumMinor, 0));
      expect(o.taxMinor).toBe(Math.round(o.netMinor * 0.2));
    }
    const refused = await order(job);
    expect((refused.body as { refusal: { code: string } }).refusal.code).toBe('past-agreed');
    const quote = (): ReturnType<TestShop['post']> =>
      shop.post(`/api/jobs/${job}/quotes`, { commandId: randomUUID(), note: '' }, DESK);
    const answer = (version: number, body: object): ReturnType<TestShop['post']> =>
      shop.post(
        `/api/jobs/${job}/quotes/${version}/answer`,
        { commandId: randomUUID(), agreedMinor: 0, who: 'Mrs Isbister', how: 'by telephone', note: '', ...body },
        DESK,
      );
    expect((await quote()).status).toBe(200);
    expect((await answer(1, { answer: 'yes', option: 'repair', who: ' ' })).status).toBe(409);
    expect((await answer(1, { answer: 'only this much', option: 'repair', agreedMinor: 12_000 })).status).toBe(200);
    expect((await answer(1, { answer: 'yes', option: 'repair' })).status).toBe(409);
    expect((await order(job)).status).toBe(409);
    expect((await quote()).status).toBe(200);
    expect((await answer(2, { answer: 'yes', option: 'renewed' })).status).toBe(200);
    expect((await order(job)).status).toBe(200);
    const state = await stateOf(job);
    expect(state.quotes.map((q) => q.answer?.answer)).toEqual(['only this much', 'yes']);
    const pdf = await shop.get(`/api/jobs/${job}/quotes/2.pdf`).buffer(true);
    expect([pdf.status, pdf.headers['content-type']]).toEqual([200, 'application/pdf']);
    expect((await shop.get(`/api/jobs/${job}/quotes/7.pdf`)).status).toBe(404);
  });

  test('the build is held at the agreed sum, and goes on with a new yes', async () => {
    const job = await judgedAxle({}, 10_000);
    const { sheet } = await view(job);
    const build = rehearse(sheet, await stateOf(job), { drawers: {} })!;
    expect(await give(job, build)).toBe(409);
    await shop.post(`/api/jobs/${job}/quotes`, { commandId: randomUUID(), note: '' });
    await shop.post(`/api/jobs/${job}/quotes/1/answer`, {
      commandId: randomUUID(), answer: 'yes', option: 'repair', agreedMinor: 0, who: 'Mrs Isbister', how: 'in person', note: '',
    }); // prettier-ignore
    expect(await give(job, build)).toBe(200);
  });

  test('rate, tax and currency are the owner’s to set, and the next offer has them', async () => {
    const job = await judgedAxle();
    const settings = { name: 'Skerrow Rebuilds', currency: '€', rateMinor: 6000, taxPercent: 25, taxName: 'MVA' };
    const put = (body: object, who: string): ReturnType<TestShop['post']> => {
      const request = shop.post('/api/workshop', body, who);
      request.method = 'PUT';
      return request;
    };
    expect((await put(settings, DESK)).status).toBe(403);
    expect((await put({ ...settings, taxPercent: 101 }, 'Una Reith')).status).toBe(400);
    expect((await put(settings, 'Una Reith')).body).toEqual(settings);
    const { money, offer } = (await shop.get(`/api/jobs/${job}/offer`)).body as OfferView;
    expect(money).toEqual({ rateMinor: 6000, taxPercent: 25, currency: '€', taxName: 'MVA' });
    expect(offer.options[0]!.lines.at(-1)!.eachMinor).toBe(6000);
  });

  test('a price by hand for a part that has a number, or that the sheet does not know, is refused with its name', async () => {
    const job = await judgedAxle();
    const quote = (part: string): ReturnType<TestShop['post']> =>
      shop.post(`/api/jobs/${job}/quotes`, { commandId: randomUUID(), note: '', byHand: [{ part, priceMinor: 900 }] });
    const answer = await quote('moon');
    expect([answer.status, (answer.body as { detail: string }).detail]).toEqual([
      400,
      'byHand: "moon" is not a part that needs a price by hand',
    ]);
    expect((await stateOf(job)).quotes).toEqual([]);
  });

  test('what a job comes to is one sum: the head of the bench reckons as the offer does', async () => {
    const job = await judgedAxle();
    const { bill, money } = (await shop.get(`/api/jobs/${job}/offer`)).body as OfferView;
    const { sheet, events, pricing } = await view(job);
    expect(Object.keys(pricing.prices).length).toBeGreaterThan(3);
    expect(billOf(sheet, fold(job, events), { ...money, pricing })).toEqual(bill);
  });
});

describe('a price list', () => {
  const upload = (csv: string, apply: boolean, supplierName = 'Gannet Parts'): ReturnType<TestShop['post']> =>
    shop.upload(
      `/api/parts/price-list?supplier=${encodeURIComponent(supplierName)}&apply=${apply ? 'yes' : 'no'}`,
      {},
      'file',
      Buffer.from(csv),
      'list.csv',
      DESK,
    );
  test('is seen before it is taken in; wrong lines are named and left out; nothing is half written', async () => {
    const csv =
      '\uFEFFnumber;title;price\nOR9-305;Differential pin;41,50\nNEW-1;New thing;3,00\nBAD;=1+1;2,00\nWORSE;x;-1\n';
    const seen = (await upload(csv, false)).body as PriceListView;
    expect(seen).toMatchObject({ lines: 4, added: 1, changed: 1, wrong: 2, applied: false });
    expect(seen.errors.map((e) => [e.line, e.field])).toEqual([
      [4, 'title'],
      [5, 'price'],
    ]);
    const prices = async (): Promise<unknown> =>
      shop.app
        .get(DataSource)
        .query(`SELECT price_minor FROM catalogue_item WHERE number IN ('OR9-305', 'NEW-1') ORDER BY number`);
    expect(await prices()).toEqual([{ price_minor: 3800 }]);
    expect((await upload(csv, true)).body).toMatchObject({ applied: true });
    expect(await prices()).toEqual([{ price_minor: 300 }, { price_minor: 4150 }]);
    const back = await shop.get('/api/parts/price-list.csv', DESK);
    expect(back.text).toContain('OR9-305,Differential pin,41.50,Gannet Parts');
  });
  test.each([
    ['no heading that is one', 'a,b\n1,2\n', /no column "number"/],
    ['nothing', '', /empty/],
  ])('%s is refused whole', async (_, csv, says) => {
    const answer = await upload(csv, true);
    expect(answer.status).toBe(400);
    expect((answer.body as { detail: string }).detail).toMatch(says);
  });
  test('nobody’s list, and hands that may not', async () => {
    expect((await upload('number,price\nA,1\n', false, ' ')).status).toBe(400);
    expect((await shop.get('/api/parts/price-list.csv', 'Ailsa Brock')).status).toBe(403);
  });
});

describe('the queue to the supplier', () => {
  test('asks by itself, again after a pause, and two servers ask for an order once', async () => {
    const config = shop.app.get<Config>(CONFIG);
    const orders = new SupplierOrders(shop.app.get(DataSource), config);
    const others = [new JobQueue(config), new JobQueue(config)];
    try {
      const jobs = [await judgedAxle(), await judgedAxle(), await judgedAxle()];
      supplier.answers = 'no';
      const ids: string[] = [];
      for (const job of jobs) {
        ids.push(randomUUID());
        expect((await order(job, 'singles', ids.at(-1))).status).toBe(200);
      }
      const mine = async (): Promise<PartsView['lines']> =>
        (await parts()).lines.filter((l) => jobs.includes(l.job) && l.supplier !== 'drawer');
      await until(async () => (await mine()).every((l) => l.trouble?.says === 'The supplier does not answer'));
      supplier.answers = 'yes';
      await Promise.all(others.map((q) => new SupplierQueue(q, orders).sendDue()));
      await until(async () => (await mine()).every((l) => l.state === 'on-its-way'));
      expect(
        supplier.asked
          .filter((o) => ids.includes(o.ref))
          .map((o) => o.ref)
          .sort(),
      ).toEqual([...ids].sort());
    } finally {
      supplier.answers = 'yes';
      await Promise.all(others.map((q) => q.onApplicationShutdown()));
    }
  });
});
