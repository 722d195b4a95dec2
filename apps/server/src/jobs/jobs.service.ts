import { BadRequestException, Injectable, NotFoundException } from '@nestjs/common';
import {
  toCommand,
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
  evolve,
  type BenchState,
  type Command,
  type CommandEnvelope,
  type JobEvent,
  type LoggedEvent,
  type BillSettings,
  type MoneySettings,
  type Outcome,
} from '@jubb/core/bench';
import { buildRecord } from '@jubb/core/bench';
import type { JobExport } from '@jubb/core/bench/verify';
import type { Sheet } from '@jubb/core/sheet';
import { DataSource, Not, type EntityManager } from 'typeorm';
import { AuthService } from '../auth/auth.service.ts';
import { breaksUnique } from '../database/database-errors.ts';
import { Job } from './job.entity.ts';
import type { Person } from '../auth/person.entity.ts';
import { Workshop } from '../planning/workshop.entity.ts';
import { prepared } from '../database/prepared.ts';
import { InstrumentFactsService } from '../instruments/instrument-facts.service.ts';
import { RefusedException } from '../problems/refused.exception.ts';
import { DocumentsService } from '../sheets/documents.service.ts';
import { UnitsService } from '../units/units.service.ts';
import { bookPacks, drawersOf } from './drawers.ts';
import { givenCommand, keepRefusal, knownCommands, type Given } from './job-commands.ts';
import { JobLog, missedOf } from './job-log.ts';
import { keepLessons } from './lessons.ts';
import { keepOrderLines } from './order-lines.ts';
import { takenPlace } from './places.ts';
import { keepBooking, knownBooking } from './booking-corrected.ts';
import { project } from './projection.ts';
import { PricingService } from './pricing.service.ts';
import { SigningService } from './signing.service.ts';
import { HeavyService } from '../bounds/heavy.service.ts';
import type { VerifyAnswer } from '../bounds/heavy-tasks.ts';
import { Batches, type Settled } from '../bounds/batches.ts';

/** Who asks, when and from where. */
export interface Asker {
  readonly person: Pick<Person, 'id' | 'name' | 'initials'>;
  /** By the server's clock. */
  readonly at: Date;
  /** What the device's clock showed, ISO 8601; for what a device gave. */
  readonly deviceAt?: string;
  /** When it came here, ISO 8601; for what was given without a line. */
  readonly receivedAt?: string;
  readonly device: string;
}

/** A command as it is given to a job. */
interface Asked {
  readonly commandId: string;
  readonly command: Command;
  readonly seen: number;
  readonly asker: Asker;
}

/** What a command needs to know of its job, read under the job's lock. */
interface LockedRow {
  readonly seq: number;
  readonly head: string;
  readonly sheet: string;
  readonly revision: number;
  readonly signatures: JobExport['signatures'];
}

/** A command that is older than this when it comes was given without a line. */
const AT_ONCE_MS = 5000;
/** An event is never earlier than the one before it, unless that one is this far ahead of the clock: then that one is wrong. */
const AHEAD_MS = 300_000;
/** How long rate and tax are taken as they were. */
const SETTINGS_MS = 5000;
/** While a workshop is being set up there is no price to hold anything against. */
const NO_MONEY: MoneySettings = { rateMinor: 0, taxPercent: 0 };

@Injectable()
export class JobsService {
  private readonly batches = new Batches<Asked, CommandAnswer>((job, asked) => this.giveAll(job, asked));
  private settings: { readonly at: number; readonly money: MoneySettings } | undefined;
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
    return this.give(jobId, dto.id, command, dto.seen, asked);
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

  /**
   * Gives a job a command that is checked already, from memory where that will do. What became of a command is written
   * with it under its id: asked again, here or at another server, now or later, it is answered the same.
   */
  give(jobId: string, commandId: string, command: Command, seen: number, asker: Asker): Promise<CommandAnswer> {
    return this.batches.take(jobId, { commandId, command, seen, asker });
  }

  /** Commands of one job in their order: those that only add to the log together, the others each by itself. */
  private async giveAll(jobId: string, asked: readonly Asked[]): Promise<Settled<CommandAnswer>[]> {
    const out: Settled<CommandAnswer>[] = [];
    while (out.length < asked.length) {
      const rest = asked.slice(out.length);
      const plain = rest.findIndex((a) => needsLock.has(a.command.type));
      const together = plain < 0 ? rest : rest.slice(0, plain);
      const done = together.length > 1 ? await this.appendMany(jobId, together) : [];
      out.push(...done);
      if (done.length === 0)
        out.push(
          await this.giveOne(jobId, rest[0]!).then(
            (answer) => ({ answer }),
            (error: unknown) => ({ error }),
          ),
        );
    }
    return out;
  }

  private async giveOne(jobId: string, { commandId, command, seen, asker }: Asked): Promise<CommandAnswer> {
    const { manager } = this.db;
    try {
      return (
        (await this.appendFromMemory(jobId, commandId, command, seen, asker)) ??
        (await this.db.transaction((m) => this.append(m, jobId, commandId, command, seen, asker)))
      );
    } catch (e) {
      if (e instanceof RefusedException && e.seq !== undefined)
        return this.answerTo(manager, jobId, await keepRefusal(manager, commandId, jobId, e.seq, e.body.refusal), seen);
      const given = breaksUnique(e, COMMAND_ONCE) ? await givenCommand(manager, commandId) : undefined;
      if (given) return this.answerTo(manager, jobId, given, seen);
      throw e;
    }
  }

  /**
   * Appends the first of several commands, as many as are plainly accepted: from memory if the job's head is still the one
   * that was folded, else under the job's lock. Empty, with nothing written, when the first of them is another case.
   */
  private async appendMany(jobId: string, asked: readonly Asked[]): Promise<Settled<CommandAnswer>[]> {
    const kept = this.log.kept(jobId);
    if (kept) {
      try {
        const done = await this.decideMany(this.db.manager, kept.state, kept.head, asked);
        if (done) return done;
      } catch (e) {
        // One of them was given before: each by itself then finds its own answer.
        if (!breaksUnique(e, COMMAND_ONCE)) throw e;
        return [];
      }
    }
    return this.db.transaction(async (m) => {
      const [row] = await lockJob(m, jobId);
      if (!row) return [];
      const known = await knownCommands(
        m,
        asked.map((a) => a.commandId),
      );
      const first = asked.findIndex((a) => known.has(a.commandId));
      const state = row.seq === 0 ? emptyBench(jobId) : await this.log.stateAt(m, { ...row, id: jobId });
      return (await this.decideMany(m, state, row.head, first < 0 ? asked : asked.slice(0, first))) ?? [];
    });
  }

  /** Decides one after another, each on what the one before left, and writes all at once; undefined when the head has moved. */
  private async decideMany(
    m: EntityManager,
    state: BenchState,
    head: string,
    asked: readonly Asked[],
  ): Promise<Settled<CommandAnswer>[] | undefined> {
    const { booked } = state;
    if (!booked || state.signed) return [];
    const sheet = await this.log.sheetOf(booked.sheet.id, booked.sheet.revision);
    const context = { drawers: {}, money: await this.money(sheet) };
    const accepted: { readonly seen: number; readonly missed: readonly LoggedEvent[]; readonly last: number }[] = [];
    const events: JobEvent[] = [];
    const ids = new Set<string>();
    let next = state;
    for (const { commandId, command, seen, asker } of asked) {
      const missed = seen > next.seq || ids.has(commandId) ? undefined : missedOf(state, seen);
      if (!missed) break;
      const outcome = decide(next, sheet, envelopeOf(next, commandId, command, asker), context);
      if (!outcome.ok || outcome.events.some((e) => e.type === 'lesson-filed')) break;
      ids.add(commandId);
      events.push(...outcome.events);
      accepted.push({ seen, missed, last: outcome.state.seq });
      next = outcome.state;
    }
    if (accepted.length === 0) return [];
    const written = await this.write(m, sheet, state, head, { ok: true, events, state: next });
    return (
      written &&
      accepted.map(({ seen, missed, last }) => ({
        answer: { events: [...missed, ...written.filter((e) => e.seq > seen && e.seq <= last)] },
      }))
    );
  }

  /** The answer to a command that was given before: the same whenever it is asked for. */
  private async answerTo(m: EntityManager, jobId: string, given: Given, seen: number): Promise<CommandAnswer> {
    if (given.job !== jobId)
      throw new RefusedException({
        refusal: { code: 'other-job', says: 'It was given to another job', clears: 'Give it anew' },
        missed: [],
      });
    const missed = (await this.log.events(m, jobId, Math.min(seen, given.first - 1))).filter(
      (e) => e.seq <= given.last,
    );
    if (given.refusal)
      throw new RefusedException({ refusal: given.refusal, missed: missed.filter((e) => e.seq > seen) });
    return { events: missed };
  }

  /**
   * The common case in one round trip: the job is folded in memory, and the write goes through only if the job's head is
   * still the one that was folded. Undefined, with nothing written, when the case is another: somebody else was first,
   * the command is known or refused, or it also touches a drawer or a signature. The locked way then decides.
   */
  private async appendFromMemory(
    jobId: string,
    commandId: string,
    command: Command,
    seen: number,
    asker: Asker,
  ): Promise<CommandAnswer | undefined> {
    const kept = this.log.kept(jobId);
    if (!kept || kept.state.signed || needsLock.has(command.type) || seen > kept.state.seq) return undefined;
    const { state, head } = kept;
    const booked = state.booked;
    const missed = missedOf(state, seen);
    if (!booked || !missed) return undefined;
    const sheet = await this.log.sheetOf(booked.sheet.id, booked.sheet.revision);
    const outcome = decide(state, sheet, envelopeOf(state, commandId, command, asker), {
      drawers: {},
      money: await this.money(sheet),
    });
    if (!outcome.ok) return undefined;
    // A joint whose figure was computed files a lesson: it is kept with its event, under the job's lock.
    if (outcome.events.some((e) => e.type === 'lesson-filed')) return undefined;
    const events = await this.write(this.db.manager, sheet, state, head, outcome);
    return events && { events: [...missed, ...events] };
  }

  async append(
    m: EntityManager,
    jobId: string,
    commandId: string,
    command: Command,
    seen: number,
    asker: Asker,
  ): Promise<CommandAnswer> {
    const [row] = await lockJob(m, jobId);
    if (!row) throw new NotFoundException('There is no such job');
    // Asked once the job is locked: a question in the statement that waits for the lock sees what was before.
    const given = await givenCommand(m, commandId);
    if (given) return this.answerTo(m, jobId, given, seen);
    const sheet = await this.log.sheetOf(row.sheet, row.revision);
    const state = row.seq === 0 ? emptyBench(jobId) : await this.log.stateAt(m, { ...row, id: jobId });
    const taken = await takenPlace(m, jobId, command);
    const known = taken ? { refusal: taken } : await knownBooking(m, jobId, command);
    if ('refusal' in known)
      throw new RefusedException({ refusal: known.refusal, missed: await this.log.events(m, jobId, seen) }, row.seq);
    const outcome = decide(state, sheet, envelopeOf(state, commandId, known.command, asker), {
      drawers: command.type === 'fit-pack' ? await drawersOf(m, sheet, 'locked') : {},
      money: await this.money(sheet),
    });
    if (!outcome.ok)
      throw new RefusedException({ refusal: outcome.refusal, missed: await this.log.events(m, jobId, seen) }, row.seq);
    const events = await this.write(m, sheet, state, row.head, outcome);
    if (!events) throw new Error(`job ${jobId} changed under its own lock`);
    const newest = events.at(-1)!;
    if (events.some((e) => e.type === 'pack-fitted' || e.type === 'taken-back'))
      await bookPacks(m, sheet, state, outcome.state);
    await keepLessons(m, events, row);
    await keepOrderLines(m, events);
    await keepBooking(m, state, outcome.state);
    if (newest.type === 'handed-over') await this.units.keepVisit(m, newest.hash, sheet, outcome.state);
    if (
      newest.type === 'signed-off' ||
      newest.type === 'handed-over' ||
      (state.signed !== undefined && newest.type === 'moved')
    ) {
      const workshop = await this.workshopName(m);
      const { seq, hash: signedHead, at } = newest;
      const signatures = [...row.signatures, this.signing.sign(jobId, { seq, head: signedHead, at, workshop })];
      await m.query(`UPDATE job SET signatures = $2 WHERE id = $1`, [jobId, JSON.stringify(signatures)]);
    }
    const answer =
      seen === row.seq
        ? events
        : [...(await this.log.events(m, jobId, seen)).filter((e) => e.seq <= row.seq), ...events];
    return { events: answer };
  }

  /**
   * Writes what was decided, as one statement: events, the job's projection, and word to whoever listens. Only if the
   * job's head is still `head`; undefined when it is not, and then nothing is written.
   */
  private async write(
    m: EntityManager,
    sheet: Sheet,
    before: BenchState,
    head: string,
    outcome: Extract<Outcome, { ok: true }>,
  ): Promise<LoggedEvent[] | undefined> {
    // Through JSON once, so that what is hashed is what the database gives back.
    const events = JSON.parse(JSON.stringify(chain(head, outcome.events))) as LoggedEvent[];
    const newest = events.at(-1)!;
    const columns = project(sheet, outcome.state);
    const rows = await prepared<{ written: number }>(
      m,
      'append',
      `WITH changed AS (
         UPDATE job SET seq = $4, head = $5, stage = $6, progress = $7, next_move = $8, minutes_left = $9,
           aids_in = $10, parts_off = $11, hold = $12, place = $13, updated_at = $14, notices = $16, promise = $17
         WHERE id = $1 AND head = $3 RETURNING id
       ), added AS (
         INSERT INTO job_event (job_id, seq, id, type, v, payload, who, at, device_at, received_at, device, command, hash)
         SELECT changed.id, e.seq, e.id, e.type, e.v, e.payload, e.who, e.at, e."deviceAt", e."receivedAt", e.device, e.command, e.hash
         FROM changed, jsonb_to_recordset($2::jsonb) AS e(seq int, id text, type text, v int, payload jsonb, who jsonb, at text, "deviceAt" text, "receivedAt" text, device text, command text, hash text)
       ), given AS (
         INSERT INTO job_command (id, job_id, first_seq, last_seq)
         SELECT g.id, changed.id, g.first, g.last FROM changed, jsonb_to_recordset($18::jsonb) AS g(id text, first int, last int)
       ), told AS (
         SELECT pg_notify('jubb', $15) FROM changed
       ) SELECT count(*)::int AS written FROM told`,
      [
        before.job,
        JSON.stringify(events),
        head,
        newest.seq,
        newest.hash,
        columns['stage'],
        columns['progress'],
        columns['next_move'],
        columns['minutes_left'],
        columns['aids_in'],
        columns['parts_off'],
        columns['hold'] === null ? null : JSON.stringify(columns['hold']),
        columns['place'],
        newest.at,
        JSON.stringify({ job: before.job, seq: newest.seq }),
        JSON.stringify(columns['notices']),
        columns['promise'],
        JSON.stringify(commandsOf(events)),
      ],
    );
    if (rows[0]?.written !== 1) return undefined;
    // In an open transaction it may still be rolled back: then the row has another head, and what is kept is not used.
    this.log.keep(events.reduce(evolve, before), newest.hash);
    return events;
  }

  async exported(id: string): Promise<JobExport> {
    const { job, sheet, state } = await this.log.load(id);
    return {
      jubb: 'job-record/6',
      job: id,
      // As it was called when it signed, whatever it is called by now.
      workshop: job.signatures.at(-1)?.workshop ?? (await this.workshopName(this.db.manager)),
      sheet: await this.log.pinnedSheet(job.sheet, job.revision),
      events: await this.log.events(this.db.manager, id, 0),
      signatures: job.signatures,
      record: JSON.parse(JSON.stringify(buildRecord(sheet, state))) as JobExport['record'],
    };
  }

  private async workshopName(m: EntityManager): Promise<string> {
    // While the demo is loaded there is no workshop yet.
    return (await m.getRepository(Workshop).findOneBy({ id: 1 }))?.name ?? this.signing.unnamed;
  }

  /** Rate and tax as they are set now, with what the sheet is priced with; asked once a while, since every command is held against them. */
  private async money(sheet: Sheet): Promise<BillSettings> {
    const pricing = this.pricing.known(sheet);
    return { ...(await this.rates()), ...(pricing ? { pricing } : {}) };
  }

  private async rates(): Promise<MoneySettings> {
    const now = Date.now();
    if (!this.settings || now - this.settings.at > SETTINGS_MS) {
      const { rateMinor, taxPercent } = (await this.db.getRepository(Workshop).findOneBy({ id: 1 })) ?? NO_MONEY;
      this.settings = { at: now, money: { rateMinor, taxPercent } };
    }
    return this.settings.money;
  }

  /** Verifies a record out of a body, in a thread. */
  verify(body: Buffer | undefined): Promise<VerifyAnswer> {
    return this.heavy.run({ kind: 'verify', body: body ?? new Uint8Array(), keys: [this.publicKey] });
  }

  get publicKey(): string {
    return this.signing.publicKey;
  }
}

/** Commands that also touch a drawer, a place, a lesson or a signature, and so are decided under the job's lock. */
const needsLock: ReadonlySet<Command['type']> = new Set([
  'book', 'fit-pack', 'take-back', 'sign-off', 'hand-over', 'move', 'park', 'resume', 'surprise', 'add-photo',
  'order-parts', 'arrive-part', 'send-part-back', 'cancel-line', 'make-quote', 'answer-quote', 'correct',
]); // prettier-ignore

/** Locks a job until the transaction ends. */
const lockJob = (m: EntityManager, jobId: string): Promise<LockedRow[]> =>
  prepared<LockedRow>(m, 'lock', `SELECT seq, head, sheet, revision, signatures FROM job WHERE id = $1 FOR UPDATE`, [
    jobId,
  ]);

/** The commands that events are of, with the first and last of each. */
function commandsOf(events: readonly LoggedEvent[]): { id: string; first: number; last: number }[] {
  const out: { id: string; first: number; last: number }[] = [];
  for (const { command, seq } of events) {
    const last = out.at(-1);
    if (last?.id === command) last.last = seq;
    else out.push({ id: command, first: seq, last: seq });
  }
  return out;
}

/** The constraint that makes a command one. */
const COMMAND_ONCE = 'job_command_pkey';

const envelopeOf = (state: BenchState, id: string, command: Command, asker: Asker): CommandEnvelope => ({
  id,
  job: state.job,
  who: pick(asker.person),
  at: notBefore(state, asker).toISOString(),
  ...(asker.deviceAt === undefined ? {} : { deviceAt: asker.deviceAt }),
  ...(asker.receivedAt === undefined ? {} : { receivedAt: asker.receivedAt }),
  device: asker.device,
  command,
});

/** Times of a log never run backwards, but from one that is itself ahead of the clock. */
function notBefore(state: BenchState, { at, receivedAt }: Asker): Date {
  const last = state.history ? new Date(state.history.event.at) : at;
  const now = receivedAt === undefined ? at : new Date(receivedAt);
  return last > at && last.getTime() <= now.getTime() + AHEAD_MS ? last : at;
}

const pick = (p: Asker['person']): Asker['person'] => ({ id: p.id, name: p.name, initials: p.initials });

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
    notices: j.notices,
  };
}
