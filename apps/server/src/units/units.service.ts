import { Injectable, NotFoundException } from '@nestjs/common';
import type { PastVisit, UnitView } from '@jubb/contract';
import { formatQuantity } from '@jubb/core/quantities';
import { buildRecord } from '@jubb/core/bench';
import { DataSource, ILike } from 'typeorm';
import { Job } from '../database/entities/job.entity.ts';
import { Unit } from '../database/entities/unit.entity.ts';
import { likeText } from '../database/like.ts';
import { JobLog } from '../jobs/job-log.ts';

@Injectable()
export class UnitsService {
  constructor(
    private readonly db: DataSource,
    private readonly log: JobLog,
  ) {}

  async find(q: string | undefined): Promise<UnitView[]> {
    const units = await this.db
      .getRepository(Unit)
      .find({ where: { serial: ILike(likeText(q)) }, order: { serial: 'ASC' }, take: 8 });
    return Promise.all(units.map((u) => this.view(u)));
  }

  async get(id: string): Promise<UnitView> {
    const unit = await this.db.getRepository(Unit).findOneBy({ id });
    if (!unit) throw new NotFoundException('There is no such unit');
    return this.view(unit);
  }

  /** Visits of a unit, newest first, without one job if it is named. */
  async visits(unitId: string, except?: string): Promise<PastVisit[]> {
    const jobs = await this.db.getRepository(Job).find({ where: { unitId }, order: { number: 'DESC' }, take: 10 });
    return Promise.all(
      jobs
        .filter((j) => j.id !== except)
        .map(async (j) => {
          const { sheet, state } = await this.log.load(j.id);
          const record = buildRecord(sheet, state);
          const judged = record.findings
            .filter((f) => f.finding !== 'reuse')
            .map((f) => `${f.title}: ${f.finding}, ${f.reason.toLowerCase()}`);
          const set = record.comparisons.map((c) => {
            const from = c.asFound ? formatQuantity(c.asFound.value) : 'not read';
            return c.now
              ? `${c.title}: ${from} as found, ${formatQuantity(c.now.value)} after`
              : `${c.title}: ${from} as found`;
          });
          return {
            jobId: j.id,
            number: j.number,
            booked: state.booked?.at ?? j.updatedAt.toISOString(),
            complaint: j.complaint,
            stage: j.stage,
            outcome: [...judged, ...set].slice(0, 4),
          };
        }),
    );
  }

  private async view(unit: Unit): Promise<UnitView> {
    return {
      id: unit.id,
      serial: unit.serial,
      model: unit.model,
      sheet: unit.sheet,
      customer: { id: unit.customer.id, name: unit.customer.name },
      visits: await this.visits(unit.id),
    };
  }
}
