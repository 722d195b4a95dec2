import { Injectable, NotFoundException } from '@nestjs/common';
import { fold, type BenchState, type LoggedEvent } from '@jubb/core/bench';
import { currentSheet, type Sheet } from '@jubb/core/sheet';
import { DataSource, MoreThan, type EntityManager } from 'typeorm';
import { JobEventRow } from '../database/entities/job-event.entity.ts';
import { Job } from '../database/entities/job.entity.ts';
import { SheetRevision } from '../database/entities/sheet-revision.entity.ts';

/** Folded jobs kept at most. */
const KEPT = 200;

/**
 * A folded job and the hash of its newest event. The hash is held against the job's row before use: an append by another
 * server, or one of ours that was rolled back, has another head, and the log is read again.
 */
export interface Kept {
  readonly state: BenchState;
  readonly head: string;
}

/** Reads logs and folds them. */
@Injectable()
export class JobLog {
  private readonly states = new Map<string, Kept>();
  private readonly sheets = new Map<string, Sheet>();

  constructor(private readonly db: DataSource) {}

  /** A job with its state now. @throws NotFoundException */
  async load(jobId: string): Promise<{ job: Job; sheet: Sheet; state: BenchState }> {
    const job = await this.db.getRepository(Job).findOneBy({ id: jobId });
    if (!job) throw new NotFoundException('There is no such job');
    return {
      job,
      sheet: await this.sheetOf(job.sheet, job.revision),
      state: await this.stateAt(this.db.manager, job),
    };
  }

  /** The fold of a job's log up to what its row says, from memory when that is what is kept. */
  async stateAt(manager: EntityManager, row: Pick<Job, 'id' | 'seq' | 'head'>): Promise<BenchState> {
    const kept = this.states.get(row.id);
    if (kept?.state.seq === row.seq && kept.head === row.head) return kept.state;
    const state = fold(
      row.id,
      (await this.events(manager, row.id, 0)).filter((e) => e.seq <= row.seq),
    );
    this.keep(state, row.head);
    return state;
  }

  /** What is kept of a job, which may be behind its row. */
  kept(jobId: string): Kept | undefined {
    return this.states.get(jobId);
  }

  /** Keeps a state for the next command; `head` is the hash of its newest event. */
  keep(state: BenchState, head: string): void {
    this.states.delete(state.job);
    this.states.set(state.job, { state, head });
    const oldest = this.states.keys().next().value;
    if (this.states.size > KEPT && oldest !== undefined) this.states.delete(oldest);
  }

  async events(manager: EntityManager, jobId: string, after: number): Promise<LoggedEvent[]> {
    const rows = await manager
      .getRepository(JobEventRow)
      .find({ where: { jobId, seq: MoreThan(after) }, order: { seq: 'ASC' } });
    return rows.map(({ jobId: job, recordedAt: _, ...event }) => ({ ...event, job }) as unknown as LoggedEvent);
  }

  /** The sheet of a job, in the form of today. */
  async sheetOf(id: string, revision: number): Promise<Sheet> {
    return currentSheet(await this.pinnedSheet(id, revision));
  }

  /** The sheet of a job as it was compiled when the job pinned it: what its hash was made of. */
  async pinnedSheet(id: string, revision: number): Promise<Sheet> {
    const key = `${id}/${revision}`;
    const kept = this.sheets.get(key);
    if (kept) return kept;
    const row = await this.db.getRepository(SheetRevision).findOneByOrFail({ sheet: id, revision });
    this.sheets.set(key, row.compiled);
    return row.compiled;
  }
}
