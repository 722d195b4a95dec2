import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { fold, jobSheet, nextMove, type BenchState, type RehearsalFigures } from '@jubb/core/bench';
import type { JobView } from '@jubb/contract';
import type { Op } from '@jubb/core/sheet';
import type { Page } from 'puppeteer-core';
import { axeClean } from './axe.ts';
import { book, doMove, forward, fresh, jobOf, pulled, still, title, workTo } from './hands.ts';
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

const view = (job: string): Promise<JobView> => jobOf(page, job);
const stateOf = async (job: string): Promise<BenchState> => fold(job, (await view(job)).events);
/** Brings a job by the API to the operation that fits, and opens its bench. */
async function openAt(job: string, fits: (op: Op) => boolean, figures: RehearsalFigures = {}): Promise<string> {
  const { sheet } = await view(job);
  const at = (s: BenchState): string | undefined => {
    const move = nextMove(jobSheet(sheet, s), s);
    return move.kind === 'op' && fits(move.op) ? move.op.id : undefined;
  };
  await forward(page, job, (s) => at(s) !== undefined, figures);
  await page.goto(`${shop.base}/job/${job}`);
  await fresh(page);
  return at(await stateOf(job))!;
}
const go = (): Promise<string> => text(page, '.btn-go');
/** Ticks what is asked for before a part is home, until it stands ticked. */
const tickAll = (): Promise<unknown> =>
  page.waitForFunction(() => {
    const open = [...document.querySelectorAll<HTMLButtonElement>('.op .choice[aria-pressed="false"]')];
    for (const tick of open) tick.click();
    return open.length === 0;
  });
/** Presses the wide button by its own key once it can be pressed, and waits until something moved. */
async function goOn(): Promise<void> {
  await page.waitForSelector('.btn-go:not(:disabled)');
  const before = await page.$eval('.mid', (e) => e.innerHTML);
  await page.keyboard.press((await page.$eval('.btn-go kbd', (k) => k.textContent)) === 'space' ? 'Space' : 'Enter');
  await page.waitForFunction((b: string) => document.querySelector('.mid')?.innerHTML !== b, {}, before);
}
/** Follows a setting's panel until it is confirmed; how many tries it took. */
async function follow(job: string, setting: string): Promise<number> {
  for (let i = 0; i < 60; i += 1) {
    // A last good reading goes on by itself.
    if (!(await page.$('.setgrid'))) break;
    if ((await go()).includes(' is set at ')) {
      await goOn();
      break;
    }
    // Each unit is another one: now and then the drawer has no pack for it, and the piece is ground and said. What was just read is
    // judged a moment later: until then the button is neither this nor that.
    await page.waitForSelector('.btn-go:not(:disabled), #made');
    if (await page.$('#made')) {
      await page.type('#made', 'ground from 1.60');
      await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    }
    await goOn();
    await still(page);
  }
  const state = await stateOf(job);
  expect(state.settings[setting]!.confirmed?.verdict).toBe('within');
  return state.settings[setting]!.rounds.filter((r) => r.result).length;
}
const pullsOf = async (job: string, joint: string): Promise<BenchState['joints'][string]['pulls']> =>
  (await stateOf(job)).joints[joint]?.pulls ?? [];
/** Pulls until the wide button says that the joint, or its stage, is done. */
async function pullAll(): Promise<void> {
  for (let i = 0; i < 80 && !/ is tight| is done/.test(await go()); i += 1) {
    await page.waitForFunction(() => !document.querySelector('.btn-go')?.textContent?.includes('Pulling'));
    if (/ is tight| is done/.test(await go())) break;
    await goOn();
    await pulled(page);
    // The last good pull of a joint goes on by itself.
    if (!(await page.$('.op .stages'))) return;
  }
}

describe('a float by two methods', () => {
  const by = (method: string): RehearsalFigures => ({ choice: (m) => (m === 'float-by' ? method : undefined) });
  test('by depths: the depths first, the pack they ask for, and one reading that confirms it', async () => {
    const job = await book(page, 'hub-dolly', ['65 mm']);
    await openAt(job, (op) => op.kind === 'set', by('depths'));
    await has(page, 'Depth 1 of 2');
    await axeClean(page);
    const tries = await follow(job, 'float');
    const state = await stateOf(job);
    expect(state.readings.filter((r) => r.moment === 'depth')).toHaveLength(2);
    expect(state.settings['float']!.rounds.some((r) => r.fitted)).toBe(true);
    expect(tries).toBeLessThanOrEqual(2);
  });
  test('by a trial pack: what it gave, the next pack, and never more than three tries', async () => {
    const job = await book(page, 'hub-dolly', ['65 mm']);
    await openAt(job, (op) => op.kind === 'set', by('trial'));
    await has(page, 'Read the end float, 1 of 3');
    expect(await follow(job, 'float')).toBeLessThanOrEqual(3);
  });
});

describe('a gearbox', () => {
  test('bearings half in turn, then full; the float by a pack under the cap', async () => {
    const job = await book(page, 'gearbox-four', ['41']);
    // The first part that goes in new asks where it comes from, and takes the bearings along.
    await openAt(job, (op) => op.kind === 'place' && op.part === 'main-nut');
    await has(page, 'Where does the new main shaft nut come from?');
    await has(page, 'main shaft bearing');
    await press(page, '.btn-go', 'from there');
    await openAt(job, (op) => op.kind === 'press' && op.part === 'main-bearing');
    await has(page, 'Half way, no further for now');
    await has(page, 'It takes up to');
    await axeClean(page);
    const order: string[] = [];
    for (let i = 0; i < 4; i += 1) {
      order.push(await title(page));
      await tickAll();
      await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
      await goOn();
      await page.waitForFunction(
        (t: string) => document.querySelector('.mid h2')?.textContent !== t,
        {},
        order.at(-1)!,
      );
    }
    expect(order).toEqual([
      'Press the main shaft bearing, half',
      'Press the lay shaft bearing, half',
      'Press the main shaft bearing, home',
      'Press the lay shaft bearing, home',
    ]);
    await openAt(job, (op) => op.kind === 'set');
    expect(await follow(job, 'main-float')).toBeLessThanOrEqual(3);
  });
});

describe('a differential', () => {
  test('backlash and preload are read together, and moved together', async () => {
    const job = await book(page, 'differential-side', []);
    await openAt(job, (op) => op.kind === 'set');
    await has(page, 'Set the backlash of the ring gear');
    await has(page, 'Used bearings: half the band');
    const tries = await follow(job, 'backlash');
    const state = await stateOf(job);
    expect(state.settings['preload']!.confirmed?.verdict).toBe('within');
    // Every move began a try of both.
    expect(state.settings['preload']!.rounds.length).toBe(state.settings['backlash']!.rounds.length);
    expect(tries).toBeLessThanOrEqual(5);
    // The contact pattern is read on the tooth, by its number.
    await has(page, 'Contact pattern');
    await axeClean(page);
    await page.keyboard.press('5');
    await page.waitForFunction(() => !document.querySelector('.mid h2')?.textContent?.startsWith('Contact pattern'));
    expect((await stateOf(job)).looks.at(-1)!.choice).toBe('centre-centre');
  });
});

describe('a propshaft', () => {
  test('new screws, to a torque and on by an angle, a helper before the last', async () => {
    const job = await book(page, 'prop-centre', ['130 mm']);
    const op = await openAt(job, (o) => o.kind === 'tighten' && o.joint === 'rear-flange');
    const { sheet } = await view(job);
    const step = sheet.steps.find((s) => s.ops.some((o) => o.id === op))!;
    expect(step.ops.some((o) => o.kind === 'helper')).toBe(true);
    await pullAll();
    const pulls = await pullsOf(job, 'rear-flange');
    const turned = pulls.filter((p) => p.stage === 1 && !p.void);
    expect(turned).toHaveLength(sheet.joints['rear-flange']!.count);
    expect(
      turned.every((p) => p.verdict === 'within' && p.instrument?.name === 'Torque wrench 3' && p.turnedDeg! > 40),
    ).toBe(true);
    expect((await stateOf(job)).done[op]).toBeDefined();
  });
});

describe('a strut', () => {
  test('the straps are out and every torque is made before it is signed', async () => {
    const job = await book(page, 'cab-strut', ['green']);
    const op = await openAt(job, (o) => o.kind === 'remove-aid');
    const aids = Number(/Aids fitted\s*(\d+)/.exec(await text(page, '.right'))?.[1]);
    expect(aids).toBeGreaterThan(0);
    await goOn();
    await page.waitForFunction(
      (n: number) => document.querySelector('.right')?.textContent?.includes(`Aids fitted${n}`),
      {},
      aids - 1,
    );
    expect((await stateOf(job)).done[op]).toBeDefined();
    await forward(page, job, (s) => s.signed !== undefined);
    const state = await stateOf(job);
    expect(Object.values(state.aids).every((a) => a.removed)).toBe(true);
  });
});

describe('a compressor', () => {
  let job: string;
  test('is drawn down evenly: every bolt of a stage before the next stage begins', async () => {
    job = await book(page, 'compressor-swash', ['90 mm', 'green']);
    await openAt(job, (o) => o.kind === 'tighten' && o.joint === 'through');
    await has(page, 'Draw it down evenly');
    expect(await text(page, '.wrenchrow option:checked')).toBe('Torque wrench 1');
    expect(await text(page, '.wrenchrow small')).toContain('fine enough');
    // Half of the first stage, and the browser is closed.
    for (let i = 0; i < 3; i += 1) {
      await goOn();
      await page.waitForFunction(() => !document.querySelector('.btn-go')?.textContent?.includes('Pulling'));
    }
    expect(await pullsOf(job, 'through')).toHaveLength(3);
    await page.close();
    page = await shop.page();
    await shop.signIn(page);
    await page.waitForSelector('.place-row');
    await page.goto(`${shop.base}/job/${job}`);
    await page.waitForSelector('.btn-go');
    await has(page, '3 of 6');
    await pullAll();
    const pulls = (await pullsOf(job, 'through')).filter((p) => !p.void);
    expect(pulls.map((p) => p.stage)).toEqual([...pulls.map((p) => p.stage)].sort());
    expect(pulls).toHaveLength(18);
  });
});

describe('a bolt that goes wrong', () => {
  test('one that gives is found by its trace though its torque is right, and a new one is pulled', async () => {
    const job = await book(page, 'hub-dolly', ['65 mm']);
    await openAt(job, (o) => o.kind === 'tighten' && o.joint === 'cap-bolts');
    const fault = async (name: string): Promise<void> => {
      for (let i = 0; i < 8 && !(await text(page, '.benchfoot')).includes(`Hand: ${name}`); i += 1)
        await press(page, '.foot button', 'Hand: ');
      await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    };
    await fault('gives');
    await page.keyboard.press('Space');
    await has(page, 'stretched past yield');
    await axeClean(page);
    const [pull] = await pullsOf(job, 'cap-bolts');
    expect([pull!.verdict, pull!.advice]).toEqual(['within', 'renew']);
    await press(page, '.refused button', 'New fastener in');
    await page.waitForFunction(() => document.querySelector('.btn-go')?.textContent?.includes('Pull fastener 1'));
    // The line to the wrench drops in the middle: what was read is noted, and no pull is made of it.
    await fault('line drops');
    await page.keyboard.press('Space');
    await has(page, 'dropped in the middle of fastener 1');
    expect((await pullsOf(job, 'cap-bolts')).filter((p) => !p.void)).toEqual([]);
    expect((await stateOf(job)).notes.at(-1)!.text).toMatch(/Not counted as a pull/);
    await page.waitForSelector('.btn-go:not(:disabled)');
    await pullAll();
    const state = await stateOf(job);
    expect(state.renewed['cap-bolts#1']!.count).toBe(1);
    // Loosened again from the ladder: it loses its ticks and comes up anew.
    await page.goto(`${shop.base}/job/${job}?at=${encodeURIComponent('build cap')}`);
    await press(page, '[data-looked-at] button', 'Loosen it again');
    await page.type('[data-looked-at] input', 'The ring was pinched');
    await press(page, '[data-looked-at] button', 'Loosen');
    await page.waitForFunction(() => document.querySelector('.mid h2')?.textContent?.startsWith('Tighten the cap'));
    await has(page, '0 of 6');
  });
});

describe('a face seal', () => {
  test('is set by the chart: from the mark, slid, and within half a millimetre', async () => {
    const job = await book(page, 'seal-face', []);
    await openAt(job, (o) => o.kind === 'set');
    await has(page, 'Set the compression of the seal, 4.5 ± 0.5');
    expect(await follow(job, 'compression')).toBeLessThanOrEqual(3);
  });
});

describe('hands that are busy', () => {
  test('a pedal goes through a build by one key, and the voice is off until it is wanted', async () => {
    const job = await book(page, 'hub-dolly', ['65 mm']);
    await openAt(job, (o) => o.kind === 'place' && o.part === 'shim-pack');
    expect(await page.$eval('.benchfoot button:last-child', (b) => b.getAttribute('aria-pressed'))).toBe('false');
    const before = Object.keys((await stateOf(job)).done).length;
    for (let i = 0; i < 3; i += 1) {
      const now = await title(page);
      await page.keyboard.press('PageDown');
      await page.waitForFunction((t: string) => document.querySelector('.mid h2')?.textContent !== t, {}, now);
    }
    expect(Object.keys((await stateOf(job)).done).length).toBe(before + 3);
    await page.keyboard.press('v');
    await page.waitForSelector('.benchfoot button[aria-pressed=true]');
    await page.keyboard.press('v');
  });
  test('a bleed counts clean strokes by the space bar, and a bubble starts it again', async () => {
    const job = await book(page, 'lever-piston', ['red']);
    const op = await openAt(job, (o) => o.kind === 'bleed');
    for (const key of ['Space', 'Space', '0'] as const) await page.keyboard.press(key);
    await has(page, 'Bubbles so far: 1');
    for (let i = 0; i < 5; i += 1) await page.keyboard.press('Space');
    await has(page, '5clean of 5');
    await page.keyboard.press('Enter');
    await page.waitForFunction(() => !document.querySelector('.counter'));
    expect((await stateOf(job)).done[op]).toBeDefined();
  });
  test('a bearing is read hot enough before it drops on, and the clock then runs', async () => {
    const job = await book(page, 'differential-side', []);
    await openAt(job, (o) => o.kind === 'heat', { finding: () => ({ finding: 'renew', reason: 'pitted' }) });
    await has(page, 'Heat it to');
    await axeClean(page);
    await page.waitForFunction(
      () => Number(/Read it: (\d+)/.exec(document.querySelector('.btn-go')?.textContent ?? '')?.[1]) >= 111,
      { timeout: 20_000 },
    );
    await goOn();
    await has(page, 'Hot enough');
    await goOn();
    await has(page, 'It still drops on for');
    await doMove(page);
    await workTo(page, /./);
  });
});
