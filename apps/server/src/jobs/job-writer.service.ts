import { Injectable, NotFoundException } from '@nestjs/common';
import type { CommandAnswer } from '@jubb/contract';
import {
  decide,
  emptyBench,
  evolve,
  type BenchState,
  type Command,
  type JobEvent,
  type LoggedEvent,
  type Outcome,
} from '@jubb/core/bench';
import type { JobExport } from '@jubb/core/bench/verify';
import type { Sheet } from '@jubb/core/sheet';
import { DataSource, type EntityManager } from 'typeorm';
import { Batches, type Settled } from '../bounds/batches.ts';
import { breaksUnique } from '../database/database-errors.ts';
import { prepared } from '../database/prepared.ts';
import { RefusedException } from '../problems/refused.exception.ts';
import { UnitsService } from '../units/units.service.ts';
import { envelopeOf, type Asker } from './asker.ts';
import { keepBooking, knownBooking } from './booking-corrected.ts';
import { bookPacks, drawersOf } from './drawers.ts';
import { givenCommand, keepRefusal, knownCommands, type Given } from './job-commands.ts';
import { JobLog, missedOf } from './job-log.ts';
import { keepLessons } from './lessons.ts';
import { keepOrderLines } from './order-lines.ts';
import { takenPlace } from './places.ts';
import { RatesService } from './rates.service.ts';
import { SigningService } from './signing.service.ts';
import { writeEvents } from './write-events.ts';

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

/** Commands that also touch a drawer, a place, a lesson or a signature, and so are decided under the job's lock. */
const needsLock: ReadonlySet<Command['type']> = new Set([
  'book', 'fit-pack', 'take-back', 'sign-off', 'hand-over', 'move', 'park', 'resume', 'surprise', 'add-photo',
  'order-parts', 'arrive-part', 'send-part-back', 'cancel-line', 'make-quote', 'answer-quote', 'correct',
]); // prettier-ignore

/** The constraint that makes a command one. */
const COMMAND_ONCE = 'job_command_pkey';

/** Locks a job until the transaction ends. */
const lockJob = (m: EntityManager, jobId: string): Promise<LockedRow[]> =>
  prepared<LockedRow>(m, 'lock', `SELECT seq, head, sheet, revision, signatures FROM job WHERE id = $1 FOR UPDATE`, [
    jobId,
  ]);

/** Gives jobs their commands: each is decided on what its log says, and written once. */
@Injectable()
export class JobWriter {
  private readonly batches = new Batches<Asked, CommandAnswer>((job, asked) => this.giveAll(job, asked));
  constructor(
    private readonly db: DataSource,
    private readonly log: JobLog,
    private readonly signing: SigningService,
    private readonly units: UnitsService,
    private readonly rates: RatesService,
  ) {}

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
    const folded = this.log.folded(jobId);
    if (folded) {
      try {
        const done = await this.decideMany(this.db.manager, folded.state, folded.head, asked);
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
    const sheet = await this.log.sheetOf(booked.sheet.id, booked.sheet.revision, m);
    const context = { drawers: {}, money: await this.rates.money(sheet, m) };
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
    const folded = this.log.folded(jobId);
    if (!folded || folded.state.signed || needsLock.has(command.type) || seen > folded.state.seq) return undefined;
    const { state, head } = folded;
    const booked = state.booked;
    const missed = missedOf(state, seen);
    if (!booked || !missed) return undefined;
    const sheet = await this.log.sheetOf(booked.sheet.id, booked.sheet.revision);
    const outcome = decide(state, sheet, envelopeOf(state, commandId, command, asker), {
      drawers: {},
      money: await this.rates.money(sheet),
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
    const sheet = await this.log.sheetOf(row.sheet, row.revision, m);
    const state = row.seq === 0 ? emptyBench(jobId) : await this.log.stateAt(m, { ...row, id: jobId });
    const taken = await takenPlace(m, jobId, command);
    const known = taken ? { refusal: taken } : await knownBooking(m, jobId, command);
    if ('refusal' in known)
      throw new RefusedException({ refusal: known.refusal, missed: await this.log.events(m, jobId, seen) }, row.seq);
    const outcome = decide(state, sheet, envelopeOf(state, commandId, known.command, asker), {
      drawers: command.type === 'fit-pack' ? await drawersOf(m, sheet, 'locked') : {},
      money: await this.rates.money(sheet, m),
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
      const workshop = await this.signing.workshopName(m);
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

  private async write(
    m: EntityManager,
    sheet: Sheet,
    before: BenchState,
    head: string,
    outcome: Extract<Outcome, { ok: true }>,
  ): Promise<LoggedEvent[] | undefined> {
    const events = await writeEvents(m, sheet, before, head, outcome);
    // In an open transaction it may still be rolled back: then the row has another head, and what is kept is not used.
    if (events) this.log.keep(events.reduce(evolve, before), events.at(-1)!.hash);
    return events;
  }
}
