import type { INestApplicationContext } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { randomUUID } from 'node:crypto';
import { JobLog } from '../jobs/job-log.ts';
import type { Asker } from '../jobs/asker.ts';
import { JobWriter } from '../jobs/job-writer.service.ts';
import { CatalogueService } from '../parts/catalogue.service.ts';
import { orderCommand, PartsService } from '../parts/parts.service.ts';
import { QuotesService } from '../quotes/quotes.service.ts';
import { SheetsService } from '../sheets/sheets.service.ts';
import { currentSheet } from '@jubb/core/sheet';
import { levels, newerNumbers, stockedParts, supplierFacts, suppliers } from './parts.ts';
import { workshop } from './scenario.ts';

/** Suppliers' lists at the sheets' own prices, a few newer numbers, and what lies in the shop's drawers. */
export async function stockParts(app: INestApplicationContext): Promise<void> {
  const catalogue = app.get(CatalogueService);
  for (const { sheet, compiled } of await app.get(SheetsService).newest())
    await catalogue.learn(currentSheet(compiled), suppliers[sheet.charCodeAt(0) % suppliers.length]!);
  await catalogue.take(newerNumbers);
  for (const { number, ...stock } of stockedParts) await catalogue.setStock(number, stock);
  const db = app.get(DataSource);
  for (const { number, least, upTo } of levels)
    await db.query(`UPDATE stock_item SET least = $2, up_to = $3 WHERE number = $1`, [number, least, upTo]);
  for (const s of supplierFacts)
    await db.query(`INSERT INTO supplier (name, phone, email, account) VALUES ($1, $2, $3, $4)`, [
      s.name,
      s.phone,
      s.email,
      s.account,
    ]);
}

/** Quotes a job; of one that is ordered, the yes, the order, and the first of its parts that has come. */
export async function playDesk(
  app: INestApplicationContext,
  job: string,
  as: 'quote' | 'ordered',
  asker: Asker,
): Promise<void> {
  const quotes = app.get(QuotesService);
  // The workshop's own row comes last: its presence says that the demo is whole.
  await quotes.make(job, randomUUID(), '', asker, workshop);
  if (as === 'quote') return;
  const answer = {
    answer: 'yes',
    option: 'repair',
    agreedMinor: 0,
    who: 'Mr Garth',
    how: 'by telephone',
    note: '',
  } as const;
  await quotes.answer(job, 1, { commandId: randomUUID(), ...answer }, asker);
  const jobs = app.get(JobWriter);
  const log = app.get(JobLog);
  const seen = async (): Promise<number> => (await log.load(job)).state.seq;
  await jobs.give(
    job,
    randomUUID(),
    orderCommand(await app.get(PartsService).plan(job, 'cheapest')),
    await seen(),
    asker,
  );
  const { state } = await log.load(job);
  const [first] = Object.values(state.partLines).filter((l) => l.status === 'ordered' && !l.kit);
  if (first)
    await jobs.give(job, randomUUID(), { type: 'arrive-part', line: first.line, missing: [] }, await seen(), asker);
}
