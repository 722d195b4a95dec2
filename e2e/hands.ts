import { evolve, fold, rehearse, type BenchState, type RehearsalFigures } from '@jubb/core/bench';
import type { CommandAnswer, JobView } from '@jubb/contract';
import { randomUUID } from 'node:crypto';
import type { Page } from 'puppeteer-core';
import { press, text } from './workshop.ts';

/** Until the bench shows what the server has, and not only what the device had kept of the job. */
export const fresh = (page: Page): Promise<unknown> => page.waitForSelector('main.bench[aria-busy=false] .mid h2');

export const title = (page: Page): Promise<string> => text(page, '.mid h2');

/** Asks the API as whoever is signed in on a page. */
export async function ask<T>(page: Page, path: string, body?: object): Promise<T> {
  const answer = await page.evaluate(
    async (p: string, b: string | undefined) => {
      const r = await fetch(`/api/${p}`, {
        ...(b === undefined ? {} : { method: 'POST', body: b, headers: { 'content-type': 'application/json' } }),
      });
      return { status: r.status, json: (await r.json()) as unknown };
    },
    path,
    body === undefined ? undefined : JSON.stringify(body),
  );
  if (answer.status >= 300) throw new Error(`${path}: ${answer.status} ${JSON.stringify(answer.json)}`);
  return answer.json as T;
}

/**
 * Waits until nothing of a page waits to be sent: what the screen shows is decided in the browser, and the server hears of it a
 * little later. Looked at twice, since what was just given is written down a moment after it is shown.
 */
export async function sent(page: Page): Promise<void> {
  const waiting = (): Promise<number> =>
    page.evaluate(
      () =>
        new Promise<number>((resolve, reject) => {
          const open = indexedDB.open('jubb-outbox');
          open.onerror = () => reject(new Error('the outbox cannot be read'));
          open.onsuccess = () => {
            const db = open.result;
            const done = (n: number): void => {
              db.close();
              resolve(n);
            };
            if (!db.objectStoreNames.contains('waiting')) return done(0);
            const got = db.transaction('waiting').objectStore('waiting').getAll();
            // A refused one stays until it is read.
            got.onsuccess = () => done((got.result as { refused?: string }[]).filter((w) => !w.refused).length);
            got.onerror = () => reject(new Error('the outbox cannot be read'));
          };
        }),
    );
  for (let empty = 0, i = 0; empty < 2; i += 1) {
    if (i > 150) throw new Error('the outbox never emptied');
    empty = (await waiting()) === 0 ? empty + 1 : 0;
    await new Promise((r) => setTimeout(r, 80));
  }
}

/** A job as the server has it, once it has heard of all that the page did. */
export async function jobOf(page: Page, job: string): Promise<JobView> {
  await sent(page);
  return ask<JobView>(page, `jobs/${job}`);
}

let units = 0;
/** Books a unit in, by the API; its job's id. Serials are counted: a simulated unit is drawn from its name, so a test meets the same one each time. */
export async function book(
  page: Page,
  sheet: string,
  answers: readonly string[],
  place?: string,
  spendLimitMinor?: number,
): Promise<string> {
  const { id } = await ask<{ id: string }>(page, 'jobs', {
    commandId: randomUUID(),
    customerName: 'Skerrow Airfield',
    serial: `T-${(units += 1)}`,
    sheet,
    complaint: 'as booked in a test',
    answers: answers.map((answer, question) => ({ question, answer })),
    ...(place === undefined ? {} : { place }),
    ...(spendLimitMinor === undefined ? {} : { spendLimitMinor }),
  });
  return id;
}

/** Goes on with a job as a steady pair of hands would, by the API, until the state says so. */
export async function forward(
  page: Page,
  job: string,
  until: (state: BenchState) => boolean,
  figures: RehearsalFigures = {},
): Promise<void> {
  // What was done on the screen comes first: else it is done past it, and refused when it comes.
  await sent(page);
  let overtaken = 0;
  let view = await ask<JobView>(page, `jobs/${job}`);
  let state = fold(job, view.events);
  for (let i = 0; i < 400; i += 1) {
    if (until(state)) return;
    const command = rehearse(view.sheet, state, { drawers: view.drawers }, { impatience: 'a test', ...figures });
    if (!command) throw new Error('nothing is left to rehearse');
    const envelope = { id: randomUUID(), seen: state.seq, at: new Date().toISOString(), device: 'test', command };
    try {
      const { events } = await ask<CommandAnswer>(page, `jobs/${job}/commands`, envelope);
      state = events.reduce(evolve, state);
    } catch (e) {
      // What the screen had still in its outbox may come first: then the log is read again, and gone on from there.
      overtaken += 1;
      if (!(e as Error).message.includes(' 409 ') || overtaken > 3) throw e;
      view = await ask<JobView>(page, `jobs/${job}`);
      state = fold(job, view.events);
    }
  }
  throw new Error('never came to it');
}

/**
 * Waits until the server has heard of what was done on the screen: it goes on before its outbox is empty.
 * @throws Error when that never comes
 */
export async function heard(page: Page, job: string, of: (state: BenchState) => boolean): Promise<void> {
  for (let i = 0; i < 100; i += 1) {
    if (of(fold(job, (await jobOf(page, job)).events))) return;
    await new Promise((done) => setTimeout(done, 100));
  }
  throw new Error(`the server never heard of it; the screen says: ${await text(page, 'body')}`);
}

/** The figure that a panel asks for, in the middle of what it accepts. */
export async function wanted(page: Page): Promise<string> {
  const says = (await text(page, '.op p')).replaceAll('\u202f', ' ');
  const made = /New ([\d.]+) ([^\s,]+)/.exec(says);
  if (made) return `${made[1]} ${made[2]}`;
  const least = /at least ([\d.]+) ([^\s,]+)/.exec(says);
  if (least) return `${Number(least[1]) * 2} ${least[2]}`;
  const most = /at most ([\d.]+) ([^\s,]+)/.exec(says);
  if (most) return `${Number(most[1]) / 2} ${most[2]}`;
  const band = /(?:Accepted|Band) ([\d.]+) (?:to|±) ([\d.]+) ([^\s,]+)/.exec(says);
  if (!band) throw new Error(`no figure to be read in: ${says}`);
  const middle = says.includes('±') ? Number(band[1]) : (Number(band[1]) + Number(band[2])) / 2;
  return `${middle} ${band[3]}`;
}

async function blur(page: Page): Promise<void> {
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
}

/** Does whatever the move asks, on the screen: reads, chooses the good one, counts what came off, presses the button. */
export async function doMove(page: Page): Promise<void> {
  const before = await page.$eval('.mid', (e) => e.innerHTML);
  const is = async (selector: string): Promise<boolean> => (await page.$(selector)) !== null;
  // New parts come out of the shop's own stock, all that are due at once.
  if (await is('#source-words')) await page.click('.btn-go');
  else if (await is('.op .tickbox')) {
    for (const tick of await page.$$('.op .choice')) await tick.click();
    await blur(page);
    await page.keyboard.press('Enter');
  } else if (await is('.op .choice')) await (await page.$('.op .choice'))!.click();
  else if (await is('#typed')) {
    await page.type('#typed', await wanted(page));
    await page.keyboard.press('Enter');
    await blur(page);
  } else if (await is('#reason')) {
    await page.type('#reason', 'Looked at in good light');
    await press(page, '.judge-now .answers button', 'Reuse');
    await blur(page);
  } else if (await is('.counter')) {
    const [, expected] = /: (\d+) came off/.exec(await text(page, '.op')) ?? [];
    for (let i = 0; i < Number(expected ?? 8); i += 1) await page.keyboard.press('+');
    await page.keyboard.press('Enter');
  } else if ((await is('.op .btn-line')) && !(await is('.btn-go'))) await (await page.$('.op .btn-line'))!.click();
  else if ((await is('.answers button')) && !(await is('.answers [aria-pressed=true]')))
    await (await page.$('.answers button'))!.click();
  else {
    await page.waitForSelector('.btn-go:not(:disabled)');
    await page.keyboard.press((await page.$eval('.btn-go kbd', (k) => k.textContent)) === 'space' ? 'Space' : 'Enter');
  }
  await page
    .waitForFunction((b: string) => document.querySelector('.mid')?.innerHTML !== b, {}, before)
    .catch(async () => Promise.reject(new Error(`nothing moved at: ${await text(page, '.mid')}`)));
  await pulled(page);
  await still(page);
}

/** Until the simulated hand has pulled a stage through: it goes from one fastener to the next by itself, with a moment between. */
export async function pulled(page: Page): Promise<void> {
  for (let idle = 0, i = 0; idle < 6 && i < 1200; i += 1) {
    const pulls = await page.evaluate(() => document.querySelector('.op .stages') !== null);
    if (!pulls) return;
    const busy = await page.evaluate(
      () => document.querySelector('.btn-go')?.textContent?.includes('Pulling') ?? false,
    );
    idle = busy ? 0 : idle + 1;
    await new Promise((done) => setTimeout(done, 100));
  }
}

/** Until the move stands still: a good reading is taken and goes on with one press, which is drawn in two. */
export async function still(page: Page): Promise<void> {
  const drawn = (): Promise<string> => page.evaluate(() => document.querySelector('.mid')?.innerHTML ?? '');
  let before = await drawn();
  for (let same = 0, i = 0; same < 2 && i < 60; i += 1) {
    await new Promise((done) => setTimeout(done, 40));
    const now = await drawn();
    same = now === before ? same + 1 : 0;
    before = now;
  }
}

/** What is done in one go, each deed by its title: what leads up to the move, and the move. */
const titles = (page: Page): Promise<string[]> =>
  page.$$eval('.mid .lead li, .mid h2', (all) => all.map((e) => e.firstChild?.textContent ?? ''));

/** Does one move after another on the screen until the title of a deed fits. */
export async function workTo(page: Page, stop: RegExp): Promise<void> {
  await fresh(page);
  for (let i = 0; i < 200; i += 1) {
    if ((await titles(page)).some((t) => stop.test(t))) return;
    await doMove(page);
  }
  throw new Error(`never came to ${stop}: at ${await title(page)}`);
}

/** Picks up or moves what has the focus by a key, and waits until it has moved and stands still. */
export async function carried(page: Page, key: 'Space' | 'ArrowDown'): Promise<void> {
  const held = (): Promise<string> =>
    page.evaluate(() => {
      const said = document.querySelector('[id^=DndLiveRegion]')?.textContent ?? '';
      const style = document.activeElement?.closest('[style*=translate]')?.getAttribute('style') ?? '';
      return said.includes(' over ') ? `${said} ${style}` : '';
    });
  const before = await held();
  await page.keyboard.press(key);
  // What is carried glides, and the page scrolls after it: set down on the way it would go elsewhere.
  let last = before;
  for (let same = 0, i = 0; i < 200; i += 1) {
    await new Promise((r) => setTimeout(r, 50));
    const now = await held();
    same = now === last && now !== '' && now !== before ? same + 1 : 0;
    if (same >= 5) return;
    last = now;
  }
  throw new Error(`nothing moved by ${key}: ${before}`);
}
