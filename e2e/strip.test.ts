import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { fold } from '@jubb/core/bench';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { axeClean } from './axe.ts';
import { book, carried, doMove, forward, fresh, heard, jobOf, title, workTo } from './hands.ts';
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

const open = async (job: string, on = page): Promise<void> => {
  await on.goto(`${shop.base}/job/${job}`);
  await fresh(on);
};
const stateOf = async (job: string): Promise<ReturnType<typeof fold>> => fold(job, (await jobOf(page, job)).events);
const settled = (job: string, is: (s: ReturnType<typeof fold>) => boolean): Promise<void> => heard(page, job, is);
const choose = async (label: string, value: string): Promise<void> => {
  await page.waitForSelector(label);
  await page.type(label, value);
};

describe('a rear axle, stripped on the screen', () => {
  let job = '';
  test('down to the cover: cautions first, each side by name, lines that stay on', async () => {
    job = await book(page, 'axle-clip', []);
    await open(job);
    expect(await title(page)).toBe('Read this first');
    await workTo(page, /^Swing the left brake caliper aside/);
    expect(await text(page, '.side')).toBe('left');
    expect(await text(page, '.right')).toContain('Left wheel speed connector');
    await axeClean(page);
    await workTo(page, /^Undo the cover/);
    expect(await text(page, '.right')).toContain('swung aside, lines on');
  });

  test('one bolt stays in until the cover is free; opened, the teeth tell which axle it is', async () => {
    await doMove(page);
    expect(await title(page)).toBe('Free it, then the last one out');
    expect(await text(page, '.right')).toContain('1 left in on purpose');
    await doMove(page);
    expect(await text(page, '.takeoff')).toContain('Cover bolt');
    await doMove(page);
    expect(await title(page)).toBe('Teeth on the ring gear, counted');
    expect(await text(page, '.mid')).toContain('Until it is answered: Short ratio');
    await press(page, '.op .choice', '37');
    await has(page, 'Drain');
    await settled(job, (s) => s.variant === 'long-ratio');
  });

  test('the mark is made, and from the pin on nobody turns the ring gear', async () => {
    await forward(page, job, (s) => s.readings.some((r) => r.id === 'shaft-float@right'));
    await open(job);
    await workTo(page, /^Mark pin to case/);
    await doMove(page);
    await workTo(page, /^Push the shaft inward/);
    expect(await text(page, '.right')).toContain('Turn the ring gear');
    expect(await text(page, '.right')).toContain('0 of 1 in line');
  });

  test('a seal that will not come: the next way, and the one that destroys it makes it renew', async () => {
    await workTo(page, /^Left shaft seal off/);
    await press(page, '.way button', 'slide hammer');
    await has(page, 'Slide hammer');
    await press(page, '.way button', 'drill two holes');
    await has(page, 'It does not survive this');
    await doMove(page);
    await settled(job, (s) => s.findings['seal@left'] === 'renew' && s.findings['seal@right'] === undefined);
  });

  test('a picture of it, without the place where it was taken; the pin measured where it wears', async () => {
    await page.keyboard.press('c');
    const input = (await page.waitForSelector('#photo-file')) as ElementHandle<HTMLInputElement>;
    const file = join(shop.data, 'seal.png');
    writeFileSync(file, await page.screenshot({ type: 'png' }));
    await input.uploadFile(file);
    await page.type('#photo-caption', 'The left bore');
    await press(page, '.extra button', 'Keep it');
    await page.waitForSelector('.right .photos img');
    await settled(job, (s) => s.photos.length === 1);
    await workTo(page, /^Measure: pin where/);
    for (const value of ['21.98 mm', '21.90 mm', '21.97 mm']) {
      await page.type('#typed', value);
      await page.keyboard.press('Enter');
      await has(page, value.replace('.90', '.9').replace(' ', '\u202f'));
    }
    await has(page, 'outside');
    await axeClean(page);
    const state = await stateOf(job);
    expect(state.readings.filter((r) => r.id === 'pin-wear').map((r) => r.where)).toEqual([
      'middle',
      'left end',
      'right end',
    ]);
  });
});

describe('a refrigerant compressor', () => {
  test('stripped on the screen; a hose is a reconnect; the two methods stand with their reasons', async () => {
    const job = await book(page, 'compressor-swash', ['90 mm', 'green']);
    await open(job);
    await has(page, 'Refrigerant is recovered only by someone licensed for it.');
    await workTo(page, /^Clutch air gap, as found/);
    expect(await text(page, '.right')).toContain('Suction hose');
    await workTo(page, /^How is the inside cleaned/);
    expect((await stateOf(job)).steps['strip pistons']).toBeDefined();
    expect(await text(page, '.op')).toContain('cleaning only moves dirt into it');
    await press(page, '.op .btn-line', 'Leave the clean half alone');
    await settled(job, (s) => s.methods['flush'] === 'leave');
    await forward(page, job, (s) => s.readings.filter((r) => r.id === 'shoe-gap').length >= 5);
    await open(job);
    await workTo(page, /^Which shaft seal goes in/);
    const methods = await text(page, '.op');
    for (const words of ['weeps a film of oil by design', 'goes over a fitting sleeve or it is cut'])
      expect(methods).toContain(words);
    await press(page, '.op .btn-line', 'One-piece double lip');
    await settled(job, (s) => s.methods['shaft-seal'] === 'lip');
    await forward(page, job, (s) => s.steps['build through'] !== undefined);
    await open(job);
    await workTo(page, /^Fit the seal fitting sleeve/);
    // Where the new seal is from is asked before the sleeve goes in with it.
    for (let i = 0; i < 2 && !(await text(page, '.right')).includes('Seal fitting sleeve'); i += 1) await doMove(page);
    expect(await text(page, '.right')).toContain('Seal fitting sleeve');
    await settled(job, (s) => s.methods['shaft-seal'] === 'lip');
  });
});

describe('a rear output unit, over the weekend', () => {
  let job = '';
  test('a surprise goes into this ladder and to the sheet as a lesson', async () => {
    job = await book(page, 'output-spanner', ['97 mm'], 'D');
    await open(job);
    await workTo(page, /^Undo the flange bolt/);
    await page.keyboard.press('s');
    await choose('#surprise-title', 'Mud plate over the flange');
    await page.type('[aria-label="Part 1 that comes off"]', 'Mud plate');
    await page.type('#surprise-note', 'Two clips, from the left');
    await axeClean(page);
    await press(page, '.extra button', 'Put it into the ladder');
    await has(page, 'Two clips, from the left');
    expect(await text(page, '.lad svg')).toContain('Mud plate');
    await workTo(page, /^Undo the flange bolt/);
    await settled(job, (s) => s.off['own-1-part-1']?.count === 1);
    await page.goto(`${shop.base}/sheets/output-spanner`);
    await has(page, 'Mud plate over the flange: Two clips, from the left');
    await axeClean(page);
  });

  test('parked on a Friday: the shelf, the label, the return sheet', async () => {
    await open(job);
    await workTo(page, /^Undo the spanner nut/);
    // Undone and off in one go, where nothing is counted between.
    for (let i = 0; i < 2 && (await stateOf(job)).steps['strip nut'] === undefined; i += 1) await doMove(page);
    await settled(job, (s) => s.steps['strip nut'] !== undefined);
    await page.keyboard.press('n');
    await choose('#note-text', 'Nut took six turns and a slot');
    await press(page, '.extra button', 'Keep it');
    await page.keyboard.press('h');
    await page.waitForSelector('#hold-note');
    await press(page, '.extra button', 'The next working day');
    await page.type('#hold-note', 'Go on with the cones');
    await press(page, '.extra button', 'Park it there');
    await has(page, 'Where it stands');
    await settled(job, (s) => s.parked !== undefined);
    const { place } = await stateOf(job);
    expect(place).toMatch(/^Shelf \d$/);
    await page.goto(shop.base);
    await page.waitForFunction(
      (p: string) => document.querySelector(`[data-place="${p}"]`)?.textContent?.includes('Go on with the cones'),
      {},
      place!,
    );
    await page.goto(`${shop.base}/job/${job}/return`);
    await has(page, 'Go on with the cones');
    const sheet = await text(page, '.record');
    for (const words of [
      'Turn the nut without counting'.toLowerCase(),
      'wire hanger',
      'speed sensor connector',
      'propshaft hung',
      'nut took six turns',
      'mud plate',
    ])
      expect(sheet.toLowerCase()).toContain(words);
    await axeClean(page);
    const label = await page.evaluate(async (id: string) => (await fetch(`/api/jobs/${id}/labels.svg`)).text(), job);
    expect(label).toContain('<svg');
    expect(label).toContain('Level plug');
  });

  test('resumed on another device, by other hands: the code opens the rung, the trays are counted', async () => {
    const other = await shop.page();
    await shop.signIn(other, 'Ailsa Brock', '3333');
    await other.waitForSelector('.place-row');
    await other.goto(`${shop.base}/job/${job}?at=${encodeURIComponent('strip nut')}`);
    await has(other, 'Where it stands');
    await other.waitForSelector('[data-looked-at="strip nut"]');
    await other.keyboard.press('Enter');
    await has(other, 'Count what lies in the trays');
    await axeClean(other);
    await press(other, 'button', 'All trays agree');
    const field = await other.waitForSelector('[aria-label="Propshaft screw M8 × 30: how many"]');
    await field!.click({ clickCount: 3 });
    await field!.type('3');
    await other.waitForSelector('#why-differs');
    expect(await other.$eval('.btn-go', (b) => (b as HTMLButtonElement).disabled)).toBe(true);
    await field!.click({ clickCount: 3 });
    await field!.type('4');
    await other.evaluate(() => (document.activeElement as HTMLElement).blur());
    await other.select('#resume-to', 'D');
    await other.keyboard.press('Enter');
    await other.waitForFunction(() => document.querySelector('.mid h2')?.textContent?.includes('for the time being'));
    await settled(job, (s) => s.parked === undefined && s.place === 'D' && s.resumed[0]!.by.name === 'Ailsa Brock');
    await other.close();
  });
});

describe('a barrow hub with loose balls', () => {
  test('counted wrong, then right, and each side stays its own', async () => {
    const job = await book(page, 'hub-loose-ball', []);
    await forward(
      page,
      job,
      (s) => s.steps['build dust-cap@right'] !== undefined || s.steps['bottom decide'] !== undefined,
    );
    await open(job);
    await workTo(page, /^Count the right ball/);
    await page.keyboard.press('+');
    for (let i = 0; i < 7; i += 1) await page.keyboard.press('+');
    await page.keyboard.press('Enter');
    await has(page, '8 counted, 9 came off.');
    await axeClean(page);
    await page.keyboard.press('+');
    await page.keyboard.press('Enter');
    await page.waitForFunction(() => document.querySelector('.mid')?.textContent?.includes('Lubricate'));
    await settled(job, (s) => s.counted.length === 2);
    const state = await stateOf(job);
    expect(state.counted.map((c) => [c.part, c.count, c.agrees])).toEqual([
      ['ball@right', 8, false],
      ['ball@right', 9, true],
    ]);
  });
});

describe('an alternator with pinned brushes', () => {
  test('screws to their own places, clocking dots, the pin counted until it is out', async () => {
    const job = await book(page, 'alternator-brushpin', ['3', 'black']);
    await open(job);
    await workTo(page, /^Mark stator to rear frame/);
    await doMove(page);
    expect(await text(page, '.right')).toContain('0 of 2 in line');
    await workTo(page, /rectifier screw, bare/i);
    const off = await text(page, '.takeoff');
    for (const words of ['From the two outer holes, to earth', 'From at the output stud', '24'])
      expect(off).toContain(words);
    await forward(page, job, (s) => s.steps['build rectifier'] !== undefined);
    await open(job);
    await has(page, 'Draw the pin: the brushes would drop');
    await workTo(page, /^Line up the mark, stator to rear frame/);
    expect(await text(page, '.right')).toContain('1 of 2 in line');
    await forward(page, job, (s) => s.steps['build frames'] !== undefined);
    const aids = Object.entries((await stateOf(job)).aids).filter(([, a]) => !a.removed);
    expect(aids.map(([a]) => a)).not.toContain('brush-pin');
  });
});

describe('a stack, a wait, and the manual page', () => {
  test('plates are re-ordered by keys, and what is not as the sheet says is said', async () => {
    const job = await book(page, 'cab-strut', ['green', '11 mm']);
    await forward(page, job, (s) => s.steps['strip rod-nut'] !== undefined);
    await open(job);
    expect(await title(page)).toMatch(/^Record the stack/);
    await page.focus('.stack li:nth-child(2) button');
    await carried(page, 'Space');
    await carried(page, 'ArrowDown');
    await page.keyboard.press('Space');
    await has(page, 'not its place on the sheet');
    await axeClean(page);
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press('Enter');
    await settled(job, (s) => s.stacks['top-stack']?.found?.asSheet === false);
    expect((await stateOf(job)).stacks['top-stack']!.found!.order.slice(0, 3)).toEqual([0, 2, 1]);
  });

  test('a wait survives a reload and a restart of the server; it stands in the rail and on the Floor', async () => {
    const running = async (): Promise<string> => text(page, '.rail .timer');
    await page.goto(shop.base);
    await page.waitForSelector('.rail .timer');
    expect(await running()).toContain('Cure E');
    await shop.killServer();
    await shop.startServer();
    await page.reload();
    await page.waitForSelector('.rail .timer');
    expect(await running()).toMatch(/Cure E \d+:\d\d|Cure E done/);
    await page.waitForSelector('.nextlist');
    expect(await text(page, '.nextlist')).toContain('Cure: sealant');
    await axeClean(page);
  });

  test('a figure opens the maker’s page; the manual page is clean', async () => {
    await page.goto(`${shop.base}/sheets/axle-clip`);
    await page.waitForSelector('.manual table a');
    expect(await page.$eval('.manual table a', (a) => a.getAttribute('href'))).toMatch(
      /^\/api\/documents\/.*#page=12$/,
    );
    await axeClean(page);
  });
});
