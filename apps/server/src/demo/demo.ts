import type { INestApplicationContext } from '@nestjs/common';
import { nextMove, rehearse, timerOf, type BenchState, type Command, type RehearsalFigures } from '@jubb/core/bench';
import { randomUUID } from 'node:crypto';
import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { DataSource } from 'typeorm';
import { FIRST_NAME, FIRST_WORKSHOP } from '../auth/first-owner.ts';
import { FIRST_PIN_FILE } from '../auth/auth.service.ts';
import { SigningService } from '../jobs/signing.service.ts';
import { hashPin, unguessedPin } from '../auth/pin.ts';
import { Customer } from '../customers/customer.entity.ts';
import { DrawerSize } from '../parts/drawer.entity.ts';
import { Instrument } from '../instruments/instrument.entity.ts';
import { Person } from '../auth/person.entity.ts';
import { Workshop } from '../planning/workshop.entity.ts';
import { drawersOf } from '../jobs/drawers.ts';
import { JobLog } from '../jobs/job-log.ts';
import type { Asker } from '../jobs/asker.ts';
import { JobWriter } from '../jobs/job-writer.service.ts';
import { BookingService } from '../jobs/booking.service.ts';
import { makeInvoices } from './invoices.ts';
import { attachDocuments } from './documents.ts';
import { deskJobs } from './desk-jobs.ts';
import { playDesk, stockParts } from './desk.ts';
import { otherJobs } from './other-jobs.ts';
import { keepPhoto } from './photo.ts';
import { demoDeliveryDate } from './delivery-date.ts';
import { standJobs } from './stand-jobs.ts';
import { customers, drawers, hubJobs, instruments, people, workshop, type DemoJob } from './scenario.ts';

const MINUTE = 60_000;
/** Where the demo's shop stands: as a new workshop is set up. */
const DEMO_ZONE = 'Europe/London';

/**
 * What even an empty workshop has: its name, its owner, its instruments. The owner's first PIN is made up here and written
 * to the data folder, for whoever sits at this machine; it is taken away when it is changed.
 */
export async function loadEmpty(db: DataSource, dataDir: string): Promise<boolean> {
  if ((await db.getRepository(Workshop).count()) > 0) return false;
  const pin = unguessedPin();
  await mkdir(dataDir, { recursive: true });
  await writeFile(join(dataDir, FIRST_PIN_FILE), `${pin}\n`, { mode: 0o600 });
  await db.getRepository(Workshop).insert({ id: 1, name: FIRST_WORKSHOP, currency: '£', places: [...workshop.places] });
  await db
    .getRepository(Person)
    .insert({ name: FIRST_NAME, initials: 'OW', role: 'owner', works: true, pinHash: await hashPin(pin) });
  await db.getRepository(Instrument).insert(instruments.map((i) => ({ ...i })));
  return true;
}

/** Adds the simulated instruments that came with a later release to a workshop of an earlier one. */
export async function addStandIns(db: DataSource): Promise<void> {
  const there = new Set((await db.getRepository(Instrument).find()).map((i) => i.id));
  const missing = instruments.filter((i) => !there.has(i.id)).map((i) => ({ ...i }));
  if (missing.length > 0) await db.getRepository(Instrument).insert(missing);
}

/** Loads the demo once, all in one transaction's worth of work before the server listens. Does nothing when data is there. */
export async function loadDemo(app: INestApplicationContext, now: Date): Promise<boolean> {
  const db = app.get(DataSource);
  if ((await db.getRepository(Workshop).count()) > 0) return false;
  app.get(SigningService).unnamed = workshop.name;
  for (const p of people)
    await db.getRepository(Person).insert({
      name: p.name,
      initials: p.initials,
      role: p.role,
      works: p.role === 'mechanic',
      pinHash: await hashPin(p.pin),
    });
  await db.getRepository(Customer).insert(customers.map((name) => ({ name })));
  await db
    .getRepository(DrawerSize)
    .insert(
      Object.entries(drawers).flatMap(([drawer, sizes]) =>
        sizes.map(([mm, count]) => ({ drawer, thicknessNm: Math.round(mm * 1e6), count })),
      ),
    );
  await db.getRepository(Instrument).insert(instruments.map((i) => ({ ...i })));
  await stockParts(app);
  for (const job of [...hubJobs, ...otherJobs, ...deskJobs, ...standJobs]) await play(app, job, now);
  await attachDocuments(app);
  // Last: its presence says that the demo is whole.
  await db.getRepository(Workshop).insert({ id: 1, ...workshop, places: [...workshop.places] });
  await makeInvoices(app, now);
  return true;
}

/** Plays one job of the scenario through the same commands that a person gives. */
async function play(app: INestApplicationContext, job: DemoJob, now: Date): Promise<void> {
  const db = app.get(DataSource);
  const service = app.get(JobWriter);
  const log = app.get(JobLog);
  const person = await db.getRepository(Person).findOneByOrFail({ name: job.by });
  const customer = await db.getRepository(Customer).findOneByOrFail({ name: job.customer });
  let at = new Date(now.getTime() - job.bookedMinutesAgo * MINUTE);
  const asker = (): Asker => ({ person, at, device: job.place ?? 'bench' });
  const deliveryDate = demoDeliveryDate(now, job.deliveryMinutes, DEMO_ZONE);
  const { id } = await app.get(BookingService).book(
    {
      commandId: randomUUID(),
      customerId: customer.id,
      serial: job.serial,
      sheet: job.sheet,
      complaint: job.complaint,
      deliveryDate: deliveryDate.toISOString(),
      spendLimitMinor: job.spendLimitMinor,
      place: job.place,
      answers: job.answers.flatMap((answer, question) => (answer === undefined ? [] : [{ question, answer }])),
      ...(job.opened ? { opened: { ...job.opened, signs: [...job.opened.signs] } } : {}),
    },
    asker(),
  );
  const { sheet } = await log.load(id);
  const stateNow = async (): Promise<BenchState> => log.folded(id)?.state ?? (await log.load(id)).state;
  const give = async (command: Command): Promise<unknown> =>
    service.give(id, randomUUID(), command, (await stateNow()).seq, asker());
  const figures: RehearsalFigures = { ...job.figures, tray: () => job.tray };
  const turns = [...(job.turns ?? [])];
  for (let i = 0; i < 600; i += 1) {
    const state = await stateNow();
    const move = nextMove(sheet, state);
    const turn = turns.findIndex((t) => t.when(state, move));
    if (turn >= 0) {
      const { give: given } = turns.splice(turn, 1)[0]!;
      const commands = typeof given !== 'function' ? given : move.kind === 'op' ? given(move) : [];
      for (const command of commands) await give(command);
      continue;
    }
    if (job.photo && move.kind === 'op' && move.step.id === job.photo.step && state.photos.length === 0)
      await keepPhoto(app, id, job.photo, asker());
    if (job.until(sheet.steps.length, state, move)) break;
    const drawers = move.kind === 'op' && move.op.kind === 'set' ? await drawersOf(db.manager, sheet) : {};
    const command = rehearse(sheet, state, { drawers }, figures);
    if (!command) break;
    at = nextTime(at, job, command, state, now);
    await give(command);
  }
  for (const command of job.then) await give(command);
  if (job.desk) await playDesk(app, id, job.desk, { ...asker(), at: new Date(now.getTime() - MINUTE) });
}

/** When the next thing is done: at the job's pace, once what is waited for has run, and never in time to come. */
function nextTime(at: Date, job: DemoJob, command: Command, state: BenchState, now: Date): Date {
  if (command.type === 'start-timer' && job.timerMinutesAgo !== undefined)
    return new Date(now.getTime() - job.timerMinutesAgo * MINUTE);
  const waits = command.type === 'complete' ? timerOf(state, command.op) : undefined;
  const due = waits && !waits.ended ? new Date(waits.due).getTime() : 0;
  return new Date(Math.min(Math.max(at.getTime() + job.paceMinutes * MINUTE, due), now.getTime() - MINUTE));
}
