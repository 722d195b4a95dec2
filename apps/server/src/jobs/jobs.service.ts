import { BadRequestException, Injectable, NotFoundException } from '@nestjs/common';
import {
  toCommand,
  type BookInDto,
  type CommandAnswer,
  type CommandEnvelopeDto,
  type FloorView,
  type JobLine,
  type JobView,
} from '@jubb/contract';
import {
  chain,
  decide,
  emptyBench,
  firstHash,
  type BenchState,
  type Command,
  type CommandEnvelope,
  type LoggedEvent,
} from '@jubb/core/bench';
import { buildRecord } from '@jubb/core/bench';
import type { JobExport } from '@jubb/core/bench/verify';
import { JubbError } from '@jubb/core/error';
import { parseQuantity } from '@jubb/core/quantities';
import { identify, type Sheet } from '@jubb/core/sheet';
import { DataSource, Not, type EntityManager } from 'typeorm';
import { Customer } from '../database/entities/customer.entity.ts';
import { Job } from '../database/entities/job.entity.ts';
import type { Person } from '../database/entities/person.entity.ts';
import { Unit } from '../database/entities/unit.entity.ts';
import { Workshop } from '../database/entities/workshop.entity.ts';
import { RefusedException } from '../problems/refused.exception.ts';
import { SheetsService } from '../sheets/sheets.service.ts';
import { UnitsService } from '../units/units.service.ts';
import { bookPack, drawersOf } from './drawers.ts';
import { JobLog } from './job-log.ts';
import { project } from './projection.ts';
import { SigningService } from './signing.service.ts';

/** Who asks, when and from where. */
export interface Asker {
  readonly person: Pick<Person, 'id' | 'name' | 'initials'>;
  readonly at: Date;
  readonly device: string;
}

@Injectable()
export class JobsService {
  constructor(
    private readonly db: DataSource,
    private readonly log: JobLog,
    private readonly signing: SigningService,
    private readonly sheets: SheetsService,
    private readonly units: UnitsService,
  ) {}

  async floor(): Promise<FloorView> {
    const [workshop, jobs] = await Promise.all([
      this.db.getRepository(Workshop).findOneByOrFail({ id: 1 }),
      this.db.getRepository(Job).find({ where: { stage: Not('handed-over') }, order: { number: 'ASC' } }),
    ]);
    return { places: workshop.places, jobs: jobs.map(lineOf), now: new Date().toISOString() };
  }

  async handedOver(): Promise<JobLine[]> {
    return (
      await this.db.getRepository(Job).find({ where: { stage: 'handed-over' }, order: { number: 'DESC' }, take: 30 })
    ).map(lineOf);
  }

  async view(id: string): Promise<JobView> {
    const { job, sheet } = await this.log.load(id);
    return {
      id,
      sheet,
      events: await this.log.events(this.db.manager, id, 0),
      signatures: job.signatures,
      drawers: await drawersOf(this.db.manager, sheet),
      history: await this.units.visits(job.unitId, id),
    };
  }

  /** Books a unit in. The same command id books once and answers the same job. */
  async book(dto: BookInDto, asker: Asker): Promise<{ id: string }> {
    const revision = await this.sheets.newestOf(dto.sheet);
    const sheet = revision.compiled;
    const { variant, identified } = identifyAll(sheet, dto);
    return this.db.transaction(async (m) => {
      if (await m.getRepository(Job).findOneBy({ id: dto.commandId })) return { id: dto.commandId };
      const customer = await this.customerOf(m, dto);
      const unit = await this.unitOf(m, dto, sheet, customer);
      const earlierVisits = await m.getRepository(Job).countBy({ unitId: unit.id });
      const [{ nextval }] = (await m.query(`SELECT nextval('job_number')`)) as [{ nextval: string }];
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
        promise: dto.promise ? new Date(dto.promise) : null,
        updatedAt: asker.at,
      });
      const command: Command = {
        type: 'book',
        number: Number(nextval),
        customer: { id: customer.id, name: customer.name },
        unit: { id: unit.id, serial: unit.serial, model: unit.model },
        sheet: { id: sheet.id, revision: sheet.revision, title: sheet.title, hash: revision.hash },
        complaint: dto.complaint,
        promise: dto.promise ?? null,
        spendLimitMinor: dto.spendLimitMinor ?? null,
        variant,
        identified,
        earlierVisits,
      };
      await this.append(m, id, dto.commandId, command, 0, asker);
      if (dto.place) await this.append(m, id, `${dto.commandId}-place`, { type: 'move', to: dto.place }, 0, asker);
      return { id };
    });
  }

  /**
   * Gives a job a command. Retrying with the same id answers the same events and writes nothing twice.
   * @throws RefusedException with the events that the sender had missed
   */
  async command(jobId: string, dto: CommandEnvelopeDto, asker: Asker): Promise<CommandAnswer> {
    const claimed = new Date(dto.at);
    const at = claimed > asker.at ? asker.at : claimed;
    return this.db.transaction((m) =>
      this.append(m, jobId, dto.id, toCommand(dto), dto.seen, { ...asker, at, device: dto.device }),
    );
  }

  async append(
    m: EntityManager,
    jobId: string,
    commandId: string,
    command: Command,
    seen: number,
    asker: Asker,
  ): Promise<CommandAnswer> {
    const [row] = (await m.query(
      `SELECT seq, head, sheet, revision, signatures, EXISTS (SELECT 1 FROM job_event e WHERE e.job_id = job.id AND e.command = $2) AS known
       FROM job WHERE id = $1 FOR UPDATE`,
      [jobId, commandId],
    )) as [
      {
        seq: number;
        head: string;
        sheet: string;
        revision: number;
        signatures: JobExport['signatures'];
        known: boolean;
      }?,
    ];
    if (!row) throw new NotFoundException('There is no such job');
    if (row.known) return { events: await this.log.events(m, jobId, seen) };
    const sheet = await this.log.sheetOf(row.sheet, row.revision);
    const state = row.seq === 0 ? emptyBench(jobId) : await this.log.stateAt(m, jobId, row.seq);
    const envelope: CommandEnvelope = {
      id: commandId,
      job: jobId,
      who: pick(asker.person),
      at: asker.at.toISOString(),
      device: asker.device,
      command,
    };
    const outcome = decide(state, sheet, envelope, {
      drawers: command.type === 'fit-pack' ? await drawersOf(m, sheet) : {},
    });
    if (!outcome.ok)
      throw new RefusedException({ refusal: outcome.refusal, missed: await this.log.events(m, jobId, seen) });

    // Through JSON once, so that what is hashed is what the database gives back.
    const events = JSON.parse(JSON.stringify(chain(row.head, outcome.events))) as LoggedEvent[];
    const newest = events.at(-1)!;
    for (const e of events)
      if (e.type === 'pack-fitted') await bookPack(m, sheet, e, lastPieces(state, e.payload.setting));
    const closing =
      newest.type === 'signed-off' ||
      newest.type === 'handed-over' ||
      (state.signed !== undefined && newest.type === 'moved');
    const signatures = closing
      ? [...row.signatures, this.signing.sign(jobId, newest.seq, newest.hash, newest.at)]
      : row.signatures;
    const columns = project(sheet, outcome.state);
    await m.query(
      `WITH added AS (
         INSERT INTO job_event (job_id, seq, id, type, v, payload, who, at, device, command, hash)
         SELECT $1, e.seq, e.id, e.type, e.v, e.payload, e.who, e.at, e.device, e.command, e.hash
         FROM jsonb_to_recordset($2::jsonb) AS e(seq int, id text, type text, v int, payload jsonb, who jsonb, at text, device text, command text, hash text)
       ), changed AS (
         UPDATE job SET seq = $3, head = $4, signatures = $5, stage = $6, progress = $7, next_move = $8, minutes_left = $9,
           aids_in = $10, parts_off = $11, hold = $12, place = $13, updated_at = $14 WHERE id = $1
       ) SELECT pg_notify('jubb', $15)`,
      [
        jobId,
        JSON.stringify(events),
        newest.seq,
        newest.hash,
        JSON.stringify(signatures),
        columns['stage'],
        columns['progress'],
        columns['next_move'],
        columns['minutes_left'],
        columns['aids_in'],
        columns['parts_off'],
        columns['hold'] === null ? null : JSON.stringify(columns['hold']),
        columns['place'],
        newest.at,
        JSON.stringify({ job: jobId, seq: newest.seq }),
      ],
    );
    const answer =
      seen === row.seq
        ? events
        : [...(await this.log.events(m, jobId, seen)).filter((e) => e.seq <= row.seq), ...events];
    return { events: answer };
  }

  async exported(id: string): Promise<JobExport> {
    const { job, sheet, state } = await this.log.load(id);
    const workshop = await this.db.getRepository(Workshop).findOneByOrFail({ id: 1 });
    return {
      jubb: 'job-record/1',
      job: id,
      workshop: workshop.name,
      sheet,
      events: await this.log.events(this.db.manager, id, 0),
      signatures: job.signatures,
      record: JSON.parse(JSON.stringify(buildRecord(sheet, state))) as JobExport['record'],
    };
  }

  get publicKey(): string {
    return this.signing.publicKey;
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
      return found;
    }
    const name = dto.customerName!.trim();
    const known = await customers.createQueryBuilder('c').where('lower(c.name) = lower(:name)', { name }).getOne();
    return known ?? customers.save(customers.create({ name }));
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
      return found;
    }
    const serial = dto.serial!.trim();
    const known = await units
      .createQueryBuilder('u')
      .where('u.sheet = :sheet AND lower(u.serial) = lower(:serial)', { sheet: sheet.id, serial })
      .getOne();
    if (known) return known;
    const made = await units.save(
      units.create({ serial, model: sheet.models[0] ?? sheet.title, sheet: sheet.id, customerId: customer.id }),
    );
    return units.findOneByOrFail({ id: made.id });
  }
}

const pick = (p: Asker['person']): Asker['person'] => ({ id: p.id, name: p.name, initials: p.initials });

function lastPieces(state: BenchState, setting: string): readonly { value: number; unit: string }[] {
  return state.settings[setting]?.rounds.at(-1)?.fitted?.pieces ?? [];
}

/** The variant from the answers: the first question that decides it; a measured value near none is asked again. */
function identifyAll(
  sheet: Sheet,
  dto: BookInDto,
): { variant: string | null; identified: { ask: string; answer: string }[] } {
  let variant: string | null = null;
  const identified: { ask: string; answer: string }[] = [];
  for (const { question, answer } of dto.answers) {
    const asked = sheet.identify[question];
    const field = `answers.${question}.answer`;
    const bad = (why: string): BadRequestException =>
      new BadRequestException({ message: `${field}: ${why}`, errors: { [field]: [why] } });
    if (!asked) throw bad('the sheet asks no such question');
    let result;
    try {
      result = identify(asked, asked.dimension ? parseQuantity(answer, asked.dimension) : answer);
    } catch (e) {
      if (e instanceof JubbError) throw bad(e.message);
      throw e;
    }
    if (!('variant' in result))
      throw bad(
        `${answer} is ${result.undecided.length > 1 ? 'in the bands of two variants' : 'near no variant'}: measure again`,
      );
    variant ??= result.variant;
    identified.push({ ask: asked.ask, answer });
  }
  if (variant === null && sheet.identify.length > 0) {
    throw new BadRequestException({
      message: 'answers: which variant is it?',
      errors: { 'answers.0.answer': [sheet.identify[0]!.ask] },
    });
  }
  return { variant, identified };
}

function lineOf(j: Job): JobLine {
  return {
    id: j.id,
    number: j.number,
    title: j.title,
    serial: j.unit.serial,
    unitId: j.unitId,
    customer: j.customer.name,
    complaint: j.complaint,
    stage: j.stage,
    progress: j.progress,
    nextMove: j.nextMove,
    minutesLeft: j.minutesLeft,
    aidsIn: j.aidsIn,
    partsOff: j.partsOff,
    hold: j.hold,
    promise: j.promise?.toISOString() ?? null,
    place: j.place,
    updatedAt: j.updatedAt.toISOString(),
  };
}
