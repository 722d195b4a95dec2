import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { fold, nextMove } from '@jubb/core/bench';
import type { InstrumentView, JobView, ShopChangeView } from '@jubb/contract';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { axeViolations } from './axe.ts';
import { ask, book, forward, heard, jobOf } from './hands.ts';
import { outOfSight, WIDTHS } from './in-sight.ts';
import { has, press, text, Workshop } from './workshop.ts';

jest.setTimeout(240_000);
const shop = new Workshop();
let page: Page;
beforeAll(async () => {
  await shop.open({ empty: true });
  page = await shop.page();
}, 120_000);
afterAll(() => shop.close());

/** Types into a field of a form instead of what stands in it. */
async function fill(selector: string, words: string): Promise<void> {
  await page.waitForSelector(selector);
  await page.click(selector, { count: 3 });
  await page.keyboard.press('Backspace');
  await page.type(selector, words);
}
async function part(path: string): Promise<void> {
  await page.goto(`${shop.base}/shop/${path}`);
  await page.waitForSelector('.shopparts .active');
}
const stepsDone = (): Promise<string[]> =>
  page.$$eval('.firststeps .done b', (all) => all.map((e) => e.textContent ?? ''));

describe('from an empty start to the first signed record', () => {
  test('the first owner signs in with the PIN that was made for this machine, and is told what to do first', async () => {
    const pin = readFileSync(join(shop.data, 'first-pin'), 'utf8').trim();
    expect(pin).toMatch(/^\d{8}$/);
    await shop.signIn(page, 'Owner', pin);
    await page.waitForSelector('.firststeps');
    expect(await stepsDone()).toEqual([]);
    expect(await text(page, '.firststeps .next b')).toBe('Say who you are');
    expect(await axeViolations(page)).toEqual([]);
  });

  test('the owner takes a name of their own, and names the shop and its rate', async () => {
    await press(page, '.firststeps a', 'Say who you are');
    await press(page, '.shopline button', 'Change');
    await fill('#field-name', 'Runa Vik');
    await fill('#field-initials', 'rv');
    await press(page, '.shopform button', 'Keep');
    await has(page, 'Runa Vik');
    await page.waitForFunction(() => document.querySelector('.shopform') === null);
    const old = readFileSync(join(shop.data, 'first-pin'), 'utf8').trim();
    const status = await page.evaluate(
      (first: string) =>
        fetch('/api/me/pin', {
          method: 'PUT',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ old: first, pin: '59037' }),
        }).then((r) => r.status),
      old,
    );
    expect([status, existsSync(join(shop.data, 'first-pin'))]).toEqual([204, false]);
    await part('money');
    await fill('#set-name', 'Vik and Daughter');
    await fill('#set-rate', '58.00');
    await press(page, '.settings button', 'Keep');
    await has(page, 'Kept.');
  });

  test('benches are named; a PIN that is tried first is refused where it stands, and another lets a mechanic in', async () => {
    await part('places');
    await fill('#benches', 'North, South');
    await fill('#shelves', 'S1, S2');
    await press(page, '.placesform button', 'Keep');
    await has(page, 'Kept.');
    await part('people');
    await press(page, 'main button', 'Add somebody');
    await fill('#field-name', 'Tord Lien');
    await fill('#field-initials', 'TL');
    await fill('#field-pin', '0000');
    await press(page, '.shopform button', 'Add');
    await has(page, '0000 is tried first by anybody');
    await fill('#field-pin', '4917');
    await press(page, '.shopform button', 'Add');
    await page.waitForFunction(() => document.querySelector('.shopform') === null);
    expect(await page.$$eval('.shoplist b', (all) => all.map((e) => e.textContent))).toEqual(['Runa Vik', 'Tord Lien']);
    const other = await shop.page();
    await shop.signIn(other, 'Tord Lien', '4917');
    await other.waitForSelector('.place-row');
    await other.close();
  });

  test('a wrench and a micrometer of the shop’s own; what is out of date is said', async () => {
    await part('instruments');
    await press(page, 'main button', 'Add an instrument');
    await fill('#field-name', 'Long wrench');
    await fill('#field-resolution', '1');
    await fill('#field-uncertainty', '2');
    await fill('#field-wrench-minNm', '300');
    await fill('#field-wrench-maxNm', '20');
    await fill('#field-wrench-lengthMm', '500');
    await fill('#field-wrench-graduation', '1');
    await page.$eval('#field-calibratedTo', (e) => ((e as HTMLInputElement).value = ''));
    await press(page, '.shopform button', 'Add');
    await has(page, 'Its scale ends above where it begins');
    await fill('#field-wrench-minNm', '20');
    await fill('#field-wrench-maxNm', '300');
    await press(page, '.shopform button', 'Add');
    await page.waitForFunction(() => document.querySelector('.shopform') === null);
    await has(page, '20 to 300 N·m');
    // A day in the past, by the API: what a date field takes depends on the browser's language.
    await ask(page, 'shop/instruments', {
      name: 'Old micrometer',
      kind: 'micrometer',
      number: 'M-3',
      unit: 'mm',
      resolution: 0.01,
      uncertainty: 0.004,
      readBy: 'keyboard',
      calibratedTo: '2021-05-31',
    });
    await part('instruments');
    await has(page, 'out of date since 31 May 2021');
    expect(await outOfSight(page)).toEqual([]);
  });

  test('a certificate is kept with its instrument, and opens as it came', async () => {
    await part('instruments');
    const file = join(shop.data, 'cert.pdf');
    writeFileSync(file, '%PDF-1.4\n%%EOF\n');
    await page.waitForSelector('.shopline');
    await page.$$eval('.shoplist > li', (all) =>
      all
        .find((e) => e.textContent.includes('Long wrench'))!
        .querySelector('button')!
        .click(),
    );
    const input = await page.waitForSelector('input[type=file]');
    await input!.uploadFile(file);
    await page.waitForSelector('a.certificate');
    const opened = await page.$eval('a.certificate', async (a) => (await fetch(a.href)).text());
    expect(opened).toBe('%PDF-1.4\n%%EOF\n');
  });

  test('a drawer is counted, and the bench draws on it', async () => {
    await part('drawers');
    await page.waitForSelector('.shopline b');
    const at = await page.$$eval('.shopline b', (all) => all.findIndex((e) => e.textContent === 'hub shims'));
    await (await page.$$('.shopline button'))[at]!.click();
    await fill('[aria-label="Size 1, mm"]', '0.05');
    await fill('[aria-label="Pieces of size 1"]', '20');
    await fill('[aria-label="Size 2, mm"]', '0.5');
    await fill('[aria-label="Pieces of size 2"]', '8');
    await fill('[aria-label="Size 3, mm"]', '1');
    await fill('[aria-label="Pieces of size 3"]', '8');
    await press(page, '.countform button', 'Keep');
    await page.waitForFunction(() => document.querySelector('.countform') === null);
    await has(page, '36 pieces, 0.05 to 1 mm');
    await page.goto(shop.base);
    await page.waitForSelector('.firststeps');
    await page.waitForFunction(() => document.querySelectorAll('.firststeps .done').length === 6);
    expect(await stepsDone()).toEqual([
      'Say who you are',
      'Name, hour’s rate and tax',
      'Benches, shelf, hours',
      'Who works with you',
      'Your own wrenches and gauges',
      'Shims that you have',
    ]);
  });

  let job: string;
  test('the first unit is booked in at a bench of the shop’s own; the Floor needs no first steps any more', async () => {
    job = await book(page, 'hub-dolly', ['65.0 mm'], 'North');
    await page.goto(shop.base);
    await page.waitForSelector('.place-row');
    await has(page, 'North');
    expect(await page.$('.firststeps')).toBeNull();
  });

  test('a gauge that types as a keyboard does is read in the field, and the log says with which', async () => {
    const { sheet } = await jobOf(page, job);
    await forward(page, job, (s) => {
      const move = nextMove(sheet, s);
      return move.kind === 'op' && move.op.kind === 'measure';
    });
    await shop.openBench(page, job);
    await press(page, '.gauge', 'Old micrometer');
    await page.focus('#typed');
    // Digits and Enter, as quick as a gauge sends them.
    await page.keyboard.type('59.98');
    await page.keyboard.press('Enter');
    await heard(page, job, (s) => s.readings.some((r) => r.value.value === 59.98));
    const { events } = await jobOf(page, job);
    const read = fold(job, events).readings.find((r) => r.value.value === 59.98)!;
    expect(read.instrument?.name).toBe('Old micrometer');
    expect(read.how).toBe('hand');
  });

  test('the rest is done by hand, signed, and the record verifies', async () => {
    await forward(page, job, (s) => s.signed !== undefined, { impatience: 'a test' });
    const view = await ask<JobView>(page, `jobs/${job}`);
    const state = fold(job, view.events);
    expect(state.signed).toBeDefined();
    await page.goto(`${shop.base}/job/${job}/record`);
    await page.waitForSelector('.record');
    await has(page, 'Vik and Daughter');
    await has(page, 'Runa Vik');
  });

  test('a forgotten PIN is made new on the screen: the old one opens nothing, the new one does', async () => {
    await part('people');
    await page.$$eval('.shopline', (all) =>
      all
        .find((e) => e.textContent.includes('Tord Lien'))!
        .querySelector('button')!
        .click(),
    );
    await fill('#new-pin', '8264');
    await press(page, '.shopopen button', 'Give it');
    await has(page, 'signs in with the new PIN from now on');
    const signsIn = (pin: string): Promise<number> =>
      fetch(`${shop.base}/api/session`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ name: 'Tord Lien', pin }),
      }).then((a) => a.status);
    expect([await signsIn('4917'), await signsIn('8264')]).toEqual([401, 201]);
  });

  test('a mechanic who leaves in the middle of a job is off the names at once, and stays by name in what they did', async () => {
    const other = await shop.page();
    await shop.signIn(other, 'Tord Lien', '8264');
    await other.waitForSelector('.rail');
    const second = await book(other, 'hub-dolly', ['65 mm'], 'South');
    await forward(other, second, (s) => s.seq > 6, { impatience: 'a test' });
    const before = await jobOf(page, second);
    expect(before.events.at(-1)!.who.name).toBe('Tord Lien');
    await part('people');
    await page.$$eval('.shopline', (all) =>
      all
        .find((e) => e.textContent.includes('Tord Lien'))!
        .querySelector('button')!
        .click(),
    );
    await press(page, '.shopopen button', 'Works here no more …');
    await press(page, '.shopopen button', 'Tord Lien has left');
    await page.waitForSelector('[aria-label="Worked here before"]');
    await other.goto(`${shop.base}/job/${second}`);
    // The names that the device had kept stand there until the server has answered.
    await other.waitForFunction(() => {
      const names = [...document.querySelectorAll('.names button')].map((e) => e.textContent);
      return names.length > 0 && !names.some((n) => n.includes('Tord'));
    });
    await other.close();
    const after = await jobOf(page, second);
    expect(after.events.map((e) => e.who.name)).toEqual(before.events.map((e) => e.who.name));
    await forward(page, second, (s) => s.seq > before.events.length + 1, { impatience: 'a test' });
  });

  test('its invoice is made out from the record, looked over, and paid', async () => {
    await page.goto(`${shop.base}/job/${job}/record`);
    await press(page, 'main a', 'Invoice');
    await page.waitForSelector('.invoicelines');
    await press(page, 'main button', 'One more line');
    const { length } = await page.$$('.invoicelines .d-contents');
    await page.type(`[aria-label="Line ${length}: what for"]`, 'Carriage');
    await page.type(`[aria-label="Line ${length}: each"]`, '12.50');
    const total = await text(page, '.invoicesums .total');
    for (const { width, height } of WIDTHS) {
      await page.setViewport({ width, height, deviceScaleFactor: 1 });
      expect([...(await outOfSight(page)), ...(await axeViolations(page))]).toEqual([]);
    }
    await page.setViewport({ width: 1280, height: 800, deviceScaleFactor: 1 });
    await press(page, 'main button', 'Make it out');
    await has(page, 'Invoice 0001');
    await has(page, 'Carriage');
    await has(page, total);
    await press(page, 'main button', 'Write it down');
    await has(page, 'It is settled.');
    const pdf = await page.$eval('a.btn-ink', async (a) => {
      const answer = await fetch(a.href);
      return [answer.status, (await answer.text()).slice(0, 5)];
    });
    expect(pdf).toEqual([200, '%PDF-']);
    for (const { width, height, name } of WIDTHS) {
      await page.setViewport({ width, height, deviceScaleFactor: 1 });
      for (const path of [page.url(), `${shop.base}/invoices`]) {
        await page.goto(path);
        await page.waitForSelector('.invoicespage h1');
        expect([name, ...(await outOfSight(page)), ...(await axeViolations(page))]).toEqual([name]);
      }
    }
    await page.setViewport({ width: 1280, height: 800, deviceScaleFactor: 1 });
  });

  test('a backup is taken from the screen; its age shows, and what is copied is what its sum says', async () => {
    await part('backup');
    await has(page, 'No backup is there.');
    await press(page, 'button', 'Take one now');
    await page.waitForFunction(() => document.querySelector('.shoplist a[download]') !== null);
    await has(page, 'The last is');
    const sum = (await text(page, '.sum')).replace('SHA-256 ', '');
    const copied = await page.$eval('.shoplist a[download]', async (a) => {
      const bytes = await (await fetch(a.href)).arrayBuffer();
      const hash = await crypto.subtle.digest('SHA-256', bytes);
      return [...new Uint8Array(hash)].map((b) => b.toString(16).padStart(2, '0')).join('');
    });
    expect(copied).toBe(sum);
    await press(page, '.nightly button', 'Take it, keep 7');
    await has(page, 'Taken every night at');
  });

  test('it can be installed on a tablet: the browser finds nothing wrong with its manifest and its icons', async () => {
    const browser = await page.createCDPSession();
    const { errors, data } = await browser.send('Page.getAppManifest');
    expect([errors, JSON.parse(data ?? '{}')]).toEqual([
      [],
      expect.objectContaining({ name: 'Jubb', display: 'standalone' }),
    ]);
    const { installabilityErrors } = await browser.send('Page.getInstallabilityErrors');
    // A browser that is driven keeps nothing of its profile, and so installs nothing.
    expect(installabilityErrors.map((e) => e.errorId).filter((id) => id !== 'in-incognito')).toEqual([]);
    await part('tablets');
    await has(page, 'Only the machine that it runs on reaches this workshop.');
  });

  test.each([
    '',
    'people',
    'money',
    'places',
    'instruments',
    'drawers',
    'suppliers',
    'tablets',
    'backup',
    'log',
    '../customers',
    '../parts?tab=keep',
  ])('nothing of Shop lies out of sight: %s', async (which) => {
    const found: string[] = [];
    for (const { width, height, name } of WIDTHS) {
      await page.setViewport({ width, height, deviceScaleFactor: 1 });
      await page.goto(`${shop.base}/shop/${which}`);
      await page.waitForSelector('main.page h1');
      await page.waitForFunction(() => document.querySelector('p.empty, main.empty') === null);
      for (const line of [...(await outOfSight(page)), ...(await axeViolations(page))]) found.push(`${name}: ${line}`);
    }
    await page.setViewport({ width: 1280, height: 800, deviceScaleFactor: 1 });
    expect(found).toEqual([]);
  });

  test('every change stands in the log with who made it', async () => {
    const log = await ask<ShopChangeView[]>(page, 'shop/changes');
    expect(log.map((c) => c.what)).toEqual(
      expect.arrayContaining([
        'name of the shop',
        'an hour',
        'benches',
        'Tord Lien',
        'Long wrench',
        'drawer hub-shims, counted',
      ]),
    );
    // The first was made while the owner still had no name.
    expect(new Set(log.map((c) => c.by))).toEqual(new Set(['Owner', 'Runa Vik']));
    await part('log');
    await has(page, 'Vik and Daughter');
    const list = await ask<InstrumentView[]>(page, 'instruments');
    expect(
      list
        .filter((i) => !i.simulated)
        .map((i) => i.name)
        .sort(),
    ).toEqual(['Long wrench', 'Old micrometer']);
  });
});
