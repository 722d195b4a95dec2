// Append of a command (fold from cache, decide, chain, event, projection, notify: one transaction) against a bare INSERT
// of the same event in its own transaction, in turns, on the same database.
import { randomUUID } from 'node:crypto';
import 'reflect-metadata';
import { DataSource } from 'typeorm';
import { makeApp } from '../apps/server/dist/app.js';
import { readConfig } from '../apps/server/dist/config/config.js';
import { JobsService } from '../apps/server/dist/jobs/jobs.service.js';
import { SheetsService } from '../apps/server/dist/sheets/sheets.service.js';
import { loadDemo } from '../apps/server/dist/demo/demo.js';
import { held } from './lib/goals.mjs';

const app = await makeApp(readConfig({ ...process.env, JUBB_WEB: undefined }));
await app.get(SheetsService).loadLibrary();
await loadDemo(app, new Date());
const jobs = app.get(JobsService);
const db = app.get(DataSource);
const { jobs: lines } = await jobs.floor();
const job = lines.find((j) => j.stage !== 'booked' && j.place).id;
const person = { id: randomUUID(), name: 'Bench', initials: 'B' };
await db.query('CREATE TABLE bare (LIKE job_event INCLUDING DEFAULTS INCLUDING CONSTRAINTS INCLUDING INDEXES)');
let seen = (await jobs.view(job)).events.length;
const TURNS = 400;
const WARM = 40;
const times = { command: [], bare: [] };
for (let i = 0; i < TURNS + WARM; i += 1) {
  const envelope = {
    id: randomUUID(),
    seen,
    at: new Date().toISOString(),
    device: 'bench',
    command: { type: 'note', text: `note ${i}` },
  };
  let from = performance.now();
  const { events } = await jobs.command(job, envelope, { person, at: new Date(), device: 'bench' });
  if (i >= WARM) times.command.push(performance.now() - from);
  const e = events.at(-1);
  seen = e.seq;
  from = performance.now();
  await db.query(
    'INSERT INTO bare (job_id, seq, id, type, v, payload, who, at, device, command, hash) VALUES ($1,$2,$3,$4,$5,$6,$7,$8,$9,$10,$11)',
    [job, e.seq, e.id, e.type, e.v, e.payload, e.who, e.at, e.device, e.command, e.hash],
  );
  if (i >= WARM) times.bare.push(performance.now() - from);
}
const median = (t) => t.toSorted((a, b) => a - b)[Math.floor(t.length / 2)];
const [command, bare] = [median(times.command), median(times.bare)];
console.log(`baseline: bare INSERT of an event: ${bare.toFixed(3)} ms`);
held(
  `append of a command to a log of ${seen}`,
  `${command.toFixed(3)} ms, ${(command / bare).toFixed(2)} × baseline`,
  '2 ×',
  command <= 2 * bare,
);
await app.close();
