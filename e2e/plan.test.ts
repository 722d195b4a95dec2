import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type { JobView, QueuedView, WeekView } from '@jubb/contract';
import type { Page } from 'puppeteer-core';
import { axeClean } from './axe.ts';
import { ask } from './hands.ts';
import { has, press, text, Workshop } from './workshop.ts';

jest.setTimeout(240_000);
const shop = new Workshop();
let page: Page;
beforeAll(async () => {
  await shop.open();
  page = await shop.page();
  await shop.signIn(page);
  await page.waitForSelector('.place-row');
});
afterAll(() => shop.close());

/** Until the planner rests: the button says what is to be done. */
const planned = (): Promise<unknown> =>
  page.waitForFunction(() => {
    const go = document.querySelector('.planside .btn-go')?.textContent ?? '';
    return go !== '' && !go.includes('Planning');
  });
const open = async (): Promise<void> => {
  await page.goto(`${shop.base}/plan`);
  await page.waitForSelector('.lanes .planbar');
  await planned();
};
const focus = (name: string): Promise<void> =>
  page.evaluate((n: string) => {
    [...document.querySelectorAll<SVGGElement>('.planbar')]
      .find((e) => e.getAttribute('aria-label')?.startsWith(`${n},`))!
      .focus();
  }, name);
const week = (): Promise<WeekView> => ask<WeekView>(page, 'plan');

describe('the week', () => {
  test('is planned, drawn, clean of barriers, and taken; the Floor then follows it', async () => {
    await open();
    await axeClean(page);
    expect(await text(page, '.lanes')).toMatch(/Ailsa.*Magnus.*Press.*Shelf/s);
    await page.keyboard.press('Enter');
    await has(page, 'This plan is in force');
    const { inForce, problem } = await week();
    expect(Object.keys(inForce!.slots).length).toBe(problem.jobs.flatMap((j) => j.activities).length);
    await page.goto(shop.base);
    await has(page, 'by the plan');
    await axeClean(page);
  });

  test('as a list: the next five for me', async () => {
    await open();
    await page.keyboard.press('l');
    await has(page, 'Next five for Magnus Sorley');
    expect((await page.$$('.planlist li')).length).toBeLessThanOrEqual(5);
    await axeClean(page);
    await page.keyboard.press('l');
    await page.waitForSelector('.lanes');
  });

  test('moved by keys: what it costs is said before it is dropped, pinned, and taken back', async () => {
    await open();
    const { problem, inForce } = await week();
    const { open: hours } = problem.calendars[0]!;
    // Something that may be begun half an hour later, whatever the hour of day is at which this test runs.
    const at = (id: string): number => inForce!.slots[id]!.start;
    const later = problem.jobs
      .flatMap((job) => job.activities.map((a) => ({ a, name: `${job.name}: ${a.title}` })))
      .filter(({ a }) => a.attended && a.pauses && a.notBefore === undefined)
      .sort((x, y) => at(x.a.id) - at(y.a.id))
      .find(({ a }) => hours.some(([from, to]) => at(a.id) >= from && at(a.id) + 40 < to))!;
    await focus(later.name);
    const name = await page.$eval('.planbar.chosen', (e) => e.getAttribute('aria-label'));
    for (let i = 0; i < 2; i += 1) await page.keyboard.press('ArrowRight');
    await has(page, 'If it goes there');
    await page.waitForFunction(() =>
      /No promise breaks|breaks its promise|later still|keeps its promise/.test(
        document.querySelector('.planside')?.textContent ?? '',
      ),
    );
    await page.keyboard.press('Enter');
    await page.waitForSelector('.pinmark');
    await planned();
    expect(await page.$eval('.planbar:has(.pinmark)', (e) => e.getAttribute('aria-label'))).toContain(
      name!.split(',')[0]!,
    );
    await page.keyboard.press('u');
    await page.waitForFunction(() => !document.querySelector('.pinmark'));
  });

  test('a move that would break a cure’s window is refused with its reason', async () => {
    await planned();
    const { problem } = await week();
    // What must follow within its time: moved far behind what it follows, it cannot be.
    const all = problem.jobs.flatMap((j) => j.activities.map((a) => ({ a, name: `${j.name}: ${a.title}` })));
    const drawn = await page.$$eval('.planbar', (bars) => bars.map((b) => b.getAttribute('aria-label') ?? ''));
    const isDrawn = (n: string): boolean => drawn.some((d) => d.startsWith(`${n},`));
    const before = (x: (typeof all)[number]): (typeof all)[number] =>
      all.find((o) => o.a.id === x.a.after[0]?.activity)!;
    const tied = all.find(
      (x) => x.a.after.some((l) => l.noLaterThan !== undefined) && isDrawn(x.name) && isDrawn(before(x).name),
    )!;
    expect(tied).toBeDefined();
    await focus(before(tied).name);
    await page.keyboard.press('p');
    await page.waitForSelector('.pinmark');
    await planned();
    await focus(tied.name);
    for (let i = 0; i < 40; i += 1) await page.keyboard.press('ArrowRight');
    await has(page, 'It cannot be there');
    expect(await text(page, '.planside [role=alert]')).toMatch(/window|not at work|not free/);
    await page.keyboard.press('Enter');
    await page.keyboard.press('Escape');
    expect((await page.$$('.planbar:has(.pinmark)')).length).toBeGreaterThan(0);
    await page.keyboard.press('u');
  });

  test('a part comes late: the plan and the words follow', async () => {
    const [line] = await shop.query<{ line: string; job_id: string; number: number }>(
      `SELECT l.line, l.job_id, j.number FROM order_line l JOIN job j ON j.id = l.job_id WHERE l.arrived_at IS NULL AND j.delivery_date IS NOT NULL ORDER BY j.delivery_date LIMIT 1`,
    );
    expect(line).toBeDefined();
    await shop.query(`UPDATE order_line SET expected = now() + interval '20 days' WHERE job_id = $1`, [line!.job_id]);
    await page.goto(shop.base);
    await page.waitForSelector('.place-row');
    await open();
    const { problem } = await week();
    const waits = problem.jobs.find((j) => j.id === line!.job_id)!.activities.find((a) => a.notBefore !== undefined)!;
    expect(waits.notBefore! - problem.now).toBeGreaterThan(19 * 1440);
    await has(page, 'days late');
    await page.waitForFunction(
      (n: string) => [...document.querySelectorAll('.latecard')].some((c) => c.textContent?.includes(n)),
      {},
      String(line!.number),
    );
    expect(await text(page, '.planside')).toContain(waits.notBeforeWhy!.split(' by ')[0]!);
  });
});

describe('an open week', () => {
  test('is told when a part comes still later, without being opened again', async () => {
    await open();
    const [line] = await shop.query<{ job_id: string; number: number }>(
      `SELECT l.job_id, j.number FROM order_line l JOIN job j ON j.id = l.job_id WHERE l.arrived_at IS NULL LIMIT 1`,
    );
    await shop.query(`UPDATE order_line SET expected = now() + interval '40 days' WHERE job_id = $1`, [line!.job_id]);
    await page.waitForFunction(
      (n: string) =>
        [...document.querySelectorAll('.latecard')].some(
          (c) => c.textContent?.includes(n) && /(3[5-9]|4\d) days late/.test(c.textContent),
        ),
      {},
      String(line!.number),
    );
    await planned();
  });

  test('an hour longer or a helper is agreed on and the plan taken with one press; it is taken back under Hours', async () => {
    // Every unit that waits for nothing is wanted by the end of the next day of work: hands are what there is too little of.
    const { problem, jobs } = await week();
    const opens = problem.calendars[0]!.open.filter(([, b]) => b > problem.now + 60);
    const evening = opens.find(([, b], k) => (opens[k + 1]?.[0] ?? Infinity) > b + 360)![1];
    for (const job of problem.jobs)
      await shop.query(`UPDATE job SET delivery_date = $2 WHERE id = $1`, [
        job.id,
        job.activities.some((a) => a.notBefore !== undefined) ? null : new Date((evening + 60) * 60_000),
      ]);
    await open();
    const offered = (await text(page, '.planside')).includes('hour longer') ? 'hour longer' : 'pair of hands';
    await press(page, '.save', offered);
    await has(page, 'Taking it agrees on');
    await page.waitForFunction(() =>
      document.querySelector('.planside .btn-go')?.textContent?.includes('Agree to this'),
    );
    await axeClean(page);
    await page.keyboard.press('Enter');
    await has(page, 'This plan is in force');
    const taken = await week();
    expect(taken.extraHours).toHaveLength(1);
    expect(taken.extraHours[0]!.by).toBe('Magnus Sorley');
    expect(Object.keys(taken.inForce!.slots).length).toBe(taken.problem.jobs.flatMap((j) => j.activities).length);
    expect(jobs.length).toBeGreaterThan(0);
    await press(page, '.planfoot a', 'Hours');
    await has(page, 'agreed by Magnus Sorley');
    await axeClean(page);
    await press(page, '.hoursrow button', 'Take back');
    await page.waitForFunction(() => !document.body.textContent?.includes('agreed by Magnus Sorley'));
    expect((await week()).extraHours).toEqual([]);
  });

  test('another day is promised once somebody agreed to it, and stands in the log', async () => {
    // One unit alone is promised, and sooner than its work can be done: whatever the clock says, that promise breaks.
    const { problem } = await week();
    const hands = (j: (typeof problem.jobs)[number]): number =>
      j.activities.reduce((sum, x) => sum + (x.attended ? x.minutes : 0), 0);
    const [one] = problem.jobs
      .filter((j) => !j.activities.some((x) => x.notBefore !== undefined))
      .sort((x, y) => hands(y) - hands(x));
    await shop.query(`UPDATE job SET delivery_date = CASE WHEN id = $1 THEN $2::timestamptz END`, [
      one!.id,
      new Date((problem.now + 5) * 60_000),
    ]);
    await open();
    const { jobs } = await week();
    await press(page, '.save', 'instead');
    await page.waitForSelector('#agreed-by');
    await page.waitForFunction(() => !document.querySelector('.planmain')?.textContent?.includes('still planning'));
    await axeClean(page);
    await page.type('#agreed-by', 'the foreman, by telephone');
    await page.keyboard.press('Enter');
    await page.waitForFunction(() => document.querySelector('#agreed-by') === null);
    const after = await week();
    const moved = after.jobs.find((j) => j.due !== jobs.find((o) => o.id === j.id)?.due)!;
    const { events } = await ask<JobView>(page, `jobs/${moved.id}`);
    const last = events.at(-1)!;
    expect([last.type, last.payload]).toMatchObject(['promise-moved', { says: 'the foreman, by telephone' }]);
  });

  test('hours are the owner’s to set: typed as people say them, wrong ones named', async () => {
    const owner = await shop.page();
    await shop.signIn(owner, 'Una Reith', '1111');
    await owner.waitForSelector('.place-row');
    await owner.goto(`${shop.base}/plan/hours`);
    await owner.waitForSelector('#day-5');
    await owner.type('#day-5', 'mornings');
    await has(owner, 'Saturday: hours such as');
    await owner.click('#day-5', { count: 3 });
    await owner.type('#day-5', '8 to 12');
    await owner.keyboard.press('Enter');
    await owner.waitForFunction(() => document.querySelector<HTMLInputElement>('#day-5')?.value === '08:00 to 12:00');
    const after = await ask<WeekView>(owner, 'plan');
    expect(after.hours[5]).toEqual([['08:00', '12:00']]);
    await axeClean(owner);
    await owner.close();
  });
});

describe('a promise', () => {
  test('is asked for at booking, and taken', async () => {
    await page.goto(`${shop.base}/book`);
    await page.waitForSelector('#serial');
    await page.type('#serial', '20417');
    await press(page, '.picks button', '20417');
    await press(page, '.delivery-date-ask button', 'What can be promised?');
    await has(page, '95 times in 100');
    await axeClean(page);
    await press(page, '.delivery-date-ask button', '80 times in 100');
    expect(await page.$eval('#deliveryDate', (e) => (e as HTMLInputElement).value)).toMatch(
      /^\d{4}-\d\d-\d\dT\d\d:\d\d$/,
    );
  });

  test('two servers on one database share the work', async () => {
    await shop.secondServer();
    const by = new Set<string>();
    for (let round = 0; round < 5 && by.size < 2; round += 1) {
      const ids: string[] = [];
      for (let i = 0; i < 6; i += 1)
        ids.push((await ask<{ id: string }>(page, 'plan/delivery-dates', { sheet: 'hub-dolly' })).id);
      for (const id of ids)
        for (let i = 0; i < 120; i += 1) {
          const view = await ask<QueuedView>(page, `plan/queued/${id}`);
          expect(view.state).not.toBe('failed');
          if (view.by) by.add(view.by);
          if (view.state === 'done') break;
          await new Promise((r) => setTimeout(r, 250));
        }
    }
    expect(by.size).toBe(2);
  });
});
