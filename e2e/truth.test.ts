import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { fold, nextMove, type BenchState } from '@jubb/core/bench';
import type { Page } from 'puppeteer-core';
import { axeClean } from './axe.ts';
import { ask, book, forward, fresh, heard, jobOf, title } from './hands.ts';
import { has, press, Workshop } from './workshop.ts';

jest.setTimeout(300_000);
const shop = new Workshop();
let page: Page;
beforeAll(async () => {
  await shop.open();
  page = await shop.page();
  await shop.signIn(page);
  await page.waitForSelector('.place-row');
}, 120_000);
afterAll(() => shop.close());

const stateOf = async (job: string): Promise<BenchState> => fold(job, (await jobOf(page, job)).events);
/** A picture for whoever looks, when a folder is named. */
const picture = async (name: string): Promise<void> => {
  if (process.env['PICTURES']) await page.screenshot({ path: `${process.env['PICTURES']}/${name}.png` });
};
const open = async (job: string): Promise<void> => {
  await page.goto(`${shop.base}/job/${job}`);
  await fresh(page);
};
/** The job by the API up to where an operation of a kind is next. */
async function upTo(job: string, is: (op: { kind: string; look?: string; moment?: string }) => boolean): Promise<void> {
  const { sheet } = await jobOf(page, job);
  await forward(page, job, (s) => {
    const move = nextMove(sheet, s);
    return move.kind === 'op' && is(move.op);
  });
}

describe('a look that is bad at the end', () => {
  test('is not signed off: it is put right, led back from, or taken so by name, and the customer reads it', async () => {
    const job = await book(page, 'hub-cartridge', ['8']);
    await upTo(job, (o) => o.kind === 'look' && o.look === 'roll' && o.moment === 'now');
    await open(job);
    const asked = await title(page);
    await press(page, '.choice', 'Gritty all round');
    await has(page, 'What could be behind it');
    expect(await title(page)).toBe(asked);
    await picture('look-bad');
    await axeClean(page);
    // A reason to press, and no key of the bench acts while it is typed.
    await page.type('.reason input', 'turns ruf');
    expect(page.url()).toContain(`/job/${job}`);
    await press(page, '.reason .btn-line', 'The customer wants it so');
    await press(page, '.takeso button[type=submit]', 'Keep it so');
    await heard(page, job, (s) => s.accepted['look:roll'] !== undefined);
    await forward(page, job, (s) => s.handedOver !== undefined);
    await page.goto(`${shop.base}/job/${job}/record?depth=customer`);
    await has(page, 'Left so: The customer wants it so');
    await page.goto(`${shop.base}/job/${job}/record`);
    await has(page, 'Bad, and what became of it');
  });
});

describe('a reading that was typed wrong', () => {
  test('is put right where it stands, in the field’s own unit, and the record tells both', async () => {
    const job = await book(page, 'hub-dolly', ['65.2 mm']);
    await upTo(job, (o) => o.kind === 'measure');
    await open(job);
    const before = (await stateOf(job)).readings.length;
    await page.waitForSelector('#typed, .btn-go');
    if (await page.$('#typed')) {
      await page.type('#typed', '59,97');
      await press(page, '.typedreading > button', 'Take');
    } else await page.keyboard.press('Space');
    await heard(page, job, (s) => s.readings.length === before + 1);
    const first = (await stateOf(job)).readings.at(-1)!;
    await press(page, '.foot button', 'Correct');
    await press(page, '.said button', 'Correct');
    await page.waitForSelector('.modal .correct');
    await picture('correct');
    await axeClean(page);
    await page.type('#right-reading', '59.99');
    await press(page, '.correct .reason .btn-line', 'Read wrong');
    await press(page, '.correct button[type=submit]', 'Put it right');
    await heard(page, job, (s) => s.corrections.length === 1);
    const righted = (await stateOf(job)).readings.find((r) => r.seq === first.seq)!;
    expect([righted.value.value, righted.value.unit]).toEqual([59.99, first.value.unit]);
    await has(page, 'put right by');
    await picture('said');
    await page.goto(`${shop.base}/job/${job}/record`);
    await has(page, 'Put right');
    await has(page, 'Read wrong');
  });

  test('what was told at booking too: the Floor knows the other serial', async () => {
    const job = await book(page, 'hub-dolly', ['65.2 mm']);
    await open(job);
    await page.keyboard.press('a');
    await press(page, '.extra button', 'Correct the booking');
    await page.waitForSelector('#right-serial');
    await page.$eval('#right-serial', (e) => ((e as HTMLInputElement).value = ''));
    await page.type('#right-serial', 'T-9041');
    await page.$eval('#right-customer', (e) => ((e as HTMLInputElement).value = ''));
    await page.type('#right-customer', 'Brae Haulage');
    await press(page, '.correct .reason .btn-line', 'Typed wrong');
    await press(page, '.correct button[type=submit]', 'Put it right');
    await heard(page, job, (s) => s.booked?.unit.serial === 'T-9041');
    const floor = await ask<{ jobs: { id: string; serial: string; customer: string }[] }>(page, 'floor');
    expect(JSON.stringify(floor)).toContain('T-9041');
    expect(JSON.stringify(floor)).toContain('Brae Haulage');
  });
});

describe('a setting that cannot be met', () => {
  test('has a way out after the second try: back to a part, or taken so', async () => {
    const job = await book(page, 'hub-dolly', ['65.2 mm']);
    await upTo(job, (o) => o.kind === 'set');
    const { sheet } = await jobOf(page, job);
    const move = nextMove(sheet, await stateOf(job));
    if (move.kind !== 'op' || move.op.kind !== 'set') throw new Error('no setting is next');
    const { op } = move;
    const { band } = sheet.settings[op.setting]!;
    const far = { value: band.high.value * 30, unit: band.high.unit };
    // Read so far outside that no pack of the drawer brings it in.
    await forward(page, job, (s) => s.settings[op.setting]?.rounds.some((r) => r.result) === true, {
      reading: (what) => (what.startsWith(`${op.setting} `) ? far : undefined),
    });
    await open(job);
    await has(page, 'What could be behind it');
    await picture('set-stuck');
    await axeClean(page);
    await press(page, '.suspect button:not([disabled])', 'Back to');
    await heard(page, job, (s) => s.returns.length === 1);
    await forward(page, job, (s) => s.handedOver !== undefined);
  });
});

describe('a new part', () => {
  test('is asked where it comes from before it goes in, and the record says so', async () => {
    const job = await book(page, 'hub-dolly', ['65.2 mm']);
    await forward(page, job, (s) => s.handedOver !== undefined, { stock: 'drawer 4' });
    await page.goto(`${shop.base}/job/${job}/record`);
    await has(page, 'Where the new parts came from');
    await has(page, 'the shop’s own stock: drawer 4');
  });
});

describe('a job that is not repaired', () => {
  test('is returned in its box: a short ladder to the door, a record and a price of its own', async () => {
    const job = await book(page, 'hub-dolly', ['65.2 mm'], undefined, 30_000);
    await upTo(job, (o) => o.kind === 'judge');
    await open(job);
    await page.keyboard.press('e');
    await press(page, '.extra [role=radio]', 'in its box');
    await press(page, '.extra .reason .btn-line', 'The customer does not want it done');
    await page.type('#end-who', 'Mrs Skerrow, by telephone');
    await picture('end');
    await axeClean(page);
    await press(page, '.extra button[type=submit]', 'End it so');
    await heard(page, job, (s) => s.end !== undefined);
    await has(page, 'Returned as it is, in its box');
    await picture('ended');
    for (let i = 0; i < 12; i += 1) {
      if (/Every step is done/.test(await title(page))) break;
      const before = await title(page);
      await page.waitForSelector('.btn-go:not(:disabled)');
      await page.keyboard.press('Enter');
      await page.waitForFunction((b: string) => document.querySelector('.mid h2')?.textContent !== b, {}, before);
    }
    await press(page, '.btn-go', 'Sign off');
    await press(page, '.btn-go', 'Hand over');
    await heard(page, job, (s) => s.handedOver !== undefined);
    const { offer: _offer, bill } = await ask<{ offer: object; bill: { totalMinor: number } }>(
      page,
      `jobs/${job}/offer`,
    );
    expect(bill.totalMinor).toBeGreaterThan(0);
    await page.goto(`${shop.base}/job/${job}/record?depth=customer`);
    await has(page, 'It is not repaired');
    await axeClean(page);
  });
});
