import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { HTTPRequest, Page } from 'puppeteer-core';
import { axeClean } from './axe.ts';
import { freePort, has, press, text, Workshop } from './workshop.ts';

jest.setTimeout(240_000);
const shop = new Workshop();
beforeAll(() => shop.open());
afterAll(() => shop.close());

const jobAt = async (place: string): Promise<string> =>
  (await shop.query<{ id: string }>(`SELECT id FROM job WHERE place = $1 AND stage <> 'handed-over'`, [place]))[0]!.id;
/** Who gave the events of a job after a sequence, in order. */
const givers = async (job: string, after: number): Promise<string[]> =>
  (
    await shop.query<{ name: string }>(
      `SELECT who->>'name' AS name FROM job_event WHERE job_id = $1 AND seq > $2 AND type <> 'rung-done' ORDER BY seq`,
      [job, after],
    )
  ).map((r) => r.name);
const commandsSince = async (job: string, after: number): Promise<string[]> =>
  (
    await shop.query<{ command: string }>(`SELECT DISTINCT command FROM job_event WHERE job_id = $1 AND seq > $2`, [
      job,
      after,
    ])
  ).map((r) => r.command);
/** Waits until the page says it, and answers how. */
async function said(page: Page, words: RegExp): Promise<RegExpExecArray> {
  for (let i = 0; i < 150; i += 1) {
    const found = words.exec(await page.evaluate(() => document.body.innerText));
    if (found) return found;
    await new Promise((r) => setTimeout(r, 200));
  }
  throw new Error(`${words} is nowhere in: ${await text(page, 'body')}`);
}
const seqOf = async (job: string): Promise<number> =>
  (await shop.query<{ seq: number }>(`SELECT seq FROM job WHERE id = $1`, [job]))[0]!.seq;
async function until(what: string, look: () => Promise<boolean>, ms = 20_000): Promise<void> {
  const end = Date.now() + ms;
  while (!(await look())) {
    if (Date.now() > end) throw new Error(`${what} never came`);
    await new Promise((r) => setTimeout(r, 100));
  }
}
const bars = (page: Page): Promise<string[]> =>
  page.$$eval('.bar', (all) => all.map((b) => (b as HTMLElement).innerText));
const gone = (page: Page): Promise<unknown> => page.waitForFunction(() => document.querySelector('.bar') === null);

/** A page signed in at a job, whose commands the test may answer itself. */
async function at(
  place: string,
  name = 'Magnus Sorley',
  pin = '2222',
): Promise<{ page: Page; job: string; answer: { commands?: 'fail' | number } }> {
  const page = await shop.page();
  await shop.signIn(page, name, pin);
  await page.waitForSelector('.place-row');
  const job = await jobAt(place);
  await shop.openBench(page, job);
  const answer: { commands?: 'fail' | number } = {};
  await page.setBypassServiceWorker(true);
  await page.setRequestInterception(true);
  page.on('request', (request: HTTPRequest) => {
    const own = request.url().endsWith('/commands');
    if (!own || answer.commands === undefined) return void request.continue();
    if (answer.commands === 'fail') return void request.abort('connectionfailed');
    const { commands: status } = answer;
    return void request.respond({
      status,
      contentType: 'application/problem+json',
      body: JSON.stringify({ type: 'about:blank', title: 'x', status, detail: 'Something broke here.' }),
    });
  });
  return { page, job, answer };
}
/** Gives what the wide button says, and waits until the screen has taken it. */
async function go(page: Page): Promise<void> {
  const before = await text(page, '.mid');
  await page.keyboard.press('Enter');
  await page.waitForFunction((b: string) => document.querySelector('.mid')?.textContent !== b, {}, before);
}
async function changeHands(page: Page, name: string, pin: string): Promise<void> {
  await page.click('button[aria-label*="change whose hands"]');
  await page.waitForSelector('.hands .names button');
  await press(page, '.hands .names button', name);
  await page.type('#pin', pin);
  await page.keyboard.press('Enter');
  await page.waitForFunction(() => document.querySelector('.hands') === null);
}

describe('hands are changed while work waits', () => {
  test.each<[string, string, string]>([
    ['to one who may give it', 'Ailsa Brock', '3333'],
    ['to one who may not', 'Tam Veitch', '4444'],
  ])('%s: it waits for its giver, is told of, and lands under the right name', async (_, other, pin) => {
    const { page, job, answer } = await at('C');
    const before = await seqOf(job);
    answer.commands = 'fail';
    await go(page);
    await has(page, 'No line to the server. 1 entry is kept on this device');
    await changeHands(page, other, pin);
    delete answer.commands;
    await said(
      page,
      /(1 entry of Magnus Sorley waits|\d+ entries of Magnus Sorley wait) here until Magnus Sorley signs in\./,
    );
    await axeClean(page);
    // Each time that the app begins it tries what waits.
    for (let i = 0; i < 2; i += 1) {
      await page.reload();
      await said(page, /here until Magnus Sorley signs in\./);
    }
    expect(await seqOf(job)).toBe(before);
    expect((await bars(page)).join()).not.toContain('Refused');
    await changeHands(page, 'Magnus Sorley', '2222');
    await until('the entry', async () => (await seqOf(job)) > before);
    expect(await givers(job, before)).toEqual(['Magnus Sorley']);
    await gone(page);
  });

  test('the names come at once, and a wrong PIN leaves the old hands signed in', async () => {
    const page = await shop.page();
    await shop.signIn(page);
    await page.waitForSelector('.place-row');
    await page.click('button[aria-label*="change whose hands"]');
    await page.waitForSelector('.hands .names button');
    await axeClean(page);
    await press(page, '.hands .names button', 'Ailsa Brock');
    await page.type('#pin', '9999');
    await page.keyboard.press('Enter');
    await has(page, 'That is not the PIN');
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => document.querySelector('.hands') === null);
    expect(await page.$('button[aria-label^="MS, Magnus Sorley"]')).not.toBeNull();
    expect(await page.evaluate(async () => (await fetch('/api/me')).status)).toBe(200);
  });
});

describe('a session that has ended', () => {
  test('is said, with what waits; signed in again, it lands', async () => {
    const { page, job } = await at('C');
    const before = await seqOf(job);
    await shop.query(`UPDATE session SET ended_at = now() WHERE ended_at IS NULL`);
    await page.keyboard.press('Enter');
    await has(page, 'Whose hands?');
    await said(
      page,
      /(1 entry of Magnus Sorley waits|\d+ entries of Magnus Sorley wait) here until Magnus Sorley signs in\./,
    );
    await press(page, '.names button', 'Magnus Sorley');
    await page.type('#pin', '2222');
    await page.keyboard.press('Enter');
    await until('the entry', async () => (await seqOf(job)) > before);
    expect(new Set(await givers(job, before))).toEqual(new Set(['Magnus Sorley']));
  });
});

describe('two tabs of one browser without a line', () => {
  test('neither loses what the other was given; each lands once', async () => {
    const one = await shop.page();
    await shop.signIn(one);
    await one.waitForSelector('.place-row');
    const two = await one.browserContext().newPage();
    const jobs = [await jobAt('A'), await jobAt('C')] as const;
    const before = [await seqOf(jobs[0]), await seqOf(jobs[1])] as const;
    for (const [i, page] of [one, two].entries()) {
      await page.bringToFront();
      await page.goto(`${shop.base}/job/${jobs[i]!}`);
      await page.waitForSelector('main.bench[aria-busy=false] .btn-go');
    }
    for (const page of [one, two]) await page.setOfflineMode(true);
    for (const page of [one, two, one, two]) {
      await page.bringToFront();
      await go(page);
    }
    // A press may give several, each its own entry; both tabs know of all of them.
    const kept = Number((await said(two, /(\d+) entries are kept on this device/))[1]);
    expect(kept).toBeGreaterThanOrEqual(4);
    await said(one, new RegExp(`${kept} entries are kept on this device`));
    for (const page of [one, two]) await page.setOfflineMode(false);
    const landed = async (): Promise<number> => {
      const each = await Promise.all(([0, 1] as const).map((i) => commandsSince(jobs[i], before[i])));
      return each.flat().length;
    };
    await until('all of them', async () => (await landed()) >= kept);
    // A tab that nobody looks at asks for no line; as soon as it is looked at it knows.
    for (const page of [one, two]) {
      await page.bringToFront();
      await gone(page);
    }
    expect(await landed()).toBe(kept);
  });
});

describe('a browser that cannot keep anything', () => {
  test('sends at once, and says that what waits is not kept', async () => {
    const page = await shop.page();
    await page.evaluateOnNewDocument(() => {
      const open = Reflect.get(IDBFactory.prototype, 'open');
      IDBFactory.prototype.open = function (this: IDBFactory, name: string, version?: number) {
        if (name.startsWith('jubb-outbox')) throw new DOMException('no room', 'QuotaExceededError');
        return open.call(this, name, version);
      };
    });
    await shop.signIn(page);
    await page.waitForSelector('.place-row');
    const job = await jobAt('C');
    await shop.openBench(page, job);
    const before = await seqOf(job);
    await page.keyboard.press('Enter');
    await until('the entry', async () => (await seqOf(job)) > before);
    await page.setOfflineMode(true);
    await go(page);
    await said(page, /(1 entry|\d+ entries) could not be kept: this browser cannot write\./);
    expect((await bars(page)).join()).not.toMatch(/(is|are) kept/);
    const then = await seqOf(job);
    await page.setOfflineMode(false);
    await until('the second', async () => (await seqOf(job)) > then);
    await gone(page);
  });
});

describe('a server that is not well', () => {
  test('one command that always breaks is set aside and shown; the next go on; it can be left out', async () => {
    const { page, job, answer } = await at('C');
    const before = await seqOf(job);
    answer.commands = 500;
    await go(page);
    const began = Date.now();
    await page.waitForSelector('.bar');
    expect(Date.now() - began).toBeLessThan(6000);
    await has(page, 'Set aside');
    await axeClean(page);
    delete answer.commands;
    // Another job goes on meanwhile.
    const other = await jobAt('A');
    const otherBefore = await seqOf(other);
    await shop.openBench(page, other);
    await page.keyboard.press('Enter');
    await until('the other job’s', async () => (await seqOf(other)) > otherBefore);
    expect(await seqOf(job)).toBe(before);
    await press(page, '.bar button', 'Try again');
    await until('the one that was set aside', async () => (await seqOf(job)) > before);
    await gone(page);
  });

  test('hung, alive and silent: it is said within seconds, on whatever screen, and goes when it answers', async () => {
    const page = await shop.page();
    await shop.signIn(page);
    await page.waitForSelector('.place-row');
    shop.freezeServer();
    const began = Date.now();
    await has(page, 'The server does not answer.');
    expect(Date.now() - began).toBeLessThan(8000);
    shop.thawServer();
    await gone(page);
  });

  test('a screen that breaks says so and leads on; nothing else breaks with it', async () => {
    const page = await shop.page();
    await shop.signIn(page);
    await page.waitForSelector('.place-row');
    await page.setBypassServiceWorker(true);
    await page.setRequestInterception(true);
    let bad = true;
    page.on('request', (request: HTTPRequest) =>
      bad && request.url().endsWith('/api/parts')
        ? void request.respond({ status: 200, contentType: 'application/json', body: '{"coming": 7}' })
        : void request.continue(),
    );
    await press(page, 'nav a', 'Parts');
    await has(page, 'This screen broke');
    await axeClean(page);
    bad = false;
    await press(page, 'nav a', 'Plan');
    await page.waitForFunction(() => !document.body.innerText.includes('This screen broke'));
    await press(page, 'nav a', 'Parts');
    await has(page, 'Drawers');
  });

  test('what another build had kept is not fed to this one', async () => {
    const page = await shop.page();
    await shop.signIn(page);
    await page.waitForSelector('.place-row');
    // What was asked is kept a moment later; written over it stands only then.
    await until('what is kept', () =>
      page.evaluate(
        () =>
          new Promise<boolean>((resolve) => {
            const open = indexedDB.open('keyval-store');
            open.onsuccess = () => {
              if (!open.result.objectStoreNames.contains('keyval')) return resolve(false);
              const got = open.result.transaction('keyval').objectStore('keyval').count('jubb-asked');
              got.onsuccess = () => {
                open.result.close();
                resolve(got.result > 0);
              };
            };
          }),
      ),
    );
    await page.evaluate(
      () =>
        new Promise<void>((resolve, reject) => {
          const open = indexedDB.open('keyval-store');
          open.onerror = () => reject(new Error('no store'));
          open.onsuccess = () => {
            const tx = open.result.transaction('keyval', 'readwrite');
            const query = {
              queryKey: ['floor'],
              queryHash: '["floor"]',
              state: { data: { jobs: 'of old' }, status: 'success', dataUpdatedAt: Date.now() },
            };
            tx.objectStore('keyval').put(
              { buster: 'another build', timestamp: Date.now(), clientState: { mutations: [], queries: [query] } },
              'jubb-asked',
            );
            tx.oncomplete = () => resolve();
          };
        }),
    );
    await page.goto(shop.base);
    await page.waitForSelector('.place-row');
    expect(await text(page, 'body')).not.toContain('This screen broke');
  });
});

describe('another page on the same host', () => {
  let server: Server;
  afterAll(() => void server?.close());
  test('writes nothing with the cookie of whoever is signed in', async () => {
    const page = await shop.page();
    await shop.signIn(page, 'Una Reith', '1111');
    await page.waitForSelector('.place-row');
    const port = await freePort();
    server = createServer((_, response) =>
      response.setHeader('content-type', 'text/html').end('<!doctype html><title>x</title><p>elsewhere</p>'),
    ).listen(port, '127.0.0.1');
    await once(server, 'listening');
    await page.goto(`http://127.0.0.1:${port}/`);
    await page.evaluate(async (base: string) => {
      const form = new FormData();
      form.set('file', new Blob(['number,price\nEVIL-1,0.01\n']), 'x.csv');
      await fetch(`${base}/api/parts/price-list?supplier=x&apply=yes`, {
        method: 'POST',
        body: form,
        mode: 'no-cors',
        credentials: 'include',
        // What comes back that page may not see either: whether it was written is looked at below.
      }).catch(() => undefined);
    }, shop.base);
    expect(await shop.query(`SELECT 1 FROM catalogue_item WHERE number = 'EVIL-1'`)).toEqual([]);
    // From our own page the same goes through: it was the page, not the list.
    await page.goto(shop.base);
    const own = await page.evaluate(async () => {
      const form = new FormData();
      form.set('file', new Blob(['number,price\nGOOD-1,0.01\n']), 'x.csv');
      return (await fetch('/api/parts/price-list?supplier=x&apply=yes', { method: 'POST', body: form })).status;
    });
    expect(own).toBe(200);
  });
});
