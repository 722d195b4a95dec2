import { BadRequestException, Injectable } from '@nestjs/common';
import type { BookInDto, OpenedDto } from '@jubb/contract';
import { firstHash, identifiedBy, type Command, type EventPayloads } from '@jubb/core/bench';
import { currentSheet, FULL_SCOPE, narrow, type Sheet } from '@jubb/core/sheet';
import { DataSource, type EntityManager, type Repository } from 'typeorm';
import { Customer } from '../customers/customer.entity.ts';
import { Job } from './job.entity.ts';
import { Unit } from '../units/unit.entity.ts';
import { SheetsService } from '../sheets/sheets.service.ts';
import type { Asker } from './asker.ts';
import { JobWriter } from './job-writer.service.ts';
import { wrongField } from '../problems/wrong-field.ts';

@Injectable()
export class BookingService {
  constructor(
    private readonly db: DataSource,
    private readonly writer: JobWriter,
    private readonly sheets: SheetsService,
  ) {}

  /** Books a unit in. The same command id books once and answers the same job. */
  async book(dto: BookInDto, asker: Asker): Promise<{ id: string }> {
    const revision = await this.sheets.newestOf(dto.sheet);
    const sheet = revision.compiled;
    if (dto.scope !== undefined && dto.scope !== FULL_SCOPE && !currentSheet(sheet).scopes[dto.scope])
      throw bad('scope', `the sheet knows no scope "${dto.scope}"`);
    const { variant, identified } = identifyAll(currentSheet(sheet), dto);
    return this.db.transaction(async (m) => {
      // Asked twice at once, the second waits for the first and then finds its job.
      await m.query(`SELECT pg_advisory_xact_lock(hashtextextended('book ' || $1, 0))`, [dto.commandId]);
      if (await m.getRepository(Job).findOneBy({ id: dto.commandId })) return { id: dto.commandId };
      const customer = await this.customerOf(m, dto);
      const unit = await this.unitOf(m, dto, sheet, customer);
      const earlierVisits = await m.getRepository(Job).countBy({ unitId: unit.id });
      const [{ nextval }] = await m.query<[{ nextval: string }]>(`SELECT nextval('job_number')`);
      // The job's id is the command's: asking again finds it.
      const id = dto.commandId;
      await m.getRepository(Job).insert({
        id,
        number: Number(nextval),
        unitId: unit.id,
        customerId: customer.id,
        sheet: sheet.id,
        revision: sheet.revision,
        title: sheet.title,
        complaint: dto.complaint,
        head: firstHash(id),
        deliveryDate: dto.deliveryDate ? new Date(dto.deliveryDate) : null,
        updatedAt: asker.at,
      });
      const command: Command = {
        type: 'book',
        number: Number(nextval),
        customer: { id: customer.id, name: customer.name },
        unit: { id: unit.id, serial: unit.serial, model: unit.model },
        sheet: { id: sheet.id, revision: sheet.revision, title: sheet.title, hash: revision.hash },
        complaint: dto.complaint,
        deliveryDate: dto.deliveryDate ?? null,
        spendLimitMinor: dto.spendLimitMinor ?? null,
        variant,
        identified,
        earlierVisits,
        ...(dto.scope === undefined || dto.scope === FULL_SCOPE ? {} : { scope: dto.scope }),
        ...(await cameFrom(m, unit.id)),
        ...(dto.opened ? { opened: openedOf(dto.opened, earlierVisits) } : {}),
      };
      await this.writer.append(m, id, dto.commandId, command, 0, asker);
      if (dto.place)
        await this.writer.append(m, id, `${dto.commandId}-place`, { type: 'move', to: dto.place }, 0, asker);
      return { id };
    });
  }

  private async customerOf(m: EntityManager, dto: BookInDto): Promise<Customer> {
    const customers = m.getRepository(Customer);
    if (dto.customerId) {
      const found = await customers.findOneBy({ id: dto.customerId });
      if (!found)
        throw new BadRequestException({
          message: 'customerId: there is no such customer',
          errors: { customerId: ['There is no such customer'] },
        });
      return keptOf(customers, found);
    }
    const name = dto.customerName!.trim();
    // Made unless there is one of that name, in one statement: two who book for a new customer at once book for the same one.
    await m.query(`INSERT INTO customer (name) VALUES ($1) ON CONFLICT (lower(name)) DO NOTHING`, [name]);
    const found = await customers
      .createQueryBuilder('c')
      .where('lower(c.name) = lower(:name)', { name })
      .getOneOrFail();
    return keptOf(customers, found);
  }

  private async unitOf(m: EntityManager, dto: BookInDto, sheet: Sheet, customer: Customer): Promise<Unit> {
    const units = m.getRepository(Unit);
    if (dto.unitId) {
      const found = await units.findOneBy({ id: dto.unitId });
      if (!found)
        throw new BadRequestException({
          message: 'unitId: there is no such unit',
          errors: { unitId: ['There is no such unit'] },
        });
      return runs(units, found, dto.hoursPerWeek);
    }
    const serial = dto.serial!.trim();
    await m.query(
      `INSERT INTO unit (serial, model, sheet, customer_id, hours_per_week) VALUES ($1, $2, $3, $4, $5)
       ON CONFLICT (sheet, lower(serial)) DO NOTHING`,
      [serial, sheet.models[0] ?? sheet.title, sheet.id, customer.id, dto.hoursPerWeek ?? null],
    );
    const known = await units
      .createQueryBuilder('u')
      .leftJoinAndSelect('u.customer', 'customer')
      .where('u.sheet = :sheet AND lower(u.serial) = lower(:serial)', { sheet: sheet.id, serial })
      .getOneOrFail();
    return runs(units, known, dto.hoursPerWeek);
  }
}

/** A unit that is known, with how long it runs in a week as somebody says now; as before when nobody does. */
async function runs(units: Repository<Unit>, unit: Unit, hoursPerWeek: number | undefined): Promise<Unit> {
  if (hoursPerWeek !== undefined) await units.update({ id: unit.id }, { hoursPerWeek });
  return unit;
}

const bad = (field: string, why: string): BadRequestException => new BadRequestException(wrongField(field, why));

type Identified = EventPayloads['job-booked']['identified'];

/**
 * What the answers at the counter say, each held against the ones before. A measured value near two variants is
 * undecided: it is asked again, or booked open when a later rung can tell or the asker says so.
 */
function identifyAll(sheet: Sheet, dto: BookInDto): { variant: string | null; identified: Identified } {
  const identified: Identified[number][] = [];
  const answered: { readonly variants: readonly string[] }[] = [];
  const atCounter = sheet.identify.filter((q) => q.needs === 'nothing');
  for (const { question, answer } of dto.answers) {
    const asked = atCounter[question];
    const field = `answers.${question}.answer`;
    if (!asked) throw bad(field, 'the sheet asks no such question at the counter');
    const told = identifiedBy(sheet, asked, answer, answered);
    if ('problem' in told) {
      if (!dto.leaveOpen) throw bad(field, `${told.problem}. ${told.clears}`);
      identified.push({ ask: asked.ask, answer: `${answer}: undecided` });
      continue;
    }
    answered.push({ variants: told.variants });
    identified.push(told);
  }
  const { variant, candidates } = narrow(sheet, answered);
  const later = sheet.identify.some((q) => q.needs !== 'nothing' && q.choices.some((c) => c.variants.length > 0));
  if (variant === null && sheet.variants.length > 0 && !later && !dto.leaveOpen) {
    const open = atCounter.findIndex(
      (q, i) => q.choices.some((c) => c.variants.length > 0) && !dto.answers.some((a) => a.question === i),
    );
    throw bad(
      `answers.${Math.max(0, open)}.answer`,
      answered.length === 0 || open < 0
        ? (atCounter[Math.max(0, open)]?.ask ?? 'Which variant is it?')
        : `Still ${candidates.length} it could be. ${atCounter[open]!.ask}`,
    );
  }
  return { variant, identified };
}

/** A unit that was opened before, or here before, says why it is back. */
function openedOf(opened: OpenedDto, earlierVisits: number): NonNullable<EventPayloads['job-booked']['opened']> {
  const why = opened.why?.trim();
  if (!why && (opened.answer === 'yes' || earlierVisits > 0)) throw bad('opened.why', 'Why is it back?');
  return { answer: opened.answer, signs: opened.signs, ...(why ? { why } : {}) };
}

/** The unit's last visit that is over: the new log says which log it goes on from, and where that one ended. */
async function cameFrom(m: EntityManager, unitId: string): Promise<Pick<EventPayloads['job-booked'], 'cameFrom'>> {
  const last = await m.getRepository(Job).findOne({
    where: { unitId, stage: 'handed-over' },
    order: { number: 'DESC' },
  });
  if (!last) return {};
  const [left] = await m.query<
    {
      at: string;
    }[]
  >(`SELECT at FROM job_event WHERE job_id = $1 AND type = 'handed-over'`, [last.id]);
  return { cameFrom: { job: last.id, number: last.number, head: last.head, handedOver: left!.at } };
}

/** A customer, or the one that they turned out to be. */
const keptOf = (customers: Repository<Customer>, found: Customer): Promise<Customer> | Customer =>
  found.mergedInto === null ? found : customers.findOneByOrFail({ id: found.mergedInto });
