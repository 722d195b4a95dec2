import { BadRequestException, ConflictException, Injectable } from '@nestjs/common';
import type { ImportedView, PastVisit } from '@jubb/contract';
import type { JobExport } from '@jubb/core/bench/verify';
import { isUUID } from 'class-validator';
import { DataSource } from 'typeorm';
import { HeavyService } from '../bounds/heavy.service.ts';
import { ImportedRecord } from './imported-record.entity.ts';
import { Job } from '../jobs/job.entity.ts';
import { JobsService } from '../jobs/jobs.service.ts';
import { UnitsService } from '../units/units.service.ts';
import type { RecordTrend } from './record-pdf.ts';

@Injectable()
export class RecordsService {
  constructor(
    private readonly db: DataSource,
    private readonly jobs: JobsService,
    private readonly units: UnitsService,
    private readonly heavy: HeavyService,
  ) {}

  exported(id: string): Promise<JobExport> {
    return this.jobs.exported(id);
  }

  async document(
    id: string,
    depth: 'customer' | 'workshop',
    base: string,
  ): Promise<{ readonly bytes: Uint8Array; readonly number: number }> {
    const file = await this.jobs.exported(id);
    const { unitId } = await this.db.getRepository(Job).findOneByOrFail({ id });
    const visits = depth === 'customer' ? await this.units.visits(unitId) : [];
    const unitUrl = `${base}/unit/${unitId}`;
    const bytes = await this.heavy.run({ kind: 'record-pdf', file, depth, unitUrl, trends: trendsOf(visits) });
    return { bytes, number: file.record.number };
  }

  /** @throws BadRequestException with every check that failed; ConflictException when it is here already */
  async take(body: Buffer | undefined, by: string): Promise<ImportedView> {
    const { verification: checked, record } = await this.jobs.verify(body);
    if (!record || checked.head === undefined)
      throw new BadRequestException({
        message: 'This record is not taken in',
        errors: { file: checked.checks.filter((c) => !c.good && c.what !== 'key').map((c) => c.says) },
      });
    if (isUUID(record.job) && (await this.db.getRepository(Job).findOneBy({ id: record.job })))
      throw new ConflictException('It is a record of this workshop: its job is here');
    const rows = this.db.getRepository(ImportedRecord);
    const taken = await this.db.query<unknown[]>(
      `INSERT INTO imported_record (head, workshop, job_number, serial, model, fingerprint, known, file, by_name)
       VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9) ON CONFLICT (head) DO NOTHING RETURNING head`,
      [
        checked.head,
        record.workshop,
        record.number,
        record.serial,
        record.model,
        checked.fingerprint ?? '',
        checked.known,
        record.json,
        by,
      ],
    );
    if (taken.length === 0) throw new ConflictException('This record was taken in before');
    return viewOf(await rows.findOneByOrFail({ head: checked.head }));
  }

  async imported(serial: string | undefined): Promise<ImportedView[]> {
    const rows = await this.db
      .getRepository(ImportedRecord)
      .find({ where: serial === undefined ? {} : { serial }, order: { at: 'DESC' }, take: 50 });
    return rows.map(viewOf);
  }
}

function viewOf(r: ImportedRecord): ImportedView {
  return {
    head: r.head,
    workshop: r.workshop,
    number: r.jobNumber,
    serial: r.serial,
    model: r.model,
    title: r.file.record.unit.title,
    fingerprint: r.fingerprint,
    known: r.known,
    by: r.byName,
    at: r.at.toISOString(),
    signed: r.file.record.signed?.at ?? null,
    renewed: r.file.record.renewed.map((p) => p.title),
  };
}

/** Figures that were read on more than one visit, the oldest first. */
function trendsOf(visits: readonly PastVisit[]): RecordTrend[] {
  const all = [...visits].reverse().flatMap((v) => v.figures.map((f) => ({ ...f, at: v.booked })));
  return [...new Set(all.map((f) => f.id))].flatMap((id) => {
    const own = all.filter((f) => f.id === id);
    const unit = own[0]!.value.unit;
    const same = own.filter((f) => f.value.unit === unit);
    return same.length < 2
      ? []
      : [
          {
            title: own[0]!.title,
            unit,
            points: same.slice(-6).map((f) => ({ at: f.at, moment: f.moment, value: f.value.value })),
          },
        ];
  });
}
