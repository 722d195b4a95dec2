import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { carried } from './hands.ts';
import { has, text, Workshop } from './workshop.ts';

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

describe('the Floor', () => {
  test('a unit goes from place to place by keys, by drag, and not onto another', async () => {
    await page.goto(shop.base);
    await page.waitForSelector('[data-place="B"] .handle');
    const jobAt = (place: string): Promise<string> =>
      page.$eval(`[data-place="${place}"]`, (e) => /· (\d+) ·/.exec(e.textContent ?? '')?.[1] ?? 'free');
    // One bench is freed first, by keys, to the free place on the shelf.
    const atC = await jobAt('C');
    await page.focus('[data-place="C"] .handle');
    await carried(page, 'Space');
    expect(await text(page, '[id^=DndLiveRegion]')).toBe(`Job ${atC} is over C`);
    for (let i = 0; i < 20 && !(await page.$('.tag.free.over')); i += 1) await carried(page, 'ArrowDown');
    await page.keyboard.press('Space');
    await page.waitForFunction(() => document.querySelector('[data-place="C"]')?.textContent?.includes('Free'));
    expect(atC).not.toBe('free');
    const atB = await jobAt('B');
    const centre = async (selector: string): Promise<{ x: number; y: number }> => {
      const box = await (await page.$(selector))!.boundingBox();
      return { x: box!.x + box!.width / 2, y: box!.y + box!.height / 2 };
    };
    const drag = async (from: string, to: string): Promise<void> => {
      const [a, b] = [await centre(from), await centre(to)];
      await page.mouse.move(a.x, a.y);
      await page.mouse.down();
      await page.mouse.move(a.x - 12, a.y + 12, { steps: 3 });
      await page.waitForSelector('.carried');
      await page.mouse.move(a.x, b.y, { steps: 12 });
      await page.waitForSelector(`${to}.over`);
      await page.mouse.up();
    };
    // The keys took the screen down to the shelf with them.
    await page.$eval('.places', (e) => e.scrollTo(0, 0));
    await drag('[data-place="B"] .handle', '[data-place="C"]');
    await page.waitForFunction(
      (n: string) => document.querySelector('[data-place="C"]')?.textContent?.includes(n),
      {},
      atB,
    );
    await drag('[data-place="C"] .handle', '[data-place="A"]');
    await has(page, 'stands at A. Move that one first.');
  });

  test('the floor is filtered by typing; find leads to a customer, a unit, a job, a part and a sheet', async () => {
    await page.goto(shop.base);
    await page.waitForSelector('#filter');
    await page.keyboard.press('f');
    await page.keyboard.type('gearbox');
    await page.waitForFunction(() => document.querySelectorAll('.shelf .tag:not(.free)').length === 1);
    await page.keyboard.press('Escape');
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    for (const [typed, words, path] of [
      ['KG-55', 'KG-5502', /\/unit\/|\/job\//],
      ['KG4-270', 'Input seal', /\/sheets\/gearbox-four#part-oil-seal/],
      ['neck end', 'cab damper', /\/sheets\/damper-neck/],
    ] as const) {
      await page.keyboard.press('/');
      await page.waitForSelector('#find');
      await page.type('#find', typed);
      await page.waitForFunction((w: string) => document.querySelector('#found')?.textContent?.includes(w), {}, words);
      await page.keyboard.press('Enter');
      await page.waitForFunction((p: string) => new RegExp(p).test(location.href), {}, path.source);
      await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    }
  });
});
