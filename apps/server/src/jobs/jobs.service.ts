import { BadRequestException, Injectable } from '@nestjs/common';
import {
  toCommand,
  type CommandAnswer,
  type CommandEnvelopeDto,
  type FloorView,
  type JobLine,
  type JobView,
} from '@jubb/contract';
import { type Command } from '@jubb/core/bench';
import { buildRecord } from '@jubb/core/bench';
import type { JobExport } from '@jubb/core/bench/verify';
import { DataSource, Not } from 'typeorm';
import { AuthService } from '../auth/auth.service.ts';
import { Job } from './job.entity.ts';
import { Workshop } from '../planning/workshop.entity.ts';
import { InstrumentFactsService } from '../instruments/instrument-facts.service.ts';
import { DocumentsService } from '../sheets/documents.service.ts';
import { UnitsService } from '../units/units.service.ts';
import { drawersOf } from './drawers.ts';
import { JobLog } from './job-log.ts';
import { PricingService } from './pricing.service.ts';
import type { Asker } from './asker.ts';
import { JobWriter } from './job-writer.service.ts';
import { SigningService } from './signing.service.ts';
import { HeavyService } from '../bounds/heavy.service.ts';
import type { VerifyAnswer } from '../bounds/heavy-tasks.ts';

/** A command that is older than this when it comes was given without a line. */
const AT_ONCE_MS = 5000;
@Injectable()
export class JobsService {
  constructor(
    private readonly db: DataSource,
    private readonly log: JobLog,
    private readonly signing: SigningService,
    private readonly documents: DocumentsService,
    private readonly units: UnitsService,
    private readonly auth: AuthService,
    private readonly instruments: InstrumentFactsService,
    private readonly heavy: HeavyService,
    private readonly pricing: PricingService,
    private readonly writer: JobWriter,
  ) {}

  async floor(): Promise<FloorView> {
    const [workshop, jobs] = await Promise.all([
      this.db.getRepository(Workshop).findOneByOrFail({ id: 1 }),
      this.db.getRepository(Job).find({ where: { stage: Not('handed-over') }, order: { number: 'ASC' } }),
    ]);
    return {
      places: workshop.places,
      shelves: workshop.shelves,
      jobs: jobs.map(lineOf),
      now: new Date().toISOString(),
    };
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
      documents: await this.documents.list(job.sheet),
      pricing: await this.pricing.of(sheet),
    };
  }

  /**
   * Gives a job a command. Retrying with the same id answers the same events and writes nothing twice.
   * @throws RefusedException with the events that the sender had missed
   */
  async command(jobId: string, dto: CommandEnvelopeDto, asker: Asker): Promise<CommandAnswer> {
    const command = await this.withFacts(toCommand(dto));
    const asked = { ...asker, ...(await this.timesOf(dto, asker)), device: dto.device };
    return this.writer.give(jobId, dto.id, command, dto.seen, asked);
  }

  /**
   * When a command was given, by the server's clock: now, or for what was given without a line as long ago as the device
   * counted, if its person was signed in then. What the device's own clock showed is kept beside it and decides nothing.
   */
  private async timesOf(
    dto: CommandEnvelopeDto,
    { person, at: now }: Asker,
  ): Promise<Omit<Asker, 'person' | 'device'>> {
    const deviceAt = new Date(dto.at).toISOString();
    const age = dto.ageMs ?? 0;
    if (age <= AT_ONCE_MS) return { at: now, deviceAt };
    const at = await this.auth.signedInFrom(person.id, new Date(now.getTime() - age), now);
    return { at, deviceAt, receivedAt: now.toISOString() };
  }

  /** What the shop's list says of the instrument stands in the log, whatever came with the command. */
  private async withFacts(command: Command): Promise<Command> {
    if (!('instrument' in command) || command.instrument === undefined) return command;
    const facts = await this.instruments.of(command.instrument.id);
    if (!facts)
      throw new BadRequestException({
        message: `command.instrument.id: "${command.instrument.id}" is no instrument of this workshop`,
        errors: { 'command.instrument.id': ['No instrument of this workshop'] },
      });
    return { ...command, instrument: facts };
  }

  async exported(id: string): Promise<JobExport> {
    const { job, sheet, state } = await this.log.load(id);
    return {
      jubb: 'job-record/7',
      job: id,
      // As it was called when it signed, whatever it is called by now.
      workshop: job.signatures.at(-1)?.workshop ?? (await this.signing.workshopName(this.db.manager)),
      sheet: await this.log.pinnedSheet(job.sheet, job.revision),
      events: await this.log.events(this.db.manager, id, 0),
      signatures: job.signatures,
      record: JSON.parse(JSON.stringify(buildRecord(sheet, state))) as JobExport['record'],
    };
  }

  /** Verifies a record out of a body, in a thread. */
  verify(body: Buffer | undefined): Promise<VerifyAnswer> {
    return this.heavy.run({ kind: 'verify', body: body ?? new Uint8Array(), keys: [this.publicKey] });
  }

  get publicKey(): string {
    return this.signing.publicKey;
  }
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
    deliveryDate: j.deliveryDate?.toISOString() ?? null,
    place: j.place,
    updatedAt: j.updatedAt.toISOString(),
    notices: j.notices,
  };
}
