import { Injectable, NotFoundException } from '@nestjs/common';
import { fold, type BenchState, type LoggedEvent } from '@jubb/core/bench';
import type { Sheet } from '@jubb/core/sheet';
import { DataSource, MoreThan, type EntityManager } from 'typeorm';
import { JobEventRow } from '../database/entities/job-event.entity.ts';
import { Job } from '../database/entities/job.entity.ts';
import { SheetRevision } from '../database/entities/sheet-revision.entity.ts';

/** Folded jobs kept at most; each is checked against the row's sequence before use, so another server's append is seen. */
const KEPT = 200;

/** Reads logs and folds them. */
@Injectable()
export class JobLog {
  private readonly states = new Map<string, BenchState>();
  private readonly sheets = new Map<string, Sheet>();

  constructor(private readonly db: DataSource) {}

  /** A job with its state now. @throws NotFoundException */
  async load(jobId: string): Promise<{ job: Job; sheet: Sheet; state: BenchState }> {
    const job = await this.db.getRepository(Job).findOneBy({ id: jobId });
    if (!job) throw new NotFoundException('There is no such job');
    return {
      job,
      sheet: await this.sheetOf(job.sheet, job.revision),
      state: await this.stateAt(this.db.manager, job.id, job.seq),
    };
  }

  /** The fold of a job's log at a sequence, from memory when that is what is kept. */
  async stateAt(manager: EntityManager, jobId: string, seq: number): Promise<BenchState> {
    const kept = this.states.get(jobId);
    if (kept?.seq === seq) return kept;
    const state = fold(
      jobId,
      (await this.events(manager, jobId, 0)).filter((e) => e.seq <= seq),
    );
    this.keep(state);
    return state;
  }

  keep(state: BenchState): void {
    this.states.delete(state.job);
    this.states.set(state.job, state);
    const oldest = this.states.keys().next().value;
    if (this.states.size > KEPT && oldest !== undefined) this.states.delete(oldest);
  }

  async events(manager: EntityManager, jobId: string, after: number): Promise<LoggedEvent[]> {
    const rows = await manager
      .getRepository(JobEventRow)
      .find({ where: { jobId, seq: MoreThan(after) }, order: { seq: 'ASC' } });
    return rows.map(({ jobId: job, recordedAt: _, ...event }) => ({ ...event, job }) as unknown as LoggedEvent);
  }

  async sheetOf(id: string, revision: number): Promise<Sheet> {
    const key = `${id}/${revision}`;
    const kept = this.sheets.get(key);
    if (kept) return kept;
    const row = await this.db.getRepository(SheetRevision).findOneByOrFail({ sheet: id, revision });
    this.sheets.set(key, row.compiled);
    return row.compiled;
  }
}
