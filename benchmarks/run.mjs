// Benchmarks: each against a goal or a baseline of the same run. Never part of the tests.
import { readFileSync } from 'node:fs';
import { Bench } from 'tinybench';
import { decide, emptyBench, fold, rehearse } from '@jubb/core/bench';
import { reckon, reckoners, shimStack } from '@jubb/core/reckoners';
import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { ladder } from '@jubb/core/sheet';
import { readGoodSheet } from '@jubb/core/sheet/read';
import { held, heldMs } from './lib/goals.mjs';

const sheet = readGoodSheet(readFileSync(new URL('../library/hub-dolly.yaml', import.meta.url), 'utf8'), 'hub-dolly');
const who = { id: 'p', name: 'P', initials: 'P' };
/** A log of about `n` events: one whole job, then holds set and cleared. */
function longLog(n) {
  let state = emptyBench('j');
  const events = [];
  const give = (command) => {
    const outcome = decide(
      state,
      sheet,
      { id: `c${events.length}`, job: 'j', who, at: '2026-01-01T00:00:00.000Z', device: 'd', command },
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
    sheet: { id: sheet.id, revision: 1, title: '', hash: '' },
    complaint: 'x',
    deliveryDate: null,
    spendLimitMinor: null,
    variant: 'six-stud',
    identified: [],
    earlierVisits: 0,
  });
  for (
    let c = rehearse(sheet, state, { drawers: {} });
    c && c.type !== 'sign-off';
    c = rehearse(sheet, state, { drawers: {} })
  )
    give(c);
  for (let i = 0; events.length < n; i += 1) give({ type: 'move', to: i % 2 ? 'A' : 'B' });
  return events;
}
/** A sheet of `n` rungs: groups, named constraints on the build side, operations that hang on a finding. */
function rungs(n) {
  const hub = sheet.steps.find((s) => s.id === 'build cap');
  const steps = [];
  for (let i = 0; i < n; i += 1) {
    const base = {
      rung: `r${i}`,
      title: `Rung ${i}`,
      group: `g${Math.floor(i / 12)}`,
      when: [],
      minutes: 3,
      tools: [],
      ahead: [],
    };
    const ops = (side) =>
      hub.ops.map((o, j) => ({
        ...o,
        id: `${side}/r${i}/${j}`,
        when: j % 3 === 2 ? [{ on: 'finding', subject: 'part', is: 'renew', negate: false }] : [],
      }));
    steps.push({ ...base, id: `strip r${i}`, side: 'strip', ops: ops('strip'), after: [], before: [] });
    steps.push({
      ...base,
      id: `build r${i}`,
      side: 'build',
      ops: ops('build'),
      after: i % 9 === 4 ? [`build r${i + 3}`] : [],
      before: i % 11 === 7 ? [`build r${Math.min(n - 1, i + 2)}`] : [],
    });
  }
  return { ...sheet, steps };
}
const events = longLog(2000);
const drawer = Array.from({ length: 12 }, (_, i) => ({ thickness: { value: 0.05 + i * 0.13, unit: 'mm' }, count: 4 }));
const bench = new Bench({ time: 1000 });
bench
  .add('baseline: JSON of the log, there and back', () => JSON.parse(JSON.stringify(events)))
  .add('fold of 2,000 events', () => fold('j', events))
  .add('shim-stack, 12 sizes × up to 4', () =>
    shimStack.reckon({ needed: '1.32 mm', tolerance: '0.01 mm', drawer, maxPieces: 4 }),
  );
const second = Array.from({ length: 50_000 }, (_, i) => 13.5 + 0.5 * Math.cos(0.2 * i) + 0.1 * Math.sin(3.7 * i * i));
const of = (id) => reckoners.find((r) => r.id === id);
bench
  .add('rectifier-ripple, 1 s at 50 kHz', () => reckon('rectifier-ripple', { samples: second, sampleRate: '50 kHz' }))
  .add('oring-find over all of AS568', () => reckon('oring-find', of('oring-find').checks[0].inputs))
  .add('two-plane-balance', () => reckon('two-plane-balance', of('two-plane-balance').checks[0].inputs));
// A sheet of 150 rungs with constraints on both sides, and findings that change it.
const wide = rungs(150);
let turn = 0;
bench.add('ladder of a 150-rung sheet', () =>
  ladder(wide, { variant: undefined, methods: {}, findings: { part: turn++ % 2 ? 'renew' : 'reuse' } }),
);
await bench.run();
const ms = (t) => t.result.latency?.mean ?? t.result.mean;
const base = ms(bench.tasks[0]);
for (const t of bench.tasks) console.log(`${t.name}: ${ms(t).toFixed(3)} ms, ${(ms(t) / base).toFixed(2)} × baseline`);
const took = (name) => ms(bench.tasks.find((t) => t.name === name));
for (const [name, most] of [
  ['fold of 2,000 events', 10],
  ['shim-stack, 12 sizes × up to 4', 5],
  ['rectifier-ripple, 1 s at 50 kHz', 20],
  ['ladder of a 150-rung sheet', 5],
])
  heldMs(name, took(name), most, 2);
const fold2000 = took('fold of 2,000 events') / base;
held('fold of 2,000 events, against their JSON', `${fold2000.toFixed(2)} ×`, '0.7 ×', fold2000 <= 0.7);

// Every reckoner on its first check value.
const each = new Bench({ time: 60 });
for (const r of reckoners) each.add(r.id, () => r.reckon(r.checks[0].inputs));
await each.run();
console.log('each reckoner, ms:');
console.log(
  [...each.tasks]
    .sort((a, b) => ms(b) - ms(a))
    .map((t) => `  ${t.name} ${ms(t).toFixed(4)}`)
    .join('\n'),
);

// A thousand mixed reckonings through the command, less what the command takes to start.
const command = fileURLToPath(new URL('../jubb', import.meta.url));
const small = reckoners.filter((r) => r.id !== 'rectifier-ripple');
const input = Array.from({ length: 1000 }, (_, i) => {
  const r = small[i % small.length];
  return JSON.stringify({ id: r.id, inputs: r.checks[i % r.checks.length].inputs });
}).join('\n');
const timed = (text) => {
  const from = performance.now();
  const { stdout } = spawnSync(command, ['reckon', '--batch'], { input: text, encoding: 'utf8', maxBuffer: 1 << 28 });
  return { took: performance.now() - from, lines: stdout.trimEnd().split('\n') };
};
const start = Math.min(timed('').took, timed('').took);
const batch = timed(input);
if (batch.lines.length !== 1000 || batch.lines.some((l) => l.includes('"error":{"code"')))
  throw new Error('the batch failed');
console.log(`baseline: ./jubb reckon --batch with nothing to do: ${start.toFixed(0)} ms`);
heldMs('batch of 1,000 mixed reckonings, after start-up', batch.took - start, 1000);

// Hostile inputs: the slowest single answer or refusal.
const bad = ['NaN mm', '1e309 N·m', '9'.repeat(5000), -1, 1e300, [], {}, null, '0 mm', [[[]]], 'M8'];
let slowest = { ms: 0, id: '' };
for (let round = 0; round < 3; round += 1)
  for (const r of reckoners)
    for (const name of Object.keys(r.inputs))
      for (const b of bad) {
        const from = performance.now();
        try {
          r.reckon({ ...r.checks[0].inputs, [name]: b });
        } catch (e) {
          if (e.name !== 'ReckonError' && e.constructor.name !== 'ReckonError') throw e;
        }
        const took = performance.now() - from;
        if (round > 0 && took > slowest.ms) slowest = { ms: took, id: r.id };
      }
heldMs(`slowest answer to a hostile input, ${slowest.id}`, slowest.ms, 50, 1);
