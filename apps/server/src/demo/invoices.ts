import type { INestApplicationContext } from '@nestjs/common';
import { randomUUID } from 'node:crypto';
import { format } from 'date-fns';
import { DataSource } from 'typeorm';
import { Person } from '../auth/person.entity.ts';
import { InvoicesService } from '../invoices/invoices.service.ts';
import { Job } from '../jobs/job.entity.ts';

const DAY = 86_400_000;
/** Days ago on which each was sent, and whether it was paid: one settled, one overdue, one open. */
const SENT = [
  { daysAgo: 24, paid: true },
  { daysAgo: 19, paid: false },
  { daysAgo: 3, paid: false },
] as const;

/** Invoices for the oldest jobs that were handed over. */
export async function makeInvoices(app: INestApplicationContext, now: Date): Promise<void> {
  const invoices = app.get(InvoicesService);
  const db = app.get(DataSource);
  const owner = await db.getRepository(Person).findOneByOrFail({ role: 'owner' });
  await invoices.setSettings(
    {
      address: '3 Quay Lane\nSkerrow SK2 1AB',
      taxNumber: 'SK 000 1234 00',
      payWords: 'Please pay to Skerrow Rebuilds, sample bank, account 0000 0000, and name the number of this invoice.',
      payDays: 14,
      next: 118,
    },
    owner,
  );
  const jobs = await db
    .getRepository(Job)
    .find({ where: { stage: 'handed-over' }, order: { number: 'ASC' }, take: SENT.length });
  for (const [i, { id }] of jobs.entries()) {
    const { daysAgo, paid } = SENT[i]!;
    const at = new Date(now.getTime() - daysAgo * DAY);
    const { lines } = await invoices.draft(id, at);
    const sent = await invoices.issue({ commandId: randomUUID(), job: id, lines: [...lines], note: '' }, owner, at);
    if (!paid) continue;
    const day = format(new Date(at.getTime() + 6 * DAY), 'yyyy-MM-dd');
    await invoices.pay(
      sent.id,
      { commandId: randomUUID(), amountMinor: sent.totalMinor, day, how: 'bank', note: '' },
      owner,
      now,
    );
  }
}
