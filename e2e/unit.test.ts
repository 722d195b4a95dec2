import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { fold, nextMove } from '@jubb/core/bench';
import type { Page } from 'puppeteer-core';
import { axeClean } from './axe.ts';
import { book, forward, jobOf } from './hands.ts';
import { has, press, text, Workshop } from './workshop.ts';

jest.setTimeout(300_000);
const shop = new Workshop();
let page: Page;
let job = '';
beforeAll(async () => {
  await shop.open();
  page = await shop.page();
  await shop.signIn(page);
  await page.waitForSelector('.place-row');
  job = await book(page, 'hub-dolly', ['65 mm']);
});
afterAll(() => shop.close());

/** What the drawing says of each part, by its list. */
const list = (): Promise<readonly string[]> =>
  page.$$eval('.unitview .visually-hidden li', (all) => all.map((li) => li.textContent));

describe('the unit, drawn on the bench', () => {
  test('what comes off now is in brass with the way that it goes; what is off lies in the row', async () => {
    await forward(page, job, (s) => s.off.washer !== undefined);
    await page.goto(`${shop.base}/job/${job}`);
    await page.waitForSelector('.unitdrawing .part.hand');
    expect(
      await page.$$eval('.unitdrawing .part.hand', (all) => all.map((g) => (g as HTMLElement).dataset.part)),
    ).toEqual(['cone-outer']);
    expect(await page.$('.unitdrawing .way')).not.toBeNull();
    const said = await list();
    expect(said).toContain('Outer cone: comes off now');
    expect(said).toContain('Cap: off');
    expect(said).toContain('Hub: on the unit');
    await axeClean(page);
  });

  test('x puts the parts in a row and back', async () => {
    await page.keyboard.press('x');
    await page.waitForSelector('.unitdrawing[aria-label="Spindle, in a row"]');
    await page.keyboard.press('x');
    await page.waitForSelector('.unitdrawing[aria-label="Spindle, in section"]');
  });

  test('a part says what it is by press and by keyboard', async () => {
    await page.evaluate(() =>
      document
        .querySelector<HTMLElement>('.unitdrawing [data-part="cap"]')!
        .dispatchEvent(new MouseEvent('click', { bubbles: true })),
    );
    await page.waitForSelector('.told');
    expect(await text(page, '.told')).toMatch(/Cap.*tray/);
    await press(page, '.told button', 'Close');
    await page.$eval('.unitdrawing .part[tabindex="0"]', (part) => (part as SVGElement).focus());
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Enter');
    await page.waitForSelector('.told');
    expect(await text(page, '.told')).toContain('Keyed washer');
    const { events, sheet } = await jobOf(page, job);
    const move = nextMove(sheet, fold(job, events));
    // Enter told of the part; the move itself was not pressed.
    expect(move.kind === 'op' && move.op.kind).toBe('off');
    await axeClean(page);
  });

  test('once it is off it glides to its place in the row, at once for those who ask for less motion', async () => {
    const motion = (): Promise<string> =>
      page.$eval('.unitdrawing .part', (g) => getComputedStyle(g).transitionDuration);
    expect(await motion()).toBe('0.2s');
    await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
    expect(await motion()).toBe('0s');
    await page.emulateMediaFeatures([]);
  });

  test('at night, upright and on a phone it is whole', async () => {
    for (const size of [
      { width: 800, height: 1280 },
      { width: 390, height: 844 },
      { width: 1280, height: 800 },
    ]) {
      await page.setViewport(size);
      await page.waitForSelector('.unitdrawing .part.hand');
      const within = await page.$eval('.unitdrawing', (svg) => {
        const box = svg.getBoundingClientRect();
        return box.left >= 0 && box.right <= window.innerWidth && box.width > 200;
      });
      expect(within).toBe(true);
    }
  });
});

describe('the unit, drawn on paper', () => {
  test('the manual page numbers every part and lists them', async () => {
    await page.goto(`${shop.base}/sheets/hub-dolly`);
    await page.waitForSelector('.axisfigures .partlist li');
    const listed = await page.$$eval('.axisfigures:first-of-type .partlist li', (all) => all.length);
    const drawn = await page.$$eval('.axisfigures:first-of-type .unitdrawing', (all) =>
      all.map((svg) => new Set([...svg.querySelectorAll<SVGGElement>('.part')].map((g) => g.dataset.part)).size),
    );
    expect(drawn).toEqual([listed, listed]);
    await axeClean(page);
  });

  test('the return sheet draws what lies in the trays', async () => {
    await page.goto(`${shop.base}/job/${job}/return`);
    await has(page, 'Stands at');
    await page.waitForSelector('.unitfigure .part.off[data-part="cap"]');
  });
});
