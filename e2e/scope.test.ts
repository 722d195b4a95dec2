import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { fold, nextMove } from '@jubb/core/bench';
import type { Op } from '@jubb/core/sheet';
import type { Page } from 'puppeteer-core';
import { axeClean } from './axe.ts';
import { book, forward, fresh, jobOf, sent } from './hands.ts';
import { has, press, text, Workshop } from './workshop.ts';

jest.setTimeout(300_000);
const shop = new Workshop();
let page: Page;
beforeAll(async () => {
  await shop.open();
  page = await shop.page();
  await shop.signIn(page);
  await page.waitForSelector('.place-row');
});
afterAll(() => shop.close());

describe('a job about less than all of a unit', () => {
  let job = '';
  test('is booked so: the sheet’s scopes are offered with what speaks for each', async () => {
    await page.goto(`${shop.base}/book`);
    await page.waitForSelector('#serial');
    await page.type('#serial', 'PA-90');
    await page.type('#customer', 'Harbour Office');
    await page.type('#complaint', 'oil at the left half shaft');
    await page.waitForFunction(() => document.querySelectorAll('#sheet option').length > 20);
    await page.select('#sheet', 'axle-pinion');
    await page.waitForSelector('#scope');
    await page.select('#scope', 'half-shafts');
    await has(page, 'When: Oil at a half shaft flange, runs quietly.');
    await axeClean(page);
    await press(page, 'button.btn-go', 'Book in');
    await fresh(page);
    job = page.url().split('/').at(-1)!;
    expect(await text(page, '.jobhead')).toContain('Half shaft gaskets only');
  });

  test('says before the first spanner what is missing, what that stops, and what is fetched', async () => {
    await page.waitForSelector('.readiness');
    const said = await text(page, '.readiness');
    expect(said).toMatch(/Before it is begun: \d+ missing/);
    expect(said).toMatch(/to fetch/);
    await axeClean(page);
  });

  test('more is taken in at the bottom, with a yes: the ladder goes on down', async () => {
    await forward(page, job, (s) => s.steps['bottom clean'] !== undefined);
    await page.goto(`${shop.base}/job/${job}/findings`);
    await has(page, 'Booked: Half shaft gaskets only');
    await page.select('#wider-scope', 'final-drive');
    await page.type('#wider-says', 'the harbour master, by telephone: it whines too');
    await press(page, '.wider button', 'Take it in');
    await page.waitForFunction(() => document.querySelector('.jobhead')!.textContent.includes('Final drive'));
    await sent(page);
    const { events, sheet } = await jobOf(page, job);
    const move = nextMove(sheet, fold(job, events));
    expect(move.kind === 'op' && move.step.side).toBe('strip');
    expect(events.at(-1)).toMatchObject({
      type: 'scope-widened',
      payload: { from: 'half-shafts', scope: 'final-drive' },
    });
    await axeClean(page);
  });
});

/** A unit booked in, worked by the API to the operation that is looked for, and its bench opened. */
async function benchAt(sheetId: string, answers: readonly string[], there: (op: Op) => boolean): Promise<string> {
  const job = await book(page, sheetId, answers);
  const { sheet } = await jobOf(page, job);
  await forward(page, job, (s) => {
    const move = nextMove(sheet, s);
    return move.kind === 'op' && there(move.op);
  });
  await page.goto(`${shop.base}/job/${job}`);
  await fresh(page);
  return job;
}

describe('a drain, a route and fasteners by place on the bench', () => {
  test('what came out is measured, and stands in the truth column until it is filled', async () => {
    const job = await benchAt('axle-pinion', [], (op) => op.kind === 'drain');
    await page.type('#amount', '2.1');
    await press(page, '.btn-go', 'Done');
    await page.waitForFunction(() => document.querySelector('aside.right')!.textContent.includes('Drained'));
    const { events } = await jobOf(page, job);
    expect(events.findLast((e) => e.type === 'op-done')!.payload).toMatchObject({ amount: { value: 2.1, unit: 'l' } });
  });

  test('the belt’s route is drawn where the belt goes on it', async () => {
    await benchAt('tensioner-belt', ['1', 'grey'], (op) => op.kind === 'disconnect' && op.lead === 'belt-route');
    const routes = await page.$$eval('.beltroute', (all) => all.map((r) => r.getAttribute('aria-label')));
    expect(routes).toEqual([
      'Belt, one idler, seen from the front: crank, tensioner (back of the belt), fan, alternator, idler',
    ]);
    await axeClean(page);
  });

  test('screws that are not alike are asked about as they come out', async () => {
    const job = await benchAt('clutch-wet', ['OC-3'], (op) => op.kind === 'undo' && op.joint === 'cover-screws');
    await has(page, 'long, M6 × 45: places 8 and 9');
    await press(page, '.btn-line', 'They are not so');
    await page.type('#by-place', 'the long ones came out at 3 and 5');
    await press(page, '.btn-go', 'All loose, and written down');
    await sent(page);
    const state = fold(job, (await jobOf(page, job)).events);
    expect(state.lessons.at(-1)!.words).toMatch(/at 3 and 5/);
  });
});
