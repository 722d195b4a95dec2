import { Injectable } from '@nestjs/common';
import type { QualityView } from '@jubb/contract';
import { doneVisit, qualityOf } from '@jubb/core/bench';
import { DataSource } from 'typeorm';
import { Job } from '../jobs/job.entity.ts';
import { JobEventRow } from '../jobs/job-event.entity.ts';
import { JobLog } from '../jobs/job-log.ts';

/** The newest jobs that are looked at. */
const LATEST = 400;

@Injectable()
export class QualityService {
  constructor(
    private readonly db: DataSource,
    private readonly log: JobLog,
  ) {}

  /** Comebacks and hours by sheet and method, and the lessons that no newer revision has answered. */
  async view(): Promise<QualityView> {
    const jobs = await this.db.getRepository(Job).find({ order: { number: 'DESC' }, take: LATEST });
    const booked = await this.db
      .getRepository(JobEventRow)
      .find({ where: { seq: 1 }, select: { jobId: true, at: true } });
    const bookedAt = new Map(booked.map((e) => [e.jobId, e.at]));
    const over = await this.log.loadAll(jobs.filter((j) => j.stage === 'handed-over'));
    const visits = over.flatMap(({ job, sheet, state }) => {
      const later = jobs.filter((j) => j.unitId === job.unitId && j.number > job.number);
      const visit = doneVisit(
        sheet,
        state,
        later.flatMap((j) => bookedAt.get(j.id) ?? []),
      );
      return visit ? [visit] : [];
    });
    const lessons = await this.db.query<QualityView['lessons']>(
      `SELECT l.sheet, l.rung, l.words, l.by_name AS by, l.at, j.number FROM lesson l JOIN job j ON j.id = l.job_id
       WHERE NOT EXISTS (SELECT 1 FROM sheet_revision s WHERE s.sheet = l.sheet AND s.revision > l.revision)
       ORDER BY l.at DESC LIMIT 50`,
    );
    return { sheets: qualityOf(visits), lessons };
  }
}
