// npm run bench:data: a generated workshop of 50,000 jobs, and how long Parts and History take at the server.
import pg from 'pg';
import 'reflect-metadata';
import { held, heldMs } from './lib/goals.mjs';

const JOBS = 50_000;
const ROUNDS = 30;
const { makeApp } = await import('../apps/server/dist/app.js');
const { readConfig } = await import('../apps/server/dist/config/config.js');
const { loadDemo } = await import('../apps/server/dist/demo/demo.js');
const { SheetsService } = await import('../apps/server/dist/sheets/sheets.service.js');
const { PartsService } = await import('../apps/server/dist/parts/parts.service.js');
const { UnitsService } = await import('../apps/server/dist/units/units.service.js');

const app = await makeApp(readConfig({ ...process.env, JUBB_LOG: 'silent' }));
await app.get(SheetsService).loadLibrary();
await loadDemo(app, new Date());
const client = new pg.Client({ connectionString: process.env.DATABASE_URL });
await client.connect();
// Every job is a copy of one that was handed over, log and all, on a unit of its own or one of ten visits of one unit.
const [{ id, number }] = (
  await client.query(`SELECT id, number FROM job WHERE stage = 'handed-over' ORDER BY seq DESC LIMIT 1`)
).rows;
await client.query('ALTER TABLE job_event DISABLE TRIGGER ALL');
await client.query(
  `WITH u AS (
     INSERT INTO unit (serial, model, sheet, customer_id)
     SELECT 'X-' || n, unit.model, unit.sheet, unit.customer_id FROM generate_series(1, ${JOBS / 10}) n, unit
     WHERE unit.id = (SELECT unit_id FROM job WHERE id = $1) RETURNING id
   ), numbered AS (SELECT id, row_number() OVER () AS n FROM u)
   INSERT INTO job (id, number, unit_id, customer_id, sheet, revision, title, complaint, seq, head, signatures, stage, progress,
     next_move, minutes_left, aids_in, parts_off, hold, delivery_date, place, notices, updated_at, visit)
   SELECT gen_random_uuid(), 100000 + (numbered.n - 1) * 10 + nth, numbered.id, j.customer_id, j.sheet, j.revision, j.title, j.complaint,
     j.seq, j.head, j.signatures, j.stage, j.progress, j.next_move, j.minutes_left, j.aids_in, j.parts_off, j.hold, j.delivery_date, NULL,
     j.notices, j.updated_at, j.visit
   FROM numbered, generate_series(0, 9) nth, job j WHERE j.id = $1`,
  [id],
);
await client.query(
  `INSERT INTO job_event (job_id, seq, id, type, v, payload, who, at, device, command, hash)
   SELECT job.id, e.seq, e.id, e.type, e.v, e.payload, e.who, e.at, e.device, e.command, e.hash
   FROM job, job_event e WHERE job.number >= 100000 AND job.number < 102000 AND e.job_id = $1`,
  [id],
);
await client.query(
  `INSERT INTO order_line (line, order_ref, job_id, number, title, count, supplier, kit, parts, state, ordered_at, arrived_at, expected)
   SELECT gen_random_uuid(), 'r' || number, id, 'N-' || number, 'Part', 1, 'S', false, '[]',
     CASE WHEN number % 250 = 0 THEN 'on-its-way' ELSE 'arrived' END, now() - interval '400 days',
     CASE WHEN number % 250 = 0 THEN NULL ELSE now() - interval '300 days' END, now()
   FROM job WHERE number >= 100000`,
);
// Visits of before this version have nothing kept: History reads their logs, once.
await client.query('UPDATE job SET visit = NULL WHERE number BETWEEN 101000 AND 101999');
await client.query('ANALYZE');
const units = (
  await client.query(`SELECT unit_id AS id FROM job WHERE number BETWEEN 100000 AND 101990 AND number % 10 = 0`)
).rows;
const time = async (what, goal, run) => {
  const times = [];
  for (let i = 0; i < ROUNDS; i += 1) {
    const from = performance.now();
    await run(i);
    times.push(performance.now() - from);
  }
  times.sort((a, b) => a - b);
  heldMs(`${what}, median (worst of ${ROUNDS} ${times.at(-1).toFixed(0)} ms)`, times[ROUNDS / 2], goal);
};
console.log(`${JOBS} jobs, copies of job ${number}, with ${units.length} units whose logs are whole`);
await time('Parts', 100, () => app.get(PartsService).view());
await time('History of a unit, ten visits', 100, (i) => app.get(UnitsService).get(units[i].id));
await time('History of ten visits of an older version, first time', 100, (i) =>
  app.get(UnitsService).get(units[units.length / 2 + i].id),
);
const { CatalogueService } = await import('../apps/server/dist/parts/catalogue.service.js');
const LINES = 100_000;
const rows = ['number,title,price,supplier'];
for (let i = 0; i < LINES; i += 1) rows.push(`N-${i},Part ${i},${(i % 900) + 0.45},House ${i % 7}`);
const before = process.resourceUsage().maxRSS / 1024;
const from = performance.now();
const { added } = await app.get(CatalogueService).priceList(rows.join('\n'), 'S', true);
const seconds = (performance.now() - from) / 1000;
const mb = process.resourceUsage().maxRSS / 1024;
held(
  `price list of ${added} lines taken in by the server`,
  `${seconds.toFixed(1)} s, ${(mb - before).toFixed(0)} MB over the ${before.toFixed(0)} MB of before`,
  '20 s, 300 MB',
  seconds <= 20 && mb - before <= 300,
);
await client.end();
await app.close();
