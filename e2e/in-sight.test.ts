import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { nextMove, type BenchState, type RehearsalFigures } from '@jubb/core/bench';
import type { FloorView, JobLine } from '@jubb/contract';
import type { Page } from 'puppeteer-core';
import { axeViolations } from './axe.ts';
import { ask, book, forward, fresh, jobOf } from './hands.ts';
import { outOfSight, WIDTHS } from './in-sight.ts';
import { press, Workshop } from './workshop.ts';

jest.setTimeout(300_000);
const shop = new Workshop();
let page: Page;
beforeAll(async () => {
  await shop.open();
  page = await shop.page();
  // What glides to its place is looked at in its place.
  await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
}, 120_000);
afterAll(() => shop.close());

/** A page as it stands, at each width and in both themes: what is out of sight there, and what axe finds. */
async function faults(name: string): Promise<string[]> {
  const found: string[] = [];
  for (const { width, height, name: size } of WIDTHS) {
    await page.setViewport({ width, height, deviceScaleFactor: 1 });
    // Drawings that measure their column are drawn anew in the frame after.
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
    if (process.env['PICTURES']) await page.screenshot({ path: `${process.env['PICTURES']}/${name}-${width}.png` });
    const say = (line: string): number => found.push(`${name} at ${size}: ${line}`);
    for (const line of await outOfSight(page)) say(line);
    for (const line of await axeViolations(page)) say(`by day: ${line}`);
    await page.evaluate(() => (document.documentElement.dataset['bsTheme'] = 'dark'));
    for (const line of await axeViolations(page, ['color-contrast'])) say(`by night: ${line}`);
    await page.evaluate(() => (document.documentElement.dataset['bsTheme'] = 'light'));
  }
  await page.setViewport({ width: 1280, height: 800, deviceScaleFactor: 1 });
  return found;
}

/** Opens an address and waits for what tells that it is drawn. */
async function open(path: string, drawn: string): Promise<void> {
  await page.goto(`${shop.base}${path}`);
  await page.waitForSelector(drawn);
}

/** The job by the API to where a move is next, and its bench opened. */
async function benchAt(
  job: string,
  there: (op: { kind: string; part?: string }, state: BenchState) => boolean,
  figures: RehearsalFigures = {},
): Promise<void> {
  const { sheet } = await jobOf(page, job);
  await forward(
    page,
    job,
    (s) => {
      const move = nextMove(sheet, s);
      return move.kind === 'op' ? there(move.op, s) : there({ kind: move.kind }, s);
    },
    { impatience: 'a walk through the screens', ...figures },
  );
  await page.goto(`${shop.base}/job/${job}`);
  await fresh(page);
}

describe('nothing that is asked for lies out of sight', () => {
  test('on the sign-in', async () => {
    await open('/', '.names button');
    const names = await faults('names');
    await press(page, '.names button', 'Magnus Sorley');
    await page.waitForSelector('#pin');
    expect([...names, ...(await faults('pin'))]).toEqual([]);
    await page.type('#pin', '2222');
    await page.keyboard.press('Enter');
    await page.waitForSelector('.place-row');
  });

  test.each([
    ['floor', '/', '.place-row'],
    ['book', '/book', '#serial'],
    ['plan', '/plan', '.lanes .planbar'],
    ['hours', '/plan/hours', '.hoursrow'],
    ['parts', '/parts', '.partspage'],
    ['customers', '/customers', '.customerlist a'],
    ['sheets', '/sheets', 'main.page a'],
    ['sheet', '/sheets/axle-clip', 'main.page h1'],
    ['reckoner', '/reckoner', '.reckoner .entry'],
    ['wrench-setting', '/reckoner/wrench-setting', '.reckoner svg'],
    ['stands', '/stands', '.standspage'],
    ['verify', '/verify', 'main.page'],
  ])('on %s', async (name, path, drawn) => {
    await open(path, drawn);
    expect(await faults(name)).toEqual([]);
  });

  test('on the jobs of the desk: findings, return sheet, record, unit', async () => {
    const { jobs } = await ask<FloorView>(page, 'floor');
    const number = (n: number): string => jobs.find((j) => j.number === n)!.id;
    const over = await ask<JobLine[]>(page, 'jobs/handed-over');
    const done = over.find((j) => j.number === 301)!;
    const found: string[] = [];
    for (const [name, path, drawn] of [
      ['findings', `/job/${number(318)}/findings`, 'main .btn-line'],
      ['return', `/job/${number(311)}/return`, '.returnsheet'],
      ['parked', `/job/${number(311)}`, '.mid .btn-go, .mid .btn-line'],
      ['record', `/job/${done.id}/record`, '.record'],
      ['record-customer', `/job/${done.id}/record?depth=customer`, '.record'],
      ['unit', `/unit/${over.find((j) => j.number === 317)!.unitId}`, 'main h1'],
    ] as const) {
      await open(path, drawn);
      found.push(...(await faults(name)));
    }
    expect(found).toEqual([]);
  });

  test.each<[string, string, string[], (op: { kind: string; part?: string }, state: BenchState) => boolean]>([
    ['identify', 'axle-clip', [], () => true],
    ['caution', 'hub-dolly', ['65.1 mm'], (o) => o.kind === 'caution'],
    ['take-off', 'hub-dolly', ['65.1 mm'], (o) => o.kind === 'off'],
    ['measure', 'hub-dolly', ['65.1 mm'], (o) => o.kind === 'measure'],
    ['judge', 'hub-dolly', ['65.1 mm'], (o) => o.kind === 'judge'],
    ['source', 'hub-dolly', ['65.2 mm'], (o) => ['press', 'seal'].includes(o.kind) && o.part === 'seal'],
    [
      'seal',
      'hub-dolly',
      ['65.2 mm'],
      (o, s) => o.part === 'seal' && o.kind !== 'judge' && s.sources['seal'] !== undefined,
    ],
    ['tighten', 'hub-dolly', ['65.3 mm'], (o) => o.kind === 'tighten'],
    ['bores', 'compressor-twin', ['none'], (o) => o.kind === 'measure'],
    ['set', 'differential-side', [], (o) => o.kind === 'set'],
    ['test', 'alternator-brushpin', ['3', 'grey'], (o) => o.kind === 'test'],
    ['count', 'hub-loose-ball', [], (o) => o.kind === 'count'],
    ['close', 'hub-cartridge', ['8'], (o) => o.kind === 'sign-off' || o.kind === 'done'],
  ])('on the bench: %s', async (name, sheet, answers, there) => {
    const job = await book(page, sheet, answers);
    await benchAt(job, there, { choice: (m: string) => (m === 'lip-depth' ? 'deeper' : undefined), groove: 'yes' });
    expect(await faults(`bench-${name}`)).toEqual([]);
  });

  test('in what opens over the bench: on record, an end, a correction, keys, hands, find', async () => {
    await benchAt(await book(page, 'hub-dolly', ['65.4 mm']), (o) => o.kind === 'judge');
    const found: string[] = [];
    for (const [name, key, drawn] of [
      ['surprise', 's', '.extra'],
      ['note', 'n', '.extra'],
      ['mark', 'm', '.extra'],
      ['photo', 'c', '.extra'],
      ['correct', 'a', '.extra'],
      ['end', 'e', '.extra'],
      ['wait', 'h', '.extra'],
      ['keys', '?', '.modal .keys'],
      ['find', '/', '.modal .search'],
    ] as const) {
      await page.keyboard.press(key);
      await page.waitForSelector(drawn);
      // The keys act from the page, not from a field that the box has taken.
      await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
      found.push(...(await faults(`over-${name}`)));
      await page.keyboard.press('Escape');
      await page.waitForFunction((d: string) => !document.querySelector(d), {}, drawn);
    }
    await page.click('.rail button[aria-label*="change whose hands"]');
    await page.waitForSelector('.modal .hands');
    found.push(...(await faults('over-hands')));
    expect(found).toEqual([]);
  });
});
