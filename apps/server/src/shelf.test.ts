import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type { FloorView, FoundView, JobView } from '@jubb/contract';
import { fold, nextMove, rehearse, type LoggedEvent } from '@jubb/core/bench';
import { randomUUID } from 'node:crypto';
import jsQR from 'jsqr';
import sharp from 'sharp';
import { DataSource } from 'typeorm';
import { networkAddress } from './network/addresses.ts';
import { envelope, openShop, opNow, type TestShop } from './shop.fixtures.ts';

jest.setTimeout(180_000);
let shop: TestShop;
beforeAll(async () => {
  shop = await openShop();
});
afterAll(() => shop.app.close());

const give = async (job: JobView, command: object): Promise<{ status: number; body: Record<string, unknown> }> =>
  shop.post(`/api/jobs/${job.id}/commands`, envelope(job.events.length, command));
const picture = (): Promise<Buffer> =>
  sharp({ create: { width: 2600, height: 1200, channels: 3, background: '#7a6a50' } })
    .withExif({ IFD0: { Copyright: 'Somebody', Make: 'A camera' } })
    .jpeg()
    .toBuffer();

describe('pictures', () => {
  const fields = (): Record<string, string> => ({ commandId: randomUUID(), seen: '0', caption: 'Left seal' });

  test('one is kept with the job, upright and small, with nothing but pixels in it; sent again it is kept once', async () => {
    const job = await shop.jobAt('A');
    const given = await picture();
    expect((await sharp(given).metadata()).exif).toBeDefined();
    const f = fields();
    const answer = await shop.upload(`/api/jobs/${job.id}/photos`, f, 'photo', given, 'seal.jpg');
    expect(answer.status).toBe(200);
    const again = await shop.upload(`/api/jobs/${job.id}/photos`, f, 'photo', given, 'seal.jpg');
    expect(again.status).toBe(200);
    const now = await shop.jobAt('A');
    const added = now.events.filter((e) => e.type === 'photo-added');
    expect(added).toHaveLength(1);
    expect(added[0]!.payload).toMatchObject({ caption: 'Left seal', width: 2000, height: 923 });
    const kept = await shop.get(`/api/photos/${f['commandId']}`);
    expect(kept.headers['content-type']).toBe('image/jpeg');
    const meta = await sharp(kept.body as Buffer).metadata();
    expect([meta.format, meta.width, meta.exif]).toEqual(['jpeg', 2000, undefined]);
  });

  test.each<[string, Buffer, string, number, RegExp]>([
    ['a text that says it is one', Buffer.from('this is no picture at all'), 'seal.jpg', 400, /is not a picture/],
    [
      'a head of JPEG and nothing behind it',
      Buffer.from([0xff, 0xd8, 0xff, 0xe0, 0, 0]),
      'a.jpg',
      400,
      /not a picture|cannot be read/,
    ],
    ['40 MB', Buffer.alloc(40 * 1024 * 1024), 'big.jpg', 413, /too large/i],
    ['a PDF', Buffer.from('%PDF-1.4\n%âãÏÓ\n'), 'a.jpg', 400, /PDF is not a picture/],
  ])('%s is refused, and nothing is kept', async (_, bytes, name, status, words) => {
    const job = await shop.jobAt('A');
    const answer = await shop.upload(`/api/jobs/${job.id}/photos`, fields(), 'photo', bytes, name);
    expect(answer.status).toBe(status);
    expect((answer.body as { detail: string }).detail).toMatch(words);
    expect((await shop.jobAt('A')).events.length).toBe(job.events.length);
    const [{ n }] = await shop.app.get(DataSource).query<[{ n: number }]>('SELECT count(*)::int AS n FROM photo');
    expect(n).toBe(2);
  });

  test.each(['../x', '../../etc/passwd', 'a/b.jpg', 'a\\b.jpg'])(
    'a picture named %s is refused at its field',
    async (name) => {
      const job = await shop.jobAt('A');
      // By hand, since a client that means well would take the folder off the name.
      const boundary = 'cut-here';
      const part = (head: string, body: Buffer | string): Buffer =>
        Buffer.concat([
          Buffer.from(`--${boundary}\r\n${head}\r\n\r\n`),
          Buffer.from(body as never),
          Buffer.from('\r\n'),
        ]);
      const body = Buffer.concat([
        ...Object.entries(fields()).map(([k, v]) => part(`Content-Disposition: form-data; name="${k}"`, v)),
        part(
          `Content-Disposition: form-data; name="photo"; filename="${name.replace(/\\/g, '\\\\')}"\r\nContent-Type: image/jpeg`,
          await picture(),
        ),
        Buffer.from(`--${boundary}--\r\n`),
      ]);
      const answer = await shop.raw(`/api/jobs/${job.id}/photos`, `multipart/form-data; boundary=${boundary}`, body);
      expect(answer.status).toBe(400);
      expect(Object.keys((answer.body as { errors: object }).errors)).toEqual(['photo']);
    },
  );

  test('a picture is closed to strangers; the parts desk looks and adds none', async () => {
    const job = await shop.jobAt('E');
    const photo = job.events.find((e) => e.type === 'photo-added')!;
    const id = photo.type === 'photo-added' ? photo.payload.photo : '';
    expect((await shop.http().get(`/api/photos/${id}`)).status).toBe(401);
    expect((await shop.get(`/api/photos/${id}`, 'Tam Veitch')).status).toBe(200);
    expect((await shop.get(`/api/photos/${randomUUID()}`)).status).toBe(404);
  });
});

describe('documents of a sheet', () => {
  test('the demo manual is there, under the name that the figures use', async () => {
    const job = await shop.jobAt('E');
    const from = job.sheet.joints['cover-bolts']!.from;
    const found = job.documents.find((d) => from?.kind === 'maker' && d.name === from.document);
    expect(found?.mime).toBe('application/pdf');
    const opened = await shop.get(`/api/documents/${found!.id}`).buffer(true);
    expect([opened.status, opened.headers['content-type']]).toEqual([200, 'application/pdf']);
    expect((opened.body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');
  });
  test('attaching again replaces; what is neither PDF nor picture is refused', async () => {
    const path = '/api/sheets/hub-dolly/documents';
    const first = await shop.upload(path, { name: 'Brindlow BD-6 sheet' }, 'document', await picture(), 'p5.jpg');
    expect([first.status, (first.body as { mime: string }).mime]).toEqual([201, 'image/jpeg']);
    await shop.upload(path, { name: 'brindlow bd-6 SHEET' }, 'document', Buffer.from('%PDF-1.4\n'), 'all.pdf');
    expect((await shop.get(path)).body).toHaveLength(1);
    expect((await shop.upload(path, { name: 'x' }, 'document', Buffer.from('hello'), 'x.pdf')).status).toBe(400);
    expect(
      (await shop.upload('/api/sheets/no-such/documents', { name: 'x' }, 'document', await picture(), 'x.jpg')).status,
    ).toBe(404);
  });
});

describe('places and the shelf', () => {
  test('one unit stands at a place, also when two are put there at once', async () => {
    const [a, b] = [await shop.jobAt('A'), await shop.jobAt('C')];
    expect((await give(a, { type: 'move', to: 'B' })).body).toMatchObject({ status: 409, code: 'place-taken' });
    const both = await Promise.all([give(a, { type: 'move', to: 'D' }), give(b, { type: 'move', to: 'D' })]);
    expect(both.map((x) => x.status).sort()).toEqual([200, 409]);
    const floor = (await shop.get('/api/floor')).body as FloorView;
    expect(floor.jobs.filter((j) => j.place === 'D')).toHaveLength(1);
    const moved = await shop.jobAt('D');
    await give(moved, { type: 'move', to: moved.id === a.id ? 'A' : 'C' });
  });

  test('parked, hands are off; resumed with the trays counted, a difference with its reason, it goes on', async () => {
    const job = await shop.jobAt('Shelf 4');
    const refused = await give(job, { type: 'complete', op: opNow(job) });
    expect(refused.body).toMatchObject({ status: 409, code: 'parked' });
    const { off } = fold(job.id, job.events);
    const counts = Object.fromEntries(Object.entries(off).map(([p, o]) => [p, o.count]));
    const short = { ...counts, 'detent-ball': 2 };
    expect((await give(job, { type: 'resume', to: 'D', counts: short })).body).toMatchObject({
      code: 'count-disagrees',
    });
    expect((await give(job, { type: 'resume', to: 'D', counts: {} })).body).toMatchObject({ code: 'not-complete' });
    const resumed = await give(job, {
      type: 'resume',
      to: 'D',
      counts: short,
      reason: 'One rolled away, new one ordered',
    });
    expect(resumed.status).toBe(200);
    const now = await shop.jobAt('D');
    const state = fold(now.id, now.events);
    expect([state.parked, state.holds.every((h) => h.cleared)]).toEqual([undefined, true]);
    expect(state.resumed[0]!.counts).toContainEqual({ part: 'detent-ball', expected: 3, found: 2 });
  });

  test('labels: one for the unit and each tray, with a code that leads to the job at its rung', async () => {
    const job = await shop.jobAt('Shelf 3');
    const svg = await shop.get(`/api/jobs/${job.id}/labels.svg`).set('Host', '192.168.7.20:7800');
    expect(svg.headers['content-type']).toContain('image/svg+xml');
    const text = (svg.body as Buffer).toString();
    for (const words of ['Job 311', 'D2', 'Propshaft screw', 'Shelf 3']) expect(text).toContain(words);
    // Read by another library, as a camera would: the code opens this job at the rung at hand.
    const unit = await shop.get(`/api/jobs/${job.id}/labels.svg?tray=Unit`).set('Host', '192.168.7.20:7800');
    const { data, info } = await sharp(unit.body as Buffer, { density: 220 })
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const read = jsQR(new Uint8ClampedArray(data), info.width, info.height);
    const step = nextMove(job.sheet, fold(job.id, job.events));
    expect(read?.data).toBe(
      `http://192.168.7.20:7800/job/${job.id}?at=${encodeURIComponent(step.kind === 'op' ? step.step.id : '')}`,
    );
    const pdf = await shop.get(`/api/jobs/${job.id}/labels.pdf`).buffer(true);
    expect((pdf.body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');
    expect((await shop.get(`/api/jobs/${job.id}/labels.svg?tray=nowhere`)).status).toBe(404);
    expect((await shop.http().get(`/api/jobs/${job.id}/labels.svg`)).status).toBe(401);
  });

  test('the address of a label is one that another device finds', () => {
    const plain = { publicUrl: undefined, https: false };
    expect(networkAddress('bench-a:7800', 7800, { ...plain, https: true })).toBe('https://bench-a:7800');
    expect(networkAddress('192.168.7.20:7800', 7800, plain)).toBe('http://192.168.7.20:7800');
    expect(networkAddress('bench-a:7800', 7800, plain)).toBe('http://bench-a:7800');
    expect(networkAddress('localhost:7900', 7800, plain)).toMatch(/^http:\/\/[\d.]+:7900$/);
    expect(networkAddress('', 7800, plain)).toMatch(/:7800$/);
    expect(networkAddress('localhost:7900', 7800, { publicUrl: 'https://bench.example', https: false })).toBe(
      'https://bench.example',
    );
  });
});

describe('surprises and lessons', () => {
  test('a surprise is a rung of this job and a lesson of its sheet; taken back, both are gone', async () => {
    const job = await shop.jobAt('C');
    const id = randomUUID();
    const surprise = {
      type: 'surprise',
      kind: 'comes-off-first',
      title: 'Speed ring',
      note: 'three screws',
      parts: [{ title: 'Speed ring', count: 1 }],
    };
    const url = `/api/jobs/${job.id}/commands`;
    expect((await shop.post(url, envelope(job.events.length, surprise, id))).status).toBe(200);
    const lessons = async (): Promise<{ words: string }[]> =>
      (await shop.get('/api/sheets/hub-dolly/lessons')).body as { words: string }[];
    expect((await lessons()).map((l) => l.words)).toContain('Speed ring: three screws');
    const now = await shop.jobAt('C');
    expect((await shop.get('/api/floor')).body.jobs.find((j: { id: string }) => j.id === job.id).nextMove).toBe(
      'three screws',
    );
    await shop.post(url, envelope(now.events.length, { type: 'take-back', command: id, reason: 'not on this one' }));
    expect((await lessons()).map((l) => l.words)).not.toContain('Speed ring: three screws');
  });

  test('a joint without a figure in the book is computed, and its lesson stands at the sheet', async () => {
    const booked = await shop.post('/api/jobs', {
      commandId: randomUUID(),
      customerName: 'Council Depot',
      serial: 'B-1',
      sheet: 'tensioner-belt',
      complaint: 'squeals',
      answers: [{ question: 0, answer: '1' }],
    });
    const { id } = booked.body as { id: string };
    const read = async (): Promise<JobView> => (await shop.get(`/api/jobs/${id}`)).body as JobView;
    for (let i = 0; i < 400; i += 1) {
      const job = await read();
      const state = fold(id, job.events);
      if (state.joints['tensioner-joint']?.tightened) break;
      const command = rehearse(job.sheet, state, { drawers: job.drawers }, { impatience: 'a test' })!;
      expect((await shop.post(`/api/jobs/${id}/commands`, envelope(job.events.length, command))).status).toBe(200);
    }
    const lessons = (await shop.get('/api/sheets/tensioner-belt/lessons')).body as { words: string; kind: string }[];
    expect(lessons.map((l) => l.kind)).toContain('no-figure');
    expect(lessons.find((l) => l.kind === 'no-figure')!.words).toMatch(
      /no figure in the sheet; \d+.*was computed from M10 8\.8/,
    );
  });

  test.each<[string, object, number, string]>([
    ['a count below nothing', { type: 'count', op: 'x', count: -1 }, 400, 'not below nothing'],
    ['a count of 10⁹', { type: 'count', op: 'x', count: 1_000_000_000 }, 400, 'slip of the finger'],
    ['a count of 10⁹ as parts come off', { type: 'complete', op: 'x', counts: { cap: 1e9 } }, 400, 'no count'],
    ['a count of −1 in a tray', { type: 'resume', to: 'A', counts: { cap: -1 } }, 400, 'no count'],
    ['half a bolt', { type: 'count', op: 'x', count: 1.5 }, 400, 'whole number'],
    [
      'a mark between a part and itself',
      { type: 'add-mark', between: ['cap', 'cap'], where: 'top', with: 'paint' },
      409,
      'and itself',
    ],
    ['a mark on one part', { type: 'add-mark', between: ['cap'], where: 'top', with: 'paint' }, 400, 'two parts'],
    ['a wait of a year', { type: 'start-timer', title: 'x', minutes: 525_600, kind: 'other' }, 400, 'minutes'],
  ])('%s is refused, and nothing is written', async (_, command, status, words) => {
    const job = await shop.jobAt('A');
    const answer = await give(job, command);
    expect([answer.status, JSON.stringify(answer.body)]).toEqual([status, expect.stringContaining(words)]);
    expect((await shop.jobAt('A')).events.length).toBe(job.events.length);
  });
});

describe('waits', () => {
  test('a wait stands on the Floor, and cutting it short asks why', async () => {
    const job = await shop.jobAt('E');
    const floor = (await shop.get('/api/floor')).body as FloorView;
    const [timer] = floor.jobs.find((j) => j.id === job.id)!.notices.timers;
    expect(timer).toMatchObject({ kind: 'cure', minutes: 15 });
    const op = opNow(job);
    expect((await give(job, { type: 'complete', op })).body).toMatchObject({ code: 'still-waiting' });
    const cut = await give(job, { type: 'complete', op, reason: 'Skinned already, warm day' });
    expect(cut.status).toBe(200);
    expect((cut.body as { events?: LoggedEvent[] }).events?.map((e) => e.type)).toEqual(['timer-ended', 'op-done']);
  });
});

describe('booking a unit that was opened before', () => {
  const form = (more: object): object => ({
    commandId: randomUUID(),
    customerName: 'Harbour Office',
    serial: `N-${randomUUID().slice(0, 6)}`,
    sheet: 'hub-reduction',
    complaint: 'oil at the hub',
    answers: [],
    ...more,
  });
  test('two questions narrow it together; a contradiction is said, and nothing is guessed', async () => {
    const answers = (a: string, b: string): object[] => [
      { question: 0, answer: a },
      { question: 1, answer: b },
    ];
    expect((await shop.post('/api/jobs', form({ answers: answers('none', 'C') }))).body).toMatchObject({
      status: 400,
      errors: { 'answers.1.answer': [expect.stringContaining('says otherwise')] },
    });
    expect((await shop.post('/api/jobs', form({ answers: [{ question: 1, answer: 'B' }] }))).body).toMatchObject({
      status: 400,
      errors: { 'answers.0.answer': [expect.stringContaining('Still 2')] },
    });
    const { body } = await shop.post('/api/jobs', form({ answers: answers('none', 'B') }));
    const job = (await shop.get(`/api/jobs/${(body as { id: string }).id}`)).body as JobView;
    expect(fold(job.id, job.events).variant).toBe('narrow');
  });
  test('undecided may be booked as undecided; the bench tells it later', async () => {
    const { body } = await shop.post('/api/jobs', form({ leaveOpen: true, answers: [{ question: 1, answer: 'B' }] }));
    const job = (await shop.get(`/api/jobs/${(body as { id: string }).id}`)).body as JobView;
    expect(fold(job.id, job.events).variant).toBeUndefined();
    expect((await give(job, { type: 'identify', question: 'ribs', answer: 'six' })).status).toBe(200);
    const now = (await shop.get(`/api/jobs/${job.id}`)).body as JobView;
    expect(fold(now.id, now.events).variant).toBe('wide');
  });
  test('opened before asks why it is back', async () => {
    const opened = { answer: 'yes', signs: ['Chisel marks on the hub nut'] };
    const asked = await shop.post('/api/jobs', form({ opened, leaveOpen: true }));
    expect(Object.keys((asked.body as { errors: object }).errors)).toEqual(['opened.why']);
    const told = await shop.post('/api/jobs', form({ opened: { ...opened, why: 'Leaks again' }, leaveOpen: true }));
    expect(told.status).toBe(201);
  });
});

describe('booking less than all of a unit', () => {
  const form = (more: object): object => ({
    commandId: randomUUID(),
    customerName: 'Harbour Office',
    serial: `N-${randomUUID().slice(0, 6)}`,
    sheet: 'axle-pinion',
    complaint: 'oil at a half shaft',
    answers: [],
    leaveOpen: true,
    ...more,
  });
  test('what the sheet does not know is refused by its field; what it knows is in the log, and may be widened', async () => {
    expect((await shop.post('/api/jobs', form({ scope: 'roof' }))).body).toMatchObject({
      status: 400,
      errors: { scope: [expect.stringContaining('"roof"')] },
    });
    const { body } = await shop.post('/api/jobs', form({ scope: 'half-shafts' }));
    const job = (await shop.get(`/api/jobs/${(body as { id: string }).id}`)).body as JobView;
    expect(fold(job.id, job.events).scope).toBe('half-shafts');
    const wider = await give(job, { type: 'widen-scope', scope: 'final-drive', says: 'the owner, by telephone' });
    expect(wider.status).toBe(200);
    const now = (await shop.get(`/api/jobs/${job.id}`)).body as JobView;
    expect((await give(now, { type: 'widen-scope', scope: 'half-shafts', says: 'x' })).status).toBe(409);
    expect(fold(now.id, now.events).scope).toBe('final-drive');
  });
  test('all of it is what it is without a word', async () => {
    const { body } = await shop.post('/api/jobs', form({ scope: 'full' }));
    const job = (await shop.get(`/api/jobs/${(body as { id: string }).id}`)).body as JobView;
    expect(fold(job.id, job.events).booked!.scope).toBeUndefined();
  });
});

describe('search', () => {
  test.each<[string, string, string]>([
    ['311', 'job', 'Job 311'],
    ['BA-77', 'unit', 'BA-7731'],
    ['slate', 'customer', 'Tarn Slate Quarry'],
    ['turbocharger', 'sheet', 'Turbocharger core'],
    ['KG4-270', 'part', 'Input seal'],
    ['propshaft centre', 'sheet', 'Propshaft centre bearing'],
  ])('%s finds a %s', async (q, kind, title) => {
    const found = (await shop.get(`/api/search?q=${encodeURIComponent(q)}`)).body as FoundView[];
    expect(
      found
        .filter((f) => f.kind === kind)
        .map((f) => f.title)
        .join(),
    ).toContain(title);
    for (const f of found) expect(f.path).toMatch(/^\//);
  });
  test('nothing typed finds nothing; a percent sign is a percent sign; strangers find nothing', async () => {
    expect((await shop.get('/api/search?q=')).body).toEqual([]);
    expect((await shop.get('/api/search?q=%25%25')).body).toEqual([]);
    expect((await shop.get('/api/search?q[]=a&q[]=b')).body).toEqual([]);
    expect((await shop.http().get('/api/search?q=a')).status).toBe(401);
  });
});
