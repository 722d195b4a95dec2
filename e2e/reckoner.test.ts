import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { reckoners } from '@jubb/core/reckoners';
import type { Page } from 'puppeteer-core';
import { axeClean } from './axe.ts';
import { has, text, Workshop } from './workshop.ts';

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
/** Puts a text into a field in place of what stands there. */
async function fill(label: string, value: string): Promise<void> {
  const id = await page.evaluate(
    (l: string) => [...document.querySelectorAll('label')].find((e) => e.textContent === l)?.htmlFor,
    label,
  );
  await page.focus(`[id="${id}"]`);
  await page.keyboard.down('Control');
  await page.keyboard.press('a');
  await page.keyboard.up('Control');
  await page.keyboard.type(value);
}

describe('the Reckoner', () => {
  test('found by keyboard: r, /, what is wanted, Enter', async () => {
    await page.keyboard.press('r');
    await page.waitForSelector('.catalogue');
    await page.keyboard.press('/');
    await page.keyboard.type('crowfoot');
    await page.keyboard.press('Enter');
    await has(page, 'Wrench length L');
    expect(await text(page, '.figures')).toContain('88.9');
    await axeClean(page);
  });
  test('drawing, figures and address follow as it is typed', async () => {
    await fill('Extension E, drive to fastener', '100');
    await page.waitForFunction(() => document.querySelector('.figures')?.textContent?.includes('80'));
    expect(await page.$eval('.draw svg', (e) => e.getAttribute('aria-label'))).toContain('80');
    expect(decodeURIComponent(page.url())).toContain('"extension":"100 mm"');
    await page.reload();
    await page.waitForSelector('.figures');
    expect(await text(page, '.figures')).toContain('80');
  });
  test('the unit of a field can be switched: the figure stays the same torque', async () => {
    const unit = await page.$('select[aria-label^="Unit of torque wanted"]');
    await unit!.select('ft·lbf');
    await page.waitForFunction(() => decodeURIComponent(location.href).includes('73.75'));
    expect(await text(page, '.figures')).toContain('80');
  });
  test('bad input: the message stands at its field, the last answer is marked as old', async () => {
    await fill('Torque wanted at the fastener', '24 mm');
    await page.waitForSelector('.fld .wrong');
    expect(await text(page, '.fld .wrong')).toMatch(/length/);
    expect(await page.$eval('.fld [aria-invalid=true]', (e) => e.getAttribute('aria-describedby'))).toBeTruthy();
    await has(page, 'This is the answer to what stood here before');
    await axeClean(page);
  });
  test('every calculation opens with an answer, with a drawing that says itself in words', async () => {
    const drawn = new Set<string>();
    for (const r of reckoners) {
      await page.goto(`${shop.base}/reckoner/${r.id}`);
      await page.waitForSelector('.figures');
      expect({ id: r.id, wrong: await page.$('.wrong') }).toEqual({ id: r.id, wrong: null });
      const label = await page.$eval('.told', (e) => e.querySelector('.draw svg')?.getAttribute('aria-label') ?? '');
      if (label.length > 8) drawn.add(r.id);
    }
    expect(reckoners.map((r) => r.id).filter((id) => !drawn.has(id))).toEqual([]);
  });
  test('axe finds nothing on the widest forms', async () => {
    for (const id of ['two-plane-balance', 'rectifier-ripple', 'oring-find', '']) {
      await page.goto(`${shop.base}/reckoner/${id}`);
      await page.waitForSelector('.catalogue');
      await axeClean(page);
    }
  });
});
