// Proving and the record, against goals, beside a baseline of the same run: a record verified, a run judged, a PDF set.
import { createHash, generateKeyPairSync, sign } from 'node:crypto';
import { readFileSync } from 'node:fs';
import {
  buildRecord,
  chain,
  decide,
  emptyBench,
  figuresFor,
  firstHash,
  judgeRun,
  keptWave,
  rehearse,
  runFrom,
} from '@jubb/core/bench';
import { signedText, verifyExport } from '@jubb/core/bench/verify';
import { readGoodSheet } from '@jubb/core/sheet/read';
import { pdf } from '../apps/server/dist/pdf/pdf.js';
import { recordPdf } from '../apps/server/dist/records/record-pdf.js';
import { runStand } from '../apps/stand-ins/dist/stands/index.js';
import { heldMs } from './lib/goals.mjs';

const library = (name) =>
  readGoodSheet(readFileSync(new URL(`../library/${name}.yaml`, import.meta.url), 'utf8'), name);
const sheet = library('hub-dolly');
const keys = generateKeyPairSync('ed25519');
const publicKey = keys.publicKey.export({ type: 'spki', format: 'der' }).subarray(-32).toString('hex');

/** An exported job of about `n` events: one whole job, moved about a great deal. */
function exported(n) {
  let state = emptyBench('j');
  const events = [];
  const give = (command) => {
    const who = { id: 'p', name: 'P', initials: 'P' };
    const at = new Date(Date.UTC(2026, 0, 1, 8, 0, events.length)).toISOString();
    const outcome = decide(
      state,
      sheet,
      { id: `c${events.length}`, job: 'j', who, at, device: 'd', command },
      { drawers: {} },
    );
    if (!outcome.ok) throw new Error(outcome.refusal.says);
    events.push(...outcome.events);
    state = outcome.state;
  };
  give({
    type: 'book',
    number: 1,
    customer: { id: 'c', name: 'C' },
    unit: { id: 'u', serial: 's', model: 'm' },
    sheet: { id: sheet.id, revision: sheet.revision, title: '', hash: '' },
    complaint: 'x',
    deliveryDate: null,
    spendLimitMinor: null,
    variant: 'six-stud',
    identified: [],
    earlierVisits: 0,
  });
  const next = () => rehearse(sheet, state, { drawers: {} });
  for (let c = next(); c.type !== 'sign-off'; c = next()) give(c);
  for (let i = 0; events.length < n - 2; i += 1) give({ type: 'move', to: i % 2 ? 'A' : 'B' });
  for (let c = next(); c; c = next()) give(c);
  const logged = chain(firstHash('j'), events);
  const head = logged.at(-1);
  const signed = { seq: head.seq, head: head.hash, at: head.at, workshop: 'W' };
  const signature = sign(null, Buffer.from(signedText('j', signed)), keys.privateKey).toString('hex');
  return JSON.parse(
    JSON.stringify({
      jubb: 'job-record/7',
      job: 'j',
      workshop: 'W',
      sheet,
      events: logged,
      signatures: [{ ...signed, signature, publicKey }],
      record: buildRecord(sheet, state),
    }),
  );
}
/** `goal`: the most that its median may take, ms; what has none is a baseline. */
const timed = async (name, times, act, goal) => {
  await act();
  const took = [];
  for (let i = 0; i < times; i += 1) {
    const from = performance.now();
    await act();
    took.push(performance.now() - from);
  }
  const median = took.sort((a, b) => a - b)[times >> 1];
  if (goal === undefined) console.log(`${name}: median ${median.toFixed(1)} ms, worst ${took.at(-1).toFixed(1)} ms`);
  else heldMs(`${name}, worst ${took.at(-1).toFixed(1)} ms`, median, goal, 1);
  return median;
};

const large = exported(10_000);
const base = await timed('baseline: JSON and one sha256 of 10,000 events', 5, () =>
  createHash('sha256').update(JSON.stringify(large.events)).digest('hex'),
);
const verified = await timed(
  'verify of 10,000 events',
  5,
  () => {
    const result = verifyExport(large, [publicKey]);
    const wrong = result.checks.find((c) => !c.good && c.what !== 'sheet');
    if (wrong) throw new Error(`it does not verify: ${JSON.stringify(wrong)}`);
  },
  1000,
);
console.log(`  ${(verified / base).toFixed(1)} × baseline`);

const output = library('alternator-brushpin').tests.output;
const stand = runStand({ kind: 'alternator', unit: 'b', figures: figuresFor(output) }, 'open-diode', Math.random);
await timed(
  `a second at 50 kHz (${stand.wave.length} samples) to its verdict`,
  9,
  () => {
    const outcome = judgeRun(output, runFrom('alternator', stand.points, keptWave(stand.wave), stand.done));
    if (!outcome.tells.includes('open-diode')) throw new Error('it was not told');
  },
  100,
);

const thousand = exported(1000);
await timed(
  'record PDF of a 1,000-event job, in full',
  3,
  async () => pdf(await recordPdf(thousand, 'workshop', 'http://127.0.0.1/unit/u', [])),
  2000,
);
