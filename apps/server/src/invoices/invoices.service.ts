import { BadRequestException, ConflictException, Injectable, NotFoundException } from '@nestjs/common';
import type {
  CreditDto,
  InvoiceDraftView,
  InvoiceRow,
  InvoiceSettingsDto,
  InvoiceSettingsView,
  InvoiceView,
  IssueInvoiceDto,
  PaymentDto,
} from '@jubb/contract';
import { TZDate } from '@date-fns/tz';
import {
  creditLines,
  creditSums,
  draftInvoice,
  invoiceLineProblem,
  invoiceNotYet,
  invoicesCsv,
} from '@jubb/core/invoice';
import { addDays, format, isValid, parseISO } from 'date-fns';
import { DataSource, type EntityManager } from 'typeorm';
import type { Person } from '../auth/person.entity.ts';
import { JobLog } from '../jobs/job-log.ts';
import { PricingService } from '../jobs/pricing.service.ts';
import { Workshop } from '../planning/workshop.entity.ts';
import { wrongField } from '../problems/wrong-field.ts';
import { ShopChangesService } from '../shop/shop-changes.service.ts';
import { readInvoices, rowOf, viewOf, written, type InvoiceRecord, type SentWords } from './invoice-rows.ts';

/** Invoices that are listed, the newest. */
const SHOWN = 500;
/** Of one job, or in a file for the bookkeeper. */
const ALL = 100_000;

interface Billing {
  readonly name: string;
  readonly zone: string;
  readonly currency: string;
  readonly tax_name: string;
  readonly tax_percent: number;
  readonly address: string;
  readonly tax_number: string;
  readonly pay_words: string;
  readonly pay_days: number;
  readonly invoice_next: number;
}

/** Invoices for what was done. One that was made out is never changed: what was wrong is credited, and another is made out. */
@Injectable()
export class InvoicesService {
  constructor(
    private readonly db: DataSource,
    private readonly log: JobLog,
    private readonly pricing: PricingService,
    private readonly changes: ShopChangesService,
  ) {}

  /** What would stand on a job's invoice now. */
  async draft(jobId: string, now: Date): Promise<InvoiceDraftView> {
    const { sheet, state, job } = await this.log.load(jobId);
    const workshop = await this.db.getRepository(Workshop).findOneByOrFail({ id: 1 });
    const pricing = await this.pricing.now(sheet);
    const { rateMinor, taxPercent, taxName, currency } = workshop;
    const sent = await this.ofJob(this.db.manager, jobId, now);
    return {
      ...draftInvoice(sheet, state, { rateMinor, taxPercent, pricing }),
      jobId,
      job: job.number,
      title: job.title,
      serial: job.unit.serial,
      customer: job.customer.name,
      currency,
      taxName,
      taxPercent,
      notYet: invoiceNotYet(state, invoicesOf(sent)) ?? null,
      sent,
    };
  }

  /** Makes out an invoice under the next number. The same command twice is one invoice. */
  async issue(body: IssueInvoiceDto, me: Person, now: Date): Promise<InvoiceView> {
    const { state, job } = await this.log.load(body.job);
    for (const [i, line] of body.lines.entries()) {
      const problem = invoiceLineProblem(line);
      if (problem !== undefined) throw new BadRequestException(wrongField(`lines.${i}`, problem));
    }
    return this.db.transaction(async (m) => {
      const shop = await this.billing(m);
      const before = await this.byCommand(m, body.commandId);
      if (before) return viewOf(m, before, dayOf(now, shop.zone));
      const problem = invoiceNotYet(state, invoicesOf(await this.ofJob(m, body.job, now)));
      if (problem !== undefined) throw new ConflictException(problem);
      const lines = body.lines.map(({ title, kind, count, eachMinor, sumMinor }) => ({
        title: title.trim(),
        kind,
        count,
        eachMinor,
        sumMinor,
      }));
      const sent: SentWords = {
        lines,
        taxName: shop.tax_name,
        title: job.title,
        serial: job.unit.serial,
        customer: job.customer.name,
        address: job.customer.address,
        note: body.note.trim(),
        shop: { name: shop.name, address: shop.address, taxNumber: shop.tax_number, payWords: shop.pay_words },
      };
      return this.write(m, shop, now, me, {
        commandId: body.commandId,
        kind: 'invoice',
        jobId: job.id,
        customerId: job.customerId,
        seq: state.seq,
        sent,
        currency: shop.currency,
        taxPercent: shop.tax_percent,
      });
    });
  }

  /** Takes an invoice back, or some of its lines, by a credit under a number of its own. */
  async credit(id: string, body: CreditDto, me: Person, now: Date): Promise<InvoiceView> {
    return this.db.transaction(async (m) => {
      const shop = await this.billing(m);
      const today = dayOf(now, shop.zone);
      const before = await this.byCommand(m, body.commandId);
      if (before) return viewOf(m, before, today);
      const record = await this.one(m, id);
      if (record.kind === 'credit') throw new ConflictException('A credit is not taken back: make out another invoice');
      const { takenBack } = await viewOf(m, record, today);
      const open = record.sent.lines.map((_, i) => i).filter((i) => !takenBack.includes(i));
      const wanted = body.lines ?? open;
      const other = wanted.find((i) => !open.includes(i));
      if (other !== undefined)
        throw new BadRequestException(
          wrongField('lines', `Line ${other + 1} is ${takenBack.includes(other) ? 'taken back already' : 'not on it'}`),
        );
      if (wanted.length === 0) throw new ConflictException('All of it is taken back already');
      return this.write(m, shop, now, me, {
        commandId: body.commandId,
        kind: 'credit',
        of: { record, lines: wanted, last: wanted.length === open.length },
        jobId: record.job_id,
        customerId: record.customer_id,
        seq: 0,
        sent: {
          ...record.sent,
          lines: creditLines(wanted.map((i) => record.sent.lines[i]!)),
          note: body.reason.trim(),
        },
        currency: record.currency,
        taxPercent: record.tax_percent,
      });
    });
  }

  /** Writes down what was paid, or given back. */
  async pay(id: string, body: PaymentDto, me: Person, now: Date): Promise<InvoiceView> {
    if (body.amountMinor === 0)
      throw new BadRequestException(wrongField('amountMinor', 'An amount that is not nought'));
    if (!isValid(parseISO(body.day))) throw new BadRequestException(wrongField('day', `There is no ${body.day}`));
    return this.db.transaction(async (m) => {
      const shop = await this.billing(m);
      const today = dayOf(now, shop.zone);
      if (body.day > today) throw new BadRequestException(wrongField('day', 'A day that has been'));
      const record = await this.one(m, id);
      if (record.kind === 'credit')
        throw new ConflictException('What is given back is written down on the invoice itself');
      await m.query(
        `INSERT INTO invoice_payment (command_id, invoice_id, day, amount_minor, how, note, by_name)
         VALUES ($1, $2, $3, $4, $5, $6, $7) ON CONFLICT (command_id) DO NOTHING`,
        [body.commandId, id, body.day, body.amountMinor, body.how, body.note.trim(), me.name],
      );
      return viewOf(m, await this.one(m, id), today);
    });
  }

  async list(now: Date): Promise<InvoiceRow[]> {
    const today = await this.today(now);
    return (await readInvoices(this.db.manager, 'true', [], SHOWN)).map((r) => rowOf(r, today));
  }

  async view(id: string, now: Date): Promise<InvoiceView> {
    return viewOf(this.db.manager, await this.one(this.db.manager, id), await this.today(now));
  }

  /** For the bookkeeper: invoices and credits of a span of days, the oldest first. */
  async csv(from: string | undefined, to: string | undefined, now: Date): Promise<string> {
    const today = await this.today(now);
    const rows = await readInvoices(
      this.db.manager,
      `($1::date IS NULL OR i.day >= $1::date) AND ($2::date IS NULL OR i.day <= $2::date)`,
      [from ?? null, to ?? null],
      ALL,
    );
    return invoicesCsv(
      rows.reverse().map((r) => ({ ...rowOf(r, today), of: r.of_number === null ? null : written(r.of_number) })),
    );
  }

  async settings(): Promise<InvoiceSettingsView> {
    return settingsOf(await this.billing(this.db.manager, false));
  }

  /** @throws BadRequestException for a number that may have been given already */
  async setSettings(body: InvoiceSettingsDto, me: Person): Promise<InvoiceSettingsView> {
    return this.db.transaction(async (m) => {
      const was = settingsOf(await this.billing(m));
      if (body.next < was.next)
        throw new BadRequestException(wrongField('next', `${was.next} at least: lower ones may have been given`));
      await m.query(
        `UPDATE workshop SET address = $1, tax_number = $2, pay_words = $3, pay_days = $4, invoice_next = $5 WHERE id = 1`,
        [body.address.trim(), body.taxNumber.trim(), body.payWords.trim(), body.payDays, body.next],
      );
      await this.changes.note(m, me, [
        { what: 'address of the shop', was: was.address, is: body.address.trim() },
        { what: 'tax number', was: was.taxNumber, is: body.taxNumber.trim() },
        { what: 'how invoices are paid', was: was.payWords, is: body.payWords.trim() },
        { what: 'days to pay', was: String(was.payDays), is: String(body.payDays) },
        { what: 'number of the next invoice', was: String(was.next), is: String(body.next) },
      ]);
      return settingsOf(await this.billing(m));
    });
  }

  private async write(
    m: EntityManager,
    shop: Billing,
    now: Date,
    me: Person,
    what: {
      readonly commandId: string;
      readonly kind: 'invoice' | 'credit';
      readonly of?: { readonly record: InvoiceRecord; readonly lines: readonly number[]; readonly last: boolean };
      readonly jobId: string;
      readonly customerId: string;
      readonly seq: number;
      readonly sent: SentWords;
      readonly currency: string;
      readonly taxPercent: number;
    },
  ): Promise<InvoiceView> {
    const day = dayOf(now, shop.zone);
    const due = what.kind === 'credit' ? day : format(addDays(parseISO(day), shop.pay_days), 'yyyy-MM-dd');
    const { of } = what;
    // Totals of its credits are below nought.
    const left = of?.last ? of.record.credits.reduce((sum, c) => sum + c, Number(of.record.total_minor)) : undefined;
    const sums = creditSums(what.sent.lines, what.taxPercent, left);
    // The row of the workshop is locked: numbers are given one after the other, and none is lost.
    const number = shop.invoice_next;
    await m.query(`UPDATE workshop SET invoice_next = $1 WHERE id = 1`, [number + 1]);
    await m.query(
      `INSERT INTO invoice (command_id, number, kind, of_id, of_lines, job_id, customer_id, seq, day, due, sent, currency,
         tax_percent, net_minor, tax_minor, total_minor, by_name)
       VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16, $17)`,
      [
        what.commandId,
        number,
        what.kind,
        what.of?.record.id ?? null,
        what.of?.lines ?? null,
        what.jobId,
        what.customerId,
        what.seq,
        day,
        due,
        what.sent,
        what.currency,
        what.taxPercent,
        sums.netMinor,
        sums.taxMinor,
        sums.totalMinor,
        me.name,
      ],
    );
    return viewOf(m, (await this.byCommand(m, what.commandId))!, day);
  }

  private async one(m: EntityManager, id: string): Promise<InvoiceRecord> {
    const [found] = await readInvoices(m, 'i.id = $1', [id], 1);
    if (!found) throw new NotFoundException('There is no such invoice');
    return found;
  }

  private async byCommand(m: EntityManager, command: string): Promise<InvoiceRecord | undefined> {
    return (await readInvoices(m, 'i.command_id = $1', [command], 1))[0];
  }

  private async ofJob(m: EntityManager, job: string, now: Date): Promise<InvoiceRow[]> {
    const today = await this.today(now);
    return (await readInvoices(m, 'i.job_id = $1', [job], ALL)).map((r) => rowOf(r, today));
  }

  private async today(now: Date): Promise<string> {
    return dayOf(now, (await this.billing(this.db.manager, false)).zone);
  }

  private async billing(m: EntityManager, lock = true): Promise<Billing> {
    const [row] = await m.query<[Billing]>(
      `SELECT name, zone, currency, tax_name, tax_percent, address, tax_number, pay_words, pay_days, invoice_next
       FROM workshop WHERE id = 1 ${lock ? 'FOR UPDATE' : ''}`,
    );
    return row;
  }
}

/** Without the credits among them. */
const invoicesOf = (rows: readonly InvoiceRow[]): readonly InvoiceRow[] => rows.filter((r) => r.kind === 'invoice');

const settingsOf = (b: Billing): InvoiceSettingsView => ({
  address: b.address,
  taxNumber: b.tax_number,
  payWords: b.pay_words,
  payDays: b.pay_days,
  next: b.invoice_next,
});

const dayOf = (now: Date, zone: string): string => format(new TZDate(now, zone), 'yyyy-MM-dd');
