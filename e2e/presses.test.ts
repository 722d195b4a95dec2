import { afterAll, beforeAll, expect, jest, test } from '@jest/globals';
import { fold } from '@jubb/core/bench';
import type { Page } from 'puppeteer-core';
import { book, fresh, jobOf, pulled, still, title, wanted } from './hands.ts';
import { press, text, Workshop } from './workshop.ts';

jest.setTimeout(300_000);
const shop = new Workshop();
let page: Page;
beforeAll(async () => {
  await shop.open();
  page = await shop.page();
  await page.setViewport({ width: 390, height: 844, deviceScaleFactor: 1, hasTouch: true, isMobile: true });
  await shop.signIn(page);
  await page.waitForSelector('.place-row');
}, 120_000);
afterAll(() => shop.close());

/** Every press that a person makes, with the move that it was made for. */
const presses: { readonly for: string; readonly what: string }[] = [];
async function key(name: string): Promise<void> {
  presses.push({ for: await title(page), what: name });
  await page.keyboard.press(name as 'Enter');
}
/** The wide button, where a finger finds it: it fails when the button is not in view or lies under something. */
async function goOn(): Promise<void> {
  await page.waitForSelector('.btn-go:not(:disabled)');
  presses.push({ for: await title(page), what: 'button' });
  const { x, y } = await page.$eval('.btn-go', (b) => {
    const r = b.getBoundingClientRect();
    return { x: r.left + r.width / 2, y: r.top + r.height / 2 };
  });
  const met = await page.evaluate(
    (a: number, b: number) => Boolean(document.elementFromPoint(a, b)?.closest('.btn-go')),
    x,
    y,
  );
  if (!met) throw new Error(`the button is out of reach at: ${await title(page)}`);
  await page.touchscreen.tap(x, y);
}
async function touch(selector: string, words: string): Promise<void> {
  presses.push({ for: await title(page), what: words || selector });
  await press(page, selector, words);
}
const is = async (selector: string): Promise<boolean> => (await page.$(selector)) !== null;

/** The least that a practised hand does for the move at hand. */
async function doMove(): Promise<void> {
  const before = await page.$eval('.mid', (e) => e.innerHTML);
  if (await is('.counter')) {
    const [, expected] = /: (\d+) came off/.exec(await text(page, '.op')) ?? [];
    for (const figure of expected ?? '8') await key(figure);
    await goOn();
  } else if (await is('.op .tickbox')) {
    for (const tick of await page.$$('.op .choice')) {
      presses.push({ for: await title(page), what: 'tick' });
      await tick.click();
    }
    await goOn();
  } else if ((await is('#typed')) && (await text(page, '.benchfoot')).includes('No instrument')) {
    await page.focus('#typed');
    for (const figure of (await wanted(page)).split(' ')[0]!.slice(0, 3)) await key(figure);
    await key('Enter');
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  } else if (await is('.judge-now')) {
    if (await is('.btn-go:not(:disabled)')) await goOn();
    else {
      await touch('.judge-now .reason .btn-line', '');
      await touch('.judge-now .answers button', 'Reuse');
    }
  } else if ((await is('.op .choice')) && !(await is('.btn-go:not(:disabled)'))) await touch('.op .choice', '');
  else if ((await is('.answers button')) && !(await is('.answers [aria-pressed=true]')))
    await touch('.answers button', '');
  else if ((await is('.op .btn-line')) && !(await is('.btn-go'))) await touch('.op .btn-line', '');
  else await goOn();
  await pulled(page);
  await still(page);
  await page
    .waitForFunction((b: string) => document.querySelector('.mid')?.innerHTML !== b, { timeout: 8000 }, before)
    .catch(async () => Promise.reject(new Error(`nothing moved at: ${await text(page, '.mid')}`)));
}

const MOST = 70;
test(`on a phone: a hub goes from its first move to a signed record in at most ${MOST} presses`, async () => {
  const job = await book(page, 'hub-dolly', ['65.2 mm']);
  await page.goto(`${shop.base}/job/${job}`);
  await fresh(page);
  const signed = async (): Promise<boolean> => fold(job, (await jobOf(page, job)).events).signed !== undefined;
  while (!(await signed()) && presses.length <= MOST) await doMove();
  const by = new Map<string, string[]>();
  for (const p of presses) by.set(p.for, [...(by.get(p.for) ?? []), p.what]);
  console.info(
    [...by].map(([move, what]) => `${what.length} ${move}: ${what.join(' ')}`).join('\n'),
    `\n${presses.length} presses`,
  );
  expect(await signed()).toBe(true);
  expect(presses.length).toBeLessThanOrEqual(MOST);
});
