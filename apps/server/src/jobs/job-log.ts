import { Injectable, NotFoundException } from '@nestjs/common';
import { evolve, fold, type BenchState, type LoggedEvent } from '@jubb/core/bench';
import { currentSheet, type Sheet } from '@jubb/core/sheet';
import { LRUCache } from 'lru-cache';
import { DataSource, MoreThanOrEqual, type EntityManager } from 'typeorm';
import { JobEventRow } from './job-event.entity.ts';
import { Job } from './job.entity.ts';
import { SheetRevision } from '../sheets/sheet-revision.entity.ts';

/** Folded jobs are kept up to this much of their logs, as JSON: a few times that in memory. */
const KEPT_BYTES = 12_000_000;
/** What an event weighs that is not counted letter by letter. */
const EVENT_BYTES = 700;
/** Logs read with one question. */
const TOGETHER = 25;

/**
 * A folded job and the hash of its newest event. The hash is held against the job's row before use: an append by another
 * server, or one of ours that was rolled back, has another head, and the log is read on from there.
 */
export interface Folded {
  readonly state: BenchState;
  readonly head: string;
}

export interface LoadedJob {
  readonly job: Job;
  readonly sheet: Sheet;
  readonly state: BenchState;
}

/** Reads logs and folds them. */
@Injectable()
export class JobLog {
  private readonly states = new LRUCache<string, Folded>({
    maxSize: KEPT_BYTES,
    // A log that is longer than all that is kept is kept alone, and the smallest weighs something.
    sizeCalculation: ({ state }) => Math.min(KEPT_BYTES, Math.max(1, state.seq) * EVENT_BYTES),
  });
  private readonly sheets = new Map<string, Sheet>();

  constructor(private readonly db: DataSource) {}

  /** A job with its state now. @throws NotFoundException */
  async load(jobId: string): Promise<LoadedJob> {
    // One statement: `findOne` asks twice where it joins.
    const job = await this.db
      .getRepository(Job)
      .createQueryBuilder('job')
      .innerJoinAndSelect('job.unit', 'unit')
      .innerJoinAndSelect('unit.customer', 'owner')
      .innerJoinAndSelect('job.customer', 'customer')
      .where('job.id = :jobId', { jobId })
      .getOne();
    if (!job) throw new NotFoundException('There is no such job');
    return {
      job,
      sheet: await this.sheetOf(job.sheet, job.revision),
      state: await this.stateAt(this.db.manager, job),
    };
  }

  /** Many jobs, in the order given: what is in memory costs no question, the rest is read many logs at a time. */
  async loadAll(jobs: readonly Job[]): Promise<LoadedJob[]> {
    const states = new Map<string, BenchState>();
    const behind: Job[] = [];
    for (const job of jobs) {
      const folded = this.states.get(job.id);
      if (folded && stands(folded, job)) states.set(job.id, folded.state);
      else behind.push(job);
    }
    for (let i = 0; i < behind.length; i += TOGETHER) {
      const some = behind.slice(i, i + TOGETHER);
      const rows = await this.db.manager
        .getRepository(JobEventRow)
        .createQueryBuilder('e')
        .where('e.jobId IN (:...ids)', { ids: some.map((j) => j.id) })
        .orderBy('e.jobId')
        .addOrderBy('e.seq')
        .getMany();
      for (const job of some) {
        const own = rows.filter((r) => r.jobId === job.id && r.seq <= job.seq).map(eventOf);
        states.set(job.id, this.keep(fold(job.id, own), job.head));
      }
    }
    const loaded: LoadedJob[] = [];
    for (const job of jobs)
      loaded.push({ job, sheet: await this.sheetOf(job.sheet, job.revision), state: states.get(job.id)! });
    return loaded;
  }

  /** The fold of a job's log up to what its row says: from memory, read on from memory, or read whole. */
  async stateAt(manager: EntityManager, row: Pick<Job, 'id' | 'seq' | 'head'>): Promise<BenchState> {
    const folded = this.states.get(row.id);
    if (folded && stands(folded, row)) return folded.state;
    const state =
      (folded && folded.state.seq < row.seq ? await this.readOn(manager, folded, row.seq) : undefined) ??
      fold(
        row.id,
        (await this.events(manager, row.id, 0)).filter((e) => e.seq <= row.seq),
      );
    return this.keep(state, row.head);
  }

  /** What is kept, with the events that came after it; undefined when the log went another way. */
  private async readOn(manager: EntityManager, folded: Folded, upTo: number): Promise<BenchState | undefined> {
    const [last, ...more] = await this.events(manager, folded.state.job, folded.state.seq - 1);
    if (last?.seq !== folded.state.seq || last.hash !== folded.head) return undefined;
    return more.filter((e) => e.seq <= upTo).reduce(evolve, folded.state);
  }

  /** What is kept of a job, which may be behind its row. */
  folded(jobId: string): Folded | undefined {
    return this.states.get(jobId);
  }

  /** Keeps a state for the next command; `head` is the hash of its newest event. */
  keep(state: BenchState, head: string): BenchState {
    this.states.set(state.job, { state, head });
    return state;
  }

  /** The events of a job after a sequence, in order. */
  async events(manager: EntityManager, jobId: string, after: number): Promise<LoggedEvent[]> {
    const rows = await manager
      .getRepository(JobEventRow)
      .find({ where: { jobId, seq: MoreThanOrEqual(after + 1) }, order: { seq: 'ASC' } });
    return rows.map(eventOf);
  }

  /**
   * The sheet of a job, in the form of today.
   * @param m of the transaction that asks, if one does: under a lock nobody waits for a second connection
   */
  async sheetOf(id: string, revision: number, m: EntityManager = this.db.manager): Promise<Sheet> {
    return currentSheet(await this.pinnedSheet(id, revision, m));
  }

  /** The sheet of a job as it was compiled when the job pinned it: what its hash was made of. */
  async pinnedSheet(id: string, revision: number, m: EntityManager = this.db.manager): Promise<Sheet> {
    const key = `${id}/${revision}`;
    const kept = this.sheets.get(key);
    if (kept) return kept;
    const row = await m.getRepository(SheetRevision).findOneByOrFail({ sheet: id, revision });
    this.sheets.set(key, row.compiled);
    return row.compiled;
  }
}

const stands = (folded: Folded, row: Pick<Job, 'seq' | 'head'>): boolean =>
  folded.state.seq === row.seq && folded.head === row.head;

/** An event as it was hashed: what a row has nothing of is not there. */
function eventOf({ jobId: job, recordedAt: _, deviceAt, receivedAt, ...event }: JobEventRow): LoggedEvent {
  return {
    ...event,
    job,
    ...(deviceAt === null ? {} : { deviceAt }),
    ...(receivedAt === null ? {} : { receivedAt }),
  } as unknown as LoggedEvent;
}

/**
 * The events after `seen` out of a folded log, in order; undefined when one of them was never given its hash and must be
 * read from the database.
 */
export function missedOf(state: BenchState, seen: number): LoggedEvent[] | undefined {
  const out: LoggedEvent[] = [];
  for (let h = state.history; h && h.event.seq > seen; h = h.before) {
    if (!('hash' in h.event)) return undefined;
    out.push(h.event as LoggedEvent);
  }
  return out.reverse();
}
