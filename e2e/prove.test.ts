import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { fold, jobSheet, nextMove, type BenchState, type RehearsalFigures } from '@jubb/core/bench';
import type { JobView } from '@jubb/contract';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { axeClean } from './axe.ts';
import { ask, book, forward, fresh, jobOf, sent } from './hands.ts';
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

const stateOf = async (job: string): Promise<BenchState> => fold(job, (await jobOf(page, job)).events);
const fault = (stand: string, name: string | null): Promise<unknown> =>
  page.evaluate(
    async (s: string, f: string | null) => {
      const body = JSON.stringify({ fault: f });
      return (
        await fetch(`/api/instruments/${s}/fault`, {
          method: 'POST',
          body,
          headers: { 'content-type': 'application/json' },
        })
      ).status;
    },
    stand,
    name,
  );
/** Brings a job by the API to a test of the way up, and opens its bench. */
async function toTest(job: string, id: string, figures: RehearsalFigures = {}): Promise<void> {
  const { sheet } = await ask<JobView>(page, `jobs/${job}`);
  await forward(
    page,
    job,
    (s) => {
      const move = nextMove(jobSheet(sheet, s), s);
      return move.kind === 'op' && move.op.kind === 'test' && move.op.test === id && move.op.moment === 'now';
    },
    figures,
  );
  await page.goto(`${shop.base}/job/${job}`);
  await fresh(page);
  await goSays('Run it');
  await page.waitForSelector('.btn-go:not(:disabled)');
}
const goSays = (words: string): Promise<unknown> =>
  page
    .waitForFunction((w: string) => document.querySelector('.btn-go')?.textContent?.includes(w), {}, words)
    .catch(async () => Promise.reject(new Error(`the button never said ${words}: ${await text(page, '.mid')}`)));
/** Runs the test to its own end. */
async function runIt(): Promise<void> {
  await page.keyboard.press('Space');
  await goSays('Keep this run');
}
const lastTest = async (job: string, id: string): Promise<BenchState['readings'][number]> =>
  (await stateOf(job)).readings.findLast((r) => r.subject === 'test' && r.id === id)!;

describe('an alternator', () => {
  test('fails by an open diode, is led back to the rectifier, cured, and proved', async () => {
    await fault('alternator-stand-1', 'open-diode');
    const job = await book(page, 'alternator-brushpin', ['3', 'grey']);
    await toTest(job, 'output');
    await runIt();
    await has(page, 'one diode does not conduct');
    await page.keyboard.press('Enter');
    await has(page, 'What could be behind it');
    await axeClean(page);
    expect(await text(page, '.suspect')).toMatch(/^Rectifier/);
    const before = await stateOf(job);
    expect((await lastTest(job, 'output')).result?.verdict).toBe('outside');
    await press(page, '.suspect button', 'Back to rectifier');
    await page.waitForFunction(() => !document.querySelector('.suspects'));
    const led = await stateOf(job);
    expect(led.returns).toHaveLength(1);
    // Only what lies over the rectifier is undone: the rotor and the front bearing stay.
    expect(led.findings['rectifier']).toBeUndefined();
    expect(led.findings['rotor']).toBe(before.findings['rotor']);
    await toTest(job, 'output', {
      finding: (p) => (p === 'rectifier' ? { finding: 'renew', reason: 'A diode is open' } : undefined),
    });
    await runIt();
    await page.keyboard.press('Enter');
    await goSays('Done');
    const proved = await lastTest(job, 'output');
    expect([proved.result?.verdict, proved.proof?.tells]).toEqual(['within', []]);
    await fault('alternator-stand-1', null);
    await page.keyboard.press('Enter');
    await forward(page, job, (s) => s.handedOver !== undefined);
    await page.goto(`${shop.base}/job/${job}/record?depth=customer`);
    await has(page, 'gone back to the rectifier');
    await axeClean(page);
    // The next failure of this kind remembers it.
    const past = await ask<Record<string, Record<string, number>>>(page, 'sheets/alternator-brushpin/past-causes');
    expect(past['output']).toEqual({ rectifier: 1 });
  });

  test('a figure typed over a run stands as typed, with no curve, and the run stands in a note', async () => {
    const job = await book(page, 'alternator-brushpin', ['3', 'grey']);
    await toTest(job, 'output');
    await runIt();
    await page.type('#typed', '49 A');
    await press(page, '.op button', 'Take');
    await has(page, 'Typed by hand: no curve belongs to this figure.');
    await sent(page);
    const kept = await lastTest(job, 'output');
    expect([kept.value, kept.how, kept.proof, kept.instrument]).toEqual([
      { value: 49, unit: 'A' },
      'hand',
      undefined,
      null,
    ]);
    const { notes } = await stateOf(job);
    expect(notes.at(-1)!.text).toMatch(/the stand had run [\d.]+\sA; 49\sA was typed by hand instead\.$/);
  });
});

describe('a turbo', () => {
  test('is balanced in two planes to within its grade', async () => {
    const job = await book(page, 'turbo-core', ['P']);
    await toTest(job, 'drag');
    await runIt();
    await page.keyboard.press('Enter');
    await goSays('Done');
    expect((await lastTest(job, 'drag')).result?.verdict).toBe('within');
    await toTest(job, 'vibration');
    for (let i = 0; i < 7; i += 1) {
      if ((await text(page, '.btn-go')).includes('Keep this course')) break;
      const before = await page.$eval('.op', (e) => e.innerHTML);
      await page.keyboard.press('Space');
      await page.waitForFunction(
        (b: string) =>
          document.querySelector('.op')?.innerHTML !== b &&
          !document.querySelector('.btn-go')?.textContent?.includes('runs up'),
        {},
        before,
      );
    }
    await axeClean(page);
    await goSays('Keep this course');
    await page.keyboard.press('Enter');
    await goSays('Done');
    const kept = await lastTest(job, 'vibration');
    expect(kept.result?.verdict).toBe('within');
    expect(kept.proof?.run.kind === 'balancing' && kept.proof.run.rounds.length).toBeLessThanOrEqual(3);
  });
});

describe('an air compressor', () => {
  test('that only cools is within, though its gauge fell by more than is allowed', async () => {
    await fault('leak-tester-1', 'cooling');
    const job = await book(page, 'compressor-twin', ['none']);
    await toTest(job, 'leak-down');
    await runIt();
    await has(page, 'It only cooled: it does not leak');
    await page.keyboard.press('Enter');
    await goSays('Done');
    expect((await lastTest(job, 'leak-down')).result?.verdict).toBe('within');
    await fault('leak-tester-1', null);
  });
});

describe('a comeback', () => {
  test('stands beside its last visit: what it left with, what is found now', async () => {
    const over = (await ask<{ id: string; unitId: string; number: number }[]>(page, 'jobs/handed-over'))[0]!;
    const { sheet, events } = await ask<JobView>(page, `jobs/${over.id}`);
    const booked = fold(over.id, events).booked!;
    const { id } = await ask<{ id: string }>(page, 'jobs', {
      commandId: crypto.randomUUID(),
      customerId: booked.customer.id,
      serial: booked.unit.serial,
      sheet: sheet.id,
      complaint: 'back with the same noise',
      answers: booked.identified.map((i, question) => ({ question, answer: i.answer })),
    });
    await forward(page, id, (s) => s.readings.some((r) => r.moment === 'as-found'));
    // The new log says which log it goes on from, and where that one ended.
    const back = await ask<JobView>(page, `jobs/${id}`);
    expect(fold(id, back.events).booked!.cameFrom).toMatchObject({ number: over.number, head: events.at(-1)!.hash });
    await page.goto(`${shop.base}/unit/${over.unitId}`);
    await has(page, 'Then and now');
    await has(page, `Left with, job ${over.number}`);
    await axeClean(page);
  });
});

describe('a record', () => {
  test('is verified, and one that was tampered with is refused with its event', async () => {
    const over = (await ask<{ id: string }[]>(page, 'jobs/handed-over'))[0]!;
    const file = await ask<{ events: { payload: object }[] }>(page, `jobs/${over.id}/record.json`);
    const good = join(shop.data, 'good.json');
    writeFileSync(good, JSON.stringify(file));
    file.events[3]!.payload = { ...file.events[3]!.payload, note: 'never said' };
    const bad = join(shop.data, 'bad.json');
    writeFileSync(bad, JSON.stringify(file));
    await page.goto(`${shop.base}/verify`);
    const input = (await page.waitForSelector('input[type=file]'))!;
    await input.uploadFile(good);
    await has(page, 'Whole, and signed by this workshop');
    await input.uploadFile(bad);
    await has(page, 'Not to be trusted');
    await has(page, 'event 4');
  });
});

describe('the stands', () => {
  test('are tried by themselves: a fault is seen, and no job gains a reading', async () => {
    await page.goto(`${shop.base}/stands`);
    await page.waitForSelector('.standrow');
    await axeClean(page);
    await press(page, '.tabs button', 'open phase');
    await page.waitForFunction(() => document.querySelector('.tabs [aria-pressed=true]')?.textContent === 'open phase');
    await press(page, '.btn-ink', 'Run');
    await has(page, 'a phase is open');
    await press(page, '.tabs button', 'Nothing wrong');
    await press(page, '.standrow button', 'Check');
    await has(page, 'It answers');
  });

  test('at night every screen keeps its contrast, and the device remembers', async () => {
    await page.keyboard.press('t');
    await page.waitForFunction(() => document.documentElement.dataset['bsTheme'] === 'dark');
    await axeClean(page);
    await page.goto(shop.base);
    await page.waitForSelector('.place-row');
    expect(await page.evaluate(() => document.documentElement.dataset['bsTheme'])).toBe('dark');
    await axeClean(page);
    const floor = await ask<{ jobs: { id: string; place: string | null }[] }>(page, 'floor');
    await page.goto(`${shop.base}/job/${floor.jobs.find((j) => j.place === 'B')!.id}`);
    await page.waitForSelector('.benchmain');
    await axeClean(page);
    await page.keyboard.press('t');
  });
});
