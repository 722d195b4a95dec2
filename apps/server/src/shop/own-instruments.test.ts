import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type { CertificateView, InstrumentView, ShopChangeView } from '@jubb/contract';
import { once } from 'node:events';
import { createServer, type AddressInfo, type Socket } from 'node:net';
import type request from 'supertest';
import { errorsOf, openShop, type TestShop } from '../shop.fixtures.ts';

jest.setTimeout(180_000);
const UNA = 'Una Reith';
let shop: TestShop;
beforeAll(async () => {
  shop = await openShop();
});
afterAll(() => shop.app.close());

const put = (path: string, body: object): request.Test => shop.put(path, body, UNA);
const changes = async (): Promise<ShopChangeView[]> =>
  (await shop.get('/api/shop/changes', UNA)).body as ShopChangeView[];

describe('certificates of calibration', () => {
  const own = async (): Promise<string> => {
    const body = {
      name: `Micrometer ${Math.random()}`,
      kind: 'micrometer',
      unit: 'mm',
      resolution: 0.001,
      uncertainty: 0.002,
      readBy: 'typed',
    };
    return ((await shop.post('/api/shop/instruments', body, UNA)).body as { id: string }).id;
  };
  const pdf = Buffer.from('%PDF-1.4\n1 0 obj\n<<>>\nendobj\n%%EOF\n');
  const send = (id: string, file: Buffer, name = 'cert 2027.pdf', who = UNA): ReturnType<TestShop['upload']> =>
    shop.upload(`/api/shop/instruments/${id}/certificates`, {}, 'certificate', file, name, who);

  test('is kept as it came, opened by whoever measures, and stands in the log; the same file twice is one', async () => {
    const id = await own();
    const [kept] = (await send(id, pdf)).body as CertificateView[];
    expect(kept).toMatchObject({ instrument: id, name: 'cert 2027.pdf', mime: 'application/pdf', by: UNA });
    const opened = await shop.get(`/api/certificates/${kept!.id}`).buffer(true);
    expect([opened.headers['content-type'], (opened.body as Buffer).equals(pdf)]).toEqual(['application/pdf', true]);
    const twice = await send(id, pdf);
    expect([twice.status, errorsOf(twice)]).toEqual([409, { certificate: ['This file is there already'] }]);
    expect((await changes())[0]!.is).toBe('cert 2027.pdf');
  });

  test('what is neither a PDF nor a picture, a simulated one, and other hands are refused', async () => {
    const id = await own();
    const text = await send(id, Buffer.from('it is good'));
    expect([text.status, Object.keys(errorsOf(text))]).toEqual([400, ['certificate']]);
    expect((await send('dti-1', pdf)).status).toBe(404);
    expect((await send(id, pdf, 'c.pdf', 'Magnus Sorley')).status).toBe(403);
    expect(errorsOf(await shop.post(`/api/shop/instruments/${id}/certificates`, {}, UNA))).toHaveProperty(
      'certificate',
    );
  });
});

describe('an instrument of the shop’s own on a line', () => {
  const gauge = {
    name: 'Depth gauge on its radio',
    kind: 'caliper',
    unit: 'mm',
    resolution: 0.01,
    uncertainty: 0.02,
    readBy: 'port',
  };
  test('is called at its address by its id, is connected once it says what it is, and is hung up on when it goes off the list', async () => {
    const speaker = createServer();
    speaker.listen(0, '127.0.0.1');
    await once(speaker, 'listening');
    const called = once(speaker, 'connection') as Promise<[Socket]>;
    const line = `127.0.0.1:${(speaker.address() as AddressInfo).port}`;
    const { id } = (await shop.post('/api/shop/instruments', { ...gauge, line }, UNA)).body as { id: string };
    const [socket] = await called;
    const [first] = (await once(socket, 'data')) as [Buffer];
    expect(JSON.parse(first.toString())).toEqual({ attach: id });
    const listed = async (): Promise<InstrumentView | undefined> =>
      ((await shop.get('/api/instruments')).body as InstrumentView[]).find((i) => i.id === id);
    expect(await listed()).toMatchObject({ connected: false, readBy: 'port', line });
    socket.write(`${JSON.stringify({ identify: { id, name: gauge.name, kind: 'caliper' } })}\n`);
    while (!(await listed())!.connected) await new Promise((r) => setTimeout(r, 20));
    // A real one is moved by a real hand.
    expect(
      (await shop.post(`/api/instruments/${id}/hand`, { action: 'present', value: 1, unit: 'mm' })).status,
    ).not.toBe(200);
    const over = once(socket, 'close');
    expect((await shop.remove(`/api/shop/instruments/${id}`, UNA)).status).toBe(204);
    await over;
    expect(await listed()).toBeUndefined();
    speaker.close();
  });

  test.each([undefined, 'gauge', 'gauge:', 'gauge:99999999', 'http://gauge:7900', 'two words:1'])(
    'a line of "%s" is refused with its field',
    async (line) => {
      const answer = await shop.post('/api/shop/instruments', { ...gauge, line }, UNA);
      expect([answer.status, errorsOf(answer)]).toEqual([
        400,
        { line: expect.arrayContaining(['Host and port, as 192.168.7.30:7900']) },
      ]);
    },
  );
});

describe('instruments of the shop’s own', () => {
  const wrench = {
    name: 'Click wrench, red',
    kind: 'torque-wrench',
    number: 'W-7',
    unit: 'N·m',
    resolution: 1,
    uncertainty: 2,
    readBy: 'typed',
    calibratedTo: '2020-01-31',
    wrench: { minNm: 20, maxNm: 200, lengthMm: 420, graduation: 1 },
  };
  const list = async (): Promise<InstrumentView[]> =>
    (await shop.get('/api/instruments', UNA)).body as InstrumentView[];

  test('one is added, is on the list with its range and its date, is put right, and is taken off', async () => {
    const { id } = (await shop.post('/api/shop/instruments', wrench, UNA)).body as { id: string };
    const there = (await list()).find((i) => i.id === id)!;
    expect(there).toMatchObject({
      name: 'Click wrench, red',
      number: 'W-7',
      readBy: 'typed',
      simulated: false,
      connected: false,
      calibratedTo: '2020-01-31',
      uncertainty: { value: 2, unit: 'N·m' },
      wrench: { minNm: 20, maxNm: 200, lengthMm: 420, graduation: 1, scaleUnit: 'N·m' },
    });
    expect((await put(`/api/shop/instruments/${id}`, { ...wrench, calibratedTo: '2031-06-30' })).status).toBe(204);
    expect((await list()).find((i) => i.id === id)!.calibratedTo).toBe('2031-06-30');
    expect((await shop.remove(`/api/shop/instruments/${id}`, UNA)).status).toBe(204);
    expect((await list()).some((i) => i.id === id)).toBe(false);
    expect((await changes()).slice(0, 3).map((c) => c.is)).toEqual([
      'off the list',
      'no. W-7, to 1 N·m, calibrated to 2031-06-30',
      'on the list: no. W-7, to 1 N·m, calibrated to 2020-01-31',
    ]);
  });

  test.each([
    ['a micrometer that shows newtons', { kind: 'micrometer', unit: 'N' }, 'unit'],
    ['a unit that is none', { kind: 'micrometer', unit: 'furlongs' }, 'unit'],
    ['a wrench without a range', { wrench: undefined }, 'wrench'],
    ['a scale that runs backwards', { wrench: { ...wrench.wrench, minNm: 300 } }, 'wrench'],
    ['a day that is none', { calibratedTo: '2027-02-30' }, 'calibratedTo'],
    ['a stand', { kind: 'dyno' }, 'kind'],
  ])('%s is refused with its field', async (_, wrong, field) => {
    const before = (await list()).length;
    const answer = await shop.post('/api/shop/instruments', { ...wrench, ...wrong }, UNA);
    expect([400, 422]).toContain(answer.status);
    expect(Object.keys(errorsOf(answer)).join()).toContain(field);
    expect(await list()).toHaveLength(before);
  });

  test('a simulated one is taken off the list but not made another', async () => {
    const one = (await list()).find((i) => i.simulated)!;
    expect((await put(`/api/shop/instruments/${one.id}`, wrench)).status).toBe(422);
    expect((await shop.remove(`/api/shop/instruments/${one.id}`, UNA)).status).toBe(204);
    expect((await list()).some((i) => i.id === one.id)).toBe(false);
    expect((await shop.remove(`/api/shop/instruments/${one.id}`, UNA)).status).toBe(404);
  });
});
