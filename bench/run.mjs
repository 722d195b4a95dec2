// Benchmarks: each against a goal or a baseline of the same run. Never part of the tests.
import { readFileSync } from 'node:fs';
import { Bench } from 'tinybench';
import { decide, emptyBench, fold, rehearse } from '../packages/core/dist/bench/index.js';
import { shimStack } from '../packages/core/dist/reckoners/index.js';
import { readGoodSheet } from '../packages/core/dist/sheet/read/index.js';

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
    promise: null,
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
const events = longLog(2000);
const drawer = Array.from({ length: 12 }, (_, i) => ({ thickness: { value: 0.05 + i * 0.13, unit: 'mm' }, count: 4 }));
const bench = new Bench({ time: 1000 });
bench
  .add('baseline: JSON of the log, there and back', () => JSON.parse(JSON.stringify(events)))
  .add('fold of 2,000 events (goal 10 ms)', () => fold('j', events))
  .add('shim-stack, 12 sizes × up to 4 (goal 5 ms)', () =>
    shimStack.reckon({ needed: '1.32 mm', tolerance: '0.01 mm', drawer, maxPieces: 4 }),
  );
await bench.run();
const ms = (t) => t.result.latency?.mean ?? t.result.mean;
const base = ms(bench.tasks[0]);
for (const t of bench.tasks) console.log(`${t.name}: ${ms(t).toFixed(3)} ms, ${(ms(t) / base).toFixed(2)} × baseline`);
