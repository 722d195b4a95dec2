// npm run pictures -- http://127.0.0.1:7800 : takes docs/screenshots anew from a demo that runs there (./jubb start on a fresh --data folder).
// Units that stand at no picture's step are booked in and rehearsed to it: everything shown is invented.
import { fold, nextMove, rehearse } from '@jubb/core/bench';
import puppeteer from 'puppeteer-core';

const base = process.argv[2];
if (!base?.startsWith('http')) {
  console.error('pictures: give the address of a demo that runs, such as http://127.0.0.1:7800');
  process.exit(2);
}
const folder = new URL('../docs/screenshots/', import.meta.url).pathname;
const wait = (ms) => new Promise((r) => setTimeout(r, ms));
const browser = await puppeteer.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking', '--disable-sync'],
  defaultViewport: { width: 1280, height: 800 },
});
const page = await browser.newPage();
page.on('pageerror', (e) => {
  throw e;
});
/** Presses the first button or link with these words. */
async function press(words) {
  const found = (w) => [...document.querySelectorAll('button, a')].find((e) => e.innerText.includes(w) && !e.disabled);
  await page.waitForFunction(`(${found})(${JSON.stringify(words)})`);
  await page.evaluate(`(${found})(${JSON.stringify(words)}).click()`);
}
const has = (words) => page.waitForFunction((w) => document.body.innerText.includes(w), {}, words);
/** Presses space once the wide button may be pressed. */
const space = async () => {
  await page.waitForSelector('.btn-go:not([disabled])');
  await page.keyboard.press('Space');
};
const fresh = () => page.waitForSelector('main.bench[aria-busy=false] .mid h2');

async function ask(path, body) {
  const answer = await page.evaluate(
    async (p, b) => {
      const r = await fetch(
        `/api/${p}`,
        b && { method: 'POST', body: b, headers: { 'content-type': 'application/json' } },
      );
      return { ok: r.ok, json: await r.json() };
    },
    path,
    body && JSON.stringify(body),
  );
  if (!answer.ok) throw new Error(`${path}: ${JSON.stringify(answer.json)}`);
  return answer.json;
}
/** Books a unit in and rehearses it until `there(move, state)`. */
async function unit(customerName, serial, sheet, complaint, answers, there, figures = {}) {
  const { id } = await ask('jobs', {
    commandId: crypto.randomUUID(),
    customerName,
    serial,
    sheet,
    complaint,
    answers: answers.map((answer, question) => ({ question, answer })),
  });
  for (let i = 0; i < 600; i += 1) {
    const view = await ask(`jobs/${id}`);
    const state = fold(id, view.events);
    const move = nextMove(view.sheet, state);
    if (there(move, state)) return id;
    const command = rehearse(view.sheet, state, { drawers: view.drawers }, { impatience: 'a picture', ...figures });
    if (!command) throw new Error(`${sheet}: nothing is left to rehearse at ${JSON.stringify(move.op ?? move)}`);
    await ask(`jobs/${id}/commands`, {
      id: crypto.randomUUID(),
      seen: state.seq,
      at: new Date().toISOString(),
      device: 'pictures',
      command,
    });
  }
  throw new Error(`${sheet} never came to its picture`);
}
const atOp =
  (kind, more = () => true) =>
  (move) =>
    move.kind === 'op' && move.op.kind === kind && more(move);

async function shot(name) {
  await wait(400);
  await page.screenshot({ path: `${folder}${name}.png` });
  console.log(name);
}
async function open(path, name, ready = () => wait(900)) {
  await page.goto(`${base}${path}`);
  await ready();
  if (name) await shot(name);
}

await page.goto(base);
await press('Magnus Sorley');
await page.waitForSelector('#pin');
await page.type('#pin', '2222');
await page.keyboard.press('Enter');
await page.waitForSelector('.place-row');
await open('/', 'floor');
const { jobs } = await ask('floor');
const number = (n) => jobs.find((j) => j.number === n).id;
const over = await ask('jobs/handed-over');
await open(`/job/${number(306)}`, 'bench', fresh);
await open(`/job/${number(310)}`, 'bench-wait', fresh);
await open(`/job/${number(311)}/return`, 'return');
await open(`/job/${number(318)}/findings`, 'findings');
await open('/parts', 'parts');
await open('/reckoner/wrench-setting', 'reckoner');
await open('/sheets/axle-pinion', 'sheet');
await open(`/job/${over.find((j) => j.number === 301).id}/record`, 'record');
await open(`/unit/${over.find((j) => j.number === 317).unitId}`, 'unit');
await open('/plan', 'plan', async () => {
  await page.waitForSelector('.lanes .planbar');
  await page.waitForFunction(() => !document.querySelector('.planside .btn-go')?.textContent.includes('Planning'));
});

await open('/book');
await page.type('#serial', 'BT-0418');
await press('BT-0418');
await page.type('#complaint', 'Squeals again after a wash');
await press('What can be promised?');
await has('95 times in 100');
await shot('book-in');

await open('/stands');
await press('open diode');
await wait(700);
await press('Run');
await page.waitForSelector('.proof');
await shot('stands');

const brushes = { reading: () => undefined };
const alternator = await unit('Tarn Slate Quarry', 'BA-8102', 'alternator-brushpin', 'Flat battery by noon', ['3', 'grey'], atOp('test', (m) => m.op.moment === 'now'), brushes); // prettier-ignore
await open(`/job/${alternator}`, undefined, fresh);
await space();
await page.waitForFunction(() => document.querySelector('.btn-go')?.textContent.includes('Keep this run'));
await page.keyboard.press('Enter');
await has('What could be behind it');
await shot('bench-prove');
await open('/stands');
await press('Nothing wrong');

await open(`/job/${number(321)}`, undefined, fresh);
for (const says of ['The trial weight is in', 'The trial weight is in', 'The weights are on']) {
  await space();
  await page.waitForFunction((w) => document.querySelector('.btn-go')?.textContent.includes(w), {}, says);
  await wait(600);
}
await shot('bench-balance');

const seal = await unit('Flower Market Co-op', '20591', 'hub-dolly', 'Grease on the tyre', ['65.1 mm'], (m, s) => m.kind === 'op' && ['press', 'seal'].includes(m.op.kind) && m.op.part === 'seal' && s.sources.seal !== undefined, { choice: (m) => (m === 'lip-depth' ? 'deeper' : undefined), groove: 'yes' }); // prettier-ignore
await open(`/job/${seal}`, 'bench-seal', fresh);

const cap = await unit('Skerrow Airfield', '20588', 'hub-dolly', 'Leaks grease', ['65.3 mm'], atOp('tighten', (m) => m.op.joint === 'cap-bolts')); // prettier-ignore
await open(`/job/${cap}`, undefined, fresh);
for (let i = 0; i < 3; i += 1) {
  await space();
  await wait(2600);
}
await shot('bench-tighten');

const bore = await unit('Council Depot', 'PC-0351', 'compressor-twin', 'Slow to fill', ['none'], atOp('measure', (m) => m.op.measure.startsWith('bore'))); // prettier-ignore
await open(`/job/${bore}`, undefined, fresh);
for (let i = 0; i < 3; i += 1) {
  await space();
  await wait(900);
}
await shot('bench-measure');

const gears = await unit('Tarn Slate Quarry', 'DS-7731', 'differential-side', 'Whines on the overrun', [], atOp('set')); // prettier-ignore
await open(`/job/${gears}`, undefined, fresh);
for (let i = 0; i < 4; i += 1) {
  await space();
  await wait(900);
}
await shot('bench-set');
await browser.close();
