import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type { InstrumentView, JobLine, JobView, QualityView, UnitView } from '@jubb/contract';
import { buildRecord, fold } from '@jubb/core/bench';
import { verifyExport, type JobExport } from '@jubb/core/bench/verify';
import ICAL from 'ical.js';
import pdfParse from 'pdf-parse/lib/pdf-parse.js';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { DataSource } from 'typeorm';
import { InstrumentsService } from './instruments/instruments.service.ts';
import { openShop, type TestShop } from './shop.fixtures.ts';

// A first PDF, or a week planned on a machine that is busy, takes its time.
jest.setTimeout(30_000);

let shop: TestShop;
let over: JobLine;
beforeAll(async () => {
  shop = await openShop();
  await shop.app.get(InstrumentsService).connectAll();
  over = ((await shop.get('/api/jobs/handed-over')).body as JobLine[])[0]!;
}, 120_000);
afterAll(() => shop.app.close());

const exported = async (job = over.id): Promise<JobExport> =>
  (await shop.get(`/api/jobs/${job}/record.json`)).body as JobExport;

describe('the record', () => {
  test.each(['customer', 'workshop'])(
    'as PDF for the %s: its words are there, in the shipped font, which is embedded',
    async (depth) => {
      const answer = await shop.get(`/api/jobs/${over.id}/record.pdf?depth=${depth}`).buffer(true);
      expect([answer.status, answer.headers['content-type']]).toEqual([200, 'application/pdf']);
      const bytes = answer.body as Buffer;
      const { text } = await pdfParse(bytes);
      const { record } = await exported();
      expect(text).toContain(record.unit.serial);
      expect(text.replace(/\s+/g, ' ')).toContain(`job ${record.number}`);
      expect(text).toContain(depth === 'customer' ? 'Before and after' : 'Tightened');
      // The customer's page has no workings; the workshop's has every step.
      expect(text.includes('Steps')).toBe(depth === 'workshop');
      const raw = bytes.toString('latin1');
      expect(raw).toMatch(/\/BaseFont \/[A-Z]{6}\+Atkinson/);
      expect(raw).toMatch(/\/FontFile[23]? /);
    },
    // The first page starts a thread of its own.
    30_000,
  );

  test('as PDF of another depth is refused by name', async () => {
    const answer = await shop.get(`/api/jobs/${over.id}/record.pdf?depth=nobody`);
    expect(answer.status).toBe(400);
  });

  test('as CSV has a row for each reading and each pull', async () => {
    const { text } = await shop.get(`/api/jobs/${over.id}/record.csv`);
    const { record } = await exported();
    const rows = text.trim().split('\n');
    expect(rows[0]).toBe('kind,what,place,value,unit,verdict,instrument,at,by');
    const pulls = record.joints.flatMap((j) => [...j.stages.flatMap((s) => s.pulls), ...j.setAside]).length;
    expect(rows.filter((r) => r.startsWith('pull,'))).toHaveLength(pulls);
    expect(pulls).toBeGreaterThan(0);
  });
});

describe('a record from elsewhere', () => {
  test('of this workshop is not taken in: its job is here', async () => {
    const answer = await shop.post('/api/records/import', { file: await exported() });
    expect(answer.status).toBe(409);
  });
  test('that was tampered with is refused with the event that breaks, and nothing is kept', async () => {
    const file = structuredClone(await exported()) as unknown as { events: { payload: Record<string, unknown> }[] };
    file.events[4]!.payload = { ...file.events[4]!.payload, note: 'added later' };
    const answer = await shop.post('/api/records/import', { file });
    expect(answer.status).toBe(400);
    expect(JSON.stringify(answer.body)).toContain('event 5');
    expect((await shop.get('/api/records/imported')).body).toEqual([]);
  });
  test('of another workshop is shown with its key unknown, taken in once, and stands with the serial', async () => {
    const kept = JSON.parse(
      readFileSync(join(process.cwd(), 'packages/core/src/bench/old-forms/job-record-1.json'), 'utf8'),
    ) as JobExport;
    expect(verifyExport(kept, [])).toMatchObject({ good: true, known: false });
    const answer = await shop.post('/api/records/import', { file: kept });
    expect(answer.status).toBe(200);
    expect(answer.body).toMatchObject({ known: false, serial: kept.record.unit.serial });
    expect((await shop.post('/api/records/import', { file: kept })).status).toBe(409);
    const found = await shop.get(`/api/records/imported?serial=${encodeURIComponent(kept.record.unit.serial)}`);
    expect(found.body).toHaveLength(1);
  });
  test('the parts desk takes none in', async () => {
    expect((await shop.post('/api/records/import', { file: {} }, 'Tam Veitch')).status).toBe(403);
  });
});

describe('a sheet from elsewhere', () => {
  const source = (): string => readFileSync(join(process.cwd(), 'library/hub-loose-ball.yaml'), 'utf8');
  test('is taken in as a sheet of its own; again it is left alone; the same revision with other words is refused', async () => {
    const own = source().replace('sheet: hub-loose-ball', 'sheet: hub-loose-ball-north');
    const taken = await shop.post('/api/sheets/import', { source: own }, 'Una Reith');
    expect([taken.status, (taken.body as { id: string }).id]).toEqual([200, 'hub-loose-ball-north']);
    expect((await shop.post('/api/sheets/import', { source: own }, 'Una Reith')).status).toBe(200);
    const other = own.replace(/^title: .*$/m, 'title: Another hub');
    expect((await shop.post('/api/sheets/import', { source: other }, 'Una Reith')).status).toBe(409);
  });
  test('with a slip is refused with its line', async () => {
    const answer = await shop.post('/api/sheets/import', { source: source().replace('kind:', 'kinds:') }, 'Una Reith');
    expect(answer.status).toBe(400);
    expect(JSON.stringify(answer.body)).toMatch(/line \d+/);
  });
  test('only the owner takes one in', async () => {
    expect((await shop.post('/api/sheets/import', { source: source() })).status).toBe(403);
  });
});

describe('the calendar', () => {
  test('is read by a library from the registry; a new address ends the old one, and a revoked one is gone', async () => {
    expect((await shop.get('/api/calendar', 'Una Reith')).body).toEqual({ url: null });
    const path = (url: string): string => new URL(url).pathname;
    const first = path(((await shop.post('/api/calendar', {}, 'Una Reith')).body as { url: string }).url);
    // No sign-in: the address is all.
    const feed = await shop.http().get(first);
    expect([feed.status, feed.headers['content-type']]).toEqual([200, 'text/calendar; charset=utf-8']);
    const calendar = new ICAL.Component(ICAL.parse(feed.text) as unknown[]);
    const events = calendar.getAllSubcomponents('vevent').map((e) => new ICAL.Event(e));
    const floor = (await shop.get('/api/floor')).body as { jobs: JobLine[] };
    const promised = floor.jobs.filter((j) => j.deliveryDate);
    expect(events.filter((e) => e.summary.startsWith('Promised'))).toHaveLength(promised.length);
    const one = promised[0]!;
    const its = events.find((e) => e.uid === `promise-${one.id}@jubb`)!;
    expect(its.startDate.toJSDate().toISOString()).toBe(one.deliveryDate);
    const second = path(((await shop.post('/api/calendar', {}, 'Una Reith')).body as { url: string }).url);
    expect([(await shop.http().get(first)).status, (await shop.http().get(second)).status]).toEqual([404, 200]);
    expect((await shop.get('/api/calendar')).status).toBe(403);
  });
});

describe('how long a unit runs', () => {
  test('gives a day to what is to be looked at again after so many hours', async () => {
    const days = async (): Promise<string[]> => {
      const { url } = (await shop.post('/api/calendar', {}, 'Una Reith')).body as { url: string };
      const feed = await shop.http().get(new URL(url).pathname);
      const calendar = new ICAL.Component(ICAL.parse(feed.text) as unknown[]);
      return calendar
        .getAllSubcomponents('vevent')
        .map((e) => new ICAL.Event(e))
        .filter((e) => e.summary.startsWith('Look again: Fill it after fifty hours'))
        .map((e) => e.startDate.toString());
    };
    // A sheet whose unit is looked at again after hours, and a job of it that is over.
    await shop.app
      .get(DataSource)
      .query(
        `UPDATE job SET visit = jsonb_set(jsonb_set(visit, '{visit,lookAgain}', '["Fill it after fifty hours"]'), '{visit,followUps}', $2) WHERE id = $1`,
        [
          over.id,
          JSON.stringify([
            { do: 'Fill it after fifty hours, by quantity', after: { running: { value: 50, unit: 'h' } } },
          ]),
        ],
      );
    expect(await days()).toEqual([]);
    const runs = await shop.post(`/api/units/${over.unitId}/runs`, { hoursPerWeek: 25 });
    expect([runs.status, (runs.body as UnitView).hoursPerWeek]).toEqual([200, 25]);
    const left = (runs.body as UnitView).visits.find((v) => v.jobId === over.id)!.left!;
    const due = new Date(Date.parse(left) + 14 * 86_400_000).toISOString().slice(0, 10);
    expect(await days()).toEqual([due, due]);
    expect((await shop.post(`/api/units/${over.unitId}/runs`, {})).body).toMatchObject({ hoursPerWeek: null });
    expect(await days()).toEqual([]);
  });
  test.each([
    [{ hoursPerWeek: 200 }, 'A week has 168 hours'],
    [{ hoursPerWeek: 'all day' }, 'Hours in a week, such as 40'],
    [{ hoursPerWeek: 0 }, 'More than nothing'],
  ])('%j is refused with its reason', async (body, says) => {
    const answer = await shop.post(`/api/units/${over.unitId}/runs`, body);
    expect([answer.status, JSON.stringify(answer.body)]).toEqual([400, expect.stringContaining(says)]);
  });
});

describe('the owner’s view', () => {
  test('counts jobs and comebacks by sheet, each with a range that holds its figure', async () => {
    const view = (await shop.get('/api/quality', 'Una Reith')).body as QualityView;
    const jobs = (await shop.get('/api/jobs/handed-over')).body as JobLine[];
    expect(view.sheets.reduce((n, s) => n + s.jobs, 0)).toBe(jobs.length);
    for (const s of view.sheets) {
      expect(s.comebacks!.low).toBeLessThanOrEqual(s.comebacks!.value);
      expect(s.comebacks!.high).toBeGreaterThanOrEqual(s.comebacks!.value);
    }
    expect((await shop.get('/api/quality')).status).toBe(403);
  });
});

describe('the stands of the shop', () => {
  test('are on the list; a run is refused while they do not answer, and of a kind that they do not make', async () => {
    const list = (await shop.get('/api/instruments')).body as InstrumentView[];
    expect(list.filter((i) => i.kind.endsWith('-stand') || i.kind === 'leak-tester')).toHaveLength(5);
    const run = { kind: 'decay', unit: 'x', figures: { time: 60 } };
    expect((await shop.post('/api/instruments/leak-tester-1/run', run)).status).toBe(503);
    const wrong = await shop.post('/api/instruments/spin-stand-1/run', run);
    expect([wrong.status, JSON.stringify(wrong.body)]).toEqual([422, expect.stringContaining('not decay')]);
    expect((await shop.post('/api/instruments/caliper-1/run', run)).status).toBe(422);
    expect((await shop.post('/api/instruments/leak-tester-1/run', { ...run, figures: { time: 'soon' } })).status).toBe(
      400,
    );
    const check = (await shop.post('/api/instruments/caliper-1/check', {})).body as { good: boolean; says: string[] };
    expect([check.good, check.says[0]]).toEqual([false, expect.stringContaining('does not answer')]);
  });
  test('what was behind failures before is nothing yet, and a stranger is not told', async () => {
    expect((await shop.get('/api/sheets/alternator-brushpin/past-causes')).body).toEqual({});
    expect((await shop.http().get('/api/sheets/alternator-brushpin/past-causes')).status).toBe(401);
  });
});

test('a unit that was here before has its visits for then and now', async () => {
  const view = (await shop.get(`/api/units/${over.unitId}`)).body as UnitView;
  expect(view.visits.length).toBeGreaterThan(0);
  const job = (await shop.get(`/api/jobs/${over.id}`)).body as JobView;
  expect(fold(over.id, job.events).handedOver).toBeDefined();
  // The visit after it names it, and where its log ended.
  const back = view.visits.find((v) => v.cameFrom === over.number)!;
  const after = (await shop.get(`/api/jobs/${back.jobId}`)).body as JobView;
  const state = fold(back.jobId, after.events);
  expect(state.booked!.cameFrom).toMatchObject({ job: over.id, head: job.events.at(-1)!.hash });
  expect(buildRecord(after.sheet, state).cameFrom!.days).toBe(189);
});
