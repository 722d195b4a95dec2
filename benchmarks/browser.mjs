// What a slow shop tablet feels: a bench with 1,000 events and a Floor with 60 jobs, opened in the real browser with the
// processor slowed to a quarter. Fold, layout and paint; what the screen needs is in the browser already.
import { randomUUID } from 'node:crypto';
import 'reflect-metadata';
import puppeteer from 'puppeteer-core';
import { DataSource } from 'typeorm';
import { makeApp } from '../apps/server/dist/app.js';
import { readConfig } from '../apps/server/dist/config/config.js';
import { loadDemo } from '../apps/server/dist/demo/demo.js';
import { BookingService } from '../apps/server/dist/jobs/booking.service.js';
import { JobsService } from '../apps/server/dist/jobs/jobs.service.js';
import { SheetsService } from '../apps/server/dist/sheets/sheets.service.js';
import { heldMs } from './lib/goals.mjs';

const EVENTS = 1000;
const JOBS = 60;
const SLOW = 4;
const TURNS = 9;

const app = await makeApp(readConfig({ ...process.env }));
await app.get(SheetsService).loadLibrary();
await loadDemo(app, new Date());
await app.listen(0, '127.0.0.1');
const base = `http://127.0.0.1:${app.getHttpServer().address().port}`;
const jobs = app.get(JobsService);
const [person] = await app.get(DataSource).query(`SELECT id, name, initials FROM person WHERE name LIKE 'Magnus%'`);
const asker = () => ({ person, at: new Date(), device: 'bench' });
for (let n = (await jobs.floor()).jobs.length; n < JOBS; n += 1)
  await app.get(BookingService).book(
    {
      commandId: randomUUID(),
      customerName: `Customer ${n % 9}`,
      serial: `B-${n}`,
      sheet: 'axle-clip',
      complaint: 'growls',
      answers: [],
    },
    asker(),
  );
const job = (await jobs.floor()).jobs.find((j) => j.place === 'E').id;
let seen = (await jobs.view(job)).events.length;
for (; seen < EVENTS; seen += 1)
  await jobs.command(
    job,
    {
      id: randomUUID(),
      seen,
      at: new Date().toISOString(),
      device: 'bench',
      command: { type: 'note', text: `note ${seen}` },
    },
    asker(),
  );

const browser = await puppeteer.launch({
  executablePath: '/usr/bin/chromium',
  headless: true,
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
  defaultViewport: { width: 1280, height: 800 },
});
const page = await browser.newPage();
await page.goto(base);
await page.waitForSelector('.names button');
await page.evaluate(() =>
  [...document.querySelectorAll('.names button')].find((e) => e.textContent.includes('Magnus')).click(),
);
await page.waitForSelector('#pin');
await page.type('#pin', '2222');
await page.keyboard.press('Enter');
await page.waitForSelector('.place-row');

/** ms from the press of a link until what it leads to stands on the screen, painted. */
const opened = (link, there) =>
  page.evaluate(
    async (l, t) => {
      const from = performance.now();
      document.querySelector(l).click();
      while (!document.querySelector(t)) await new Promise((r) => setTimeout(r, 0));
      // Two frames: the first is laid out and painted by the time that the second begins.
      await new Promise((r) => requestAnimationFrame(() => requestAnimationFrame(r)));
      return performance.now() - from;
    },
    link,
    there,
  );

/** The longest that the page was held up while a week of that many jobs is planned beside it, ms. */
const held = async () => {
  await page.evaluate(() => {
    window.held = 0;
    new PerformanceObserver((l) => {
      for (const e of l.getEntries()) window.held = Math.max(window.held, e.duration);
    }).observe({ type: 'longtask' });
    document.querySelector('.rail a[href="/plan"]').click();
  });
  await page.waitForSelector('.lanes .planbar');
  await page.evaluate(() => (window.held = 0));
  await page.waitForFunction(() => !document.querySelector('.planside .btn-go')?.textContent.includes('Planning'));
  return page.evaluate(() => window.held);
};
const median = (t) => t.toSorted((a, b) => a - b)[Math.floor(t.length / 2)];
const bench = `a[href="/job/${job}"]`;
const there = '.benchmain .mid h2';
// Once at full speed, so that code and data are in the browser; a small screen of the same run is the baseline.
await opened(bench, there);
await opened('.rail a.word', '.place-row');
await opened('.rail a[href="/verify"]', 'input[type=file]');
await opened('.rail a.word', '.place-row');
await page.emulateCPUThrottling(SLOW);
const times = { bench: [], floor: [], small: [] };
for (let i = 0; i < TURNS; i += 1) {
  times.bench.push(await opened(bench, there));
  times.floor.push(await opened('.rail a.word', '.place-row'));
  times.small.push(await opened('.rail a[href="/verify"]', 'input[type=file]'));
  await opened('.rail a.word', '.place-row');
}
const small = median(times.small);
console.log(`baseline: a small screen, ${SLOW} × slowed: ${small.toFixed(0)} ms`);
for (const [name, t] of [
  [`bench with ${seen} events`, times.bench],
  [`Floor with ${JOBS} jobs`, times.floor],
])
  heldMs(`${name} opens, ${SLOW} × slowed, ${(median(t) / small).toFixed(1)} × baseline`, median(t), 300);
/** ms of one turn of the drawing of the unit: geometry, page and layout; the frame that shows it comes after. */
const turned = () =>
  page.evaluate(async () => {
    const said = () => document.querySelector('.unitdrawing')?.getAttribute('aria-label');
    const before = said();
    const from = performance.now();
    window.dispatchEvent(new KeyboardEvent('keydown', { key: 'x', bubbles: true, cancelable: true }));
    for (let i = 0; i < 20 && said() === before; i += 1) await new Promise((r) => setTimeout(r, 0));
    document.querySelector('.unitdrawing')?.getBoundingClientRect();
    return { took: performance.now() - from, drawn: said() !== undefined && said() !== before };
  });
/** The first bench of the Floor whose move draws the unit whole, opened; undefined where none does. */
const openDrawn = async () => {
  await opened('.rail a.word', '.place-row');
  const links = await page.$$eval('a[href^="/job/"]', (all) => [...new Set(all.map((a) => a.getAttribute('href')))]);
  for (const link of links.filter((l) => /^\/job\/[^/]+$/.test(l))) {
    await opened(`a[href="${link}"]`, '.benchmain');
    if (await page.$('.unitdrawing g[role=button]')) return page.$$eval('.unitdrawing g.part', (all) => all.length);
    await opened('.rail a.word', '.place-row');
  }
  return undefined;
};
const parts = await openDrawn();
const turns = [];
/** What of a trace is painting, once layout is done. */
const PAINTING = new Set(['PrePaint', 'Paint', 'Layerize']);
const paints = [];
for (let i = 0; i < 15 && parts !== undefined; i += 1) {
  await page.tracing.start({ categories: ['devtools.timeline'] });
  const { took, drawn } = await turned();
  await page.evaluate(() => new Promise((r) => requestAnimationFrame(() => requestAnimationFrame(r))));
  const { traceEvents } = JSON.parse(new TextDecoder().decode(await page.tracing.stop()));
  if (!drawn) continue;
  turns.push(took);
  // Its parts then glide, a frame at a time, each painted anew: what counts is whether a frame is in time.
  const painting = traceEvents.filter((e) => PAINTING.has(e.name) && e.dur);
  const frames = painting.filter((e) => e.name === 'Layerize').length;
  paints.push(painting.reduce((sum, e) => sum + e.dur / 1000, 0) / Math.max(1, frames));
}
if (turns.length > 0) {
  const [turn, paint] = [median(turns), median(paints)];
  heldMs(`the unit, ${parts} parts, is painted, a frame, ${SLOW} × slowed`, paint, 16, 1);
  console.log(
    `it is turned from section to row, geometry, page and layout, ${SLOW} × slowed: ${turn.toFixed(1)} ms, ${(turn / small).toFixed(1)} × baseline`,
  );
} else {
  console.log('MISS  no move of the Floor draws the unit: nothing was measured');
  process.exitCode = 1;
}
await opened('.rail a.word', '.place-row');
await page.emulateCPUThrottling(1);
await held();
await opened('.rail a.word', '.place-row');
const longest = await held();
heldMs(`a week of ${JOBS} jobs is planned: the page is held up for at most`, longest, 50);
await browser.close();
await app.close();
