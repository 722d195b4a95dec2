import { ConflictException, Injectable, NotFoundException } from '@nestjs/common';
import type { PastVisit, UnitFactsDto, UnitView } from '@jubb/contract';
import { visitOf, type BenchState } from '@jubb/core/bench';
import type { Sheet } from '@jubb/core/sheet';
import { DataSource, ILike, Not, Raw, type EntityManager } from 'typeorm';
import type { Job } from '../jobs/job.entity.ts';
import { Unit } from './unit.entity.ts';
import { likeText } from '../database/like.ts';
import type { Person } from '../auth/person.entity.ts';
import { wrongField } from '../problems/wrong-field.ts';
import { ShopChangesService } from '../shop/shop-changes.service.ts';
import { JobLog } from '../jobs/job-log.ts';

/** Raised when {@link visitOf} says something else: what was kept in the older form is made again from the log. */
const VISIT_FORM = 3;
interface KeptVisit {
  readonly form: number;
  /** Head of the log that it was made from. */
  readonly head: string;
  readonly visit: PastVisit;
}
type VisitRow = Pick<Job, 'id' | 'sheet' | 'revision' | 'seq' | 'head' | 'stage'> & {
  readonly visit: KeptVisit | null;
};

@Injectable()
export class UnitsService {
  constructor(
    private readonly db: DataSource,
    private readonly log: JobLog,
    private readonly changes: ShopChangesService,
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

  /** Puts right what a unit is called, and where it works. @throws ConflictException when another of its kind has that serial */
  async set(id: string, { serial, model, worksAt }: UnitFactsDto, me: Person): Promise<UnitView> {
    await this.db.transaction(async (m) => {
      const unit = await m
        .getRepository(Unit)
        .findOne({ where: { id }, lock: { mode: 'pessimistic_write', tables: ['unit'] } });
      if (!unit) throw new NotFoundException('There is no such unit');
      const is = { serial: serial.trim(), model: model.trim(), worksAt: worksAt.trim() };
      const other = await m.getRepository(Unit).findOneBy({
        sheet: unit.sheet,
        serial: Raw((column) => `lower(${column}) = lower(:serial)`, { serial: is.serial }),
        id: Not(id),
      });
      if (other)
        throw new ConflictException(
          wrongField('serial', `${other.serial} is another unit of its kind, of ${other.customer.name}`),
        );
      await m.getRepository(Unit).update({ id }, is);
      await this.changes.note(m, me, [
        { what: `unit ${unit.serial}: serial number`, was: unit.serial, is: is.serial },
        { what: `unit ${unit.serial}: model`, was: unit.model, is: is.model },
        { what: `unit ${unit.serial}: where it works`, was: unit.worksAt, is: is.worksAt },
      ]);
    });
    return this.get(id);
  }

  /** Says how long a unit runs in a week; null when nobody knows. */
  async runs(id: string, hoursPerWeek: number | null): Promise<UnitView> {
    const { affected } = await this.db.getRepository(Unit).update({ id }, { hoursPerWeek });
    if (!affected) throw new NotFoundException('There is no such unit');
    return this.get(id);
  }

  /** Visits of a unit, newest first, without one job if it is named. */
  async visits(unitId: string, except?: string): Promise<PastVisit[]> {
    const rows = await this.db.query<VisitRow[]>(
      `SELECT id, sheet, revision, seq, head, stage, visit FROM job WHERE unit_id = $1 ORDER BY number DESC LIMIT 10`,
      [unitId],
    );
    return Promise.all(rows.filter((j) => j.id !== except).map((j) => this.visit(j)));
  }

  /** One visit: as it was kept when it ended, else from its log. */
  private async visit(j: VisitRow): Promise<PastVisit> {
    if (j.visit?.form === VISIT_FORM && j.visit.head === j.head) return j.visit.visit;
    const sheet = await this.log.sheetOf(j.sheet, j.revision);
    const state = await this.log.stateAt(this.db.manager, j);
    if (j.stage === 'handed-over') await this.keepVisit(this.db.manager, j.head, sheet, state);
    return visitOf(sheet, state);
  }

  /** Writes down what a visit that is over says of its unit, so that History reads no logs. */
  async keepVisit(m: EntityManager, head: string, sheet: Sheet, state: BenchState): Promise<void> {
    const kept: KeptVisit = { form: VISIT_FORM, head, visit: visitOf(sheet, state) };
    await m.query(`UPDATE job SET visit = $3 WHERE id = $1 AND head = $2`, [state.job, head, JSON.stringify(kept)]);
  }

  private async view(unit: Unit): Promise<UnitView> {
    return {
      id: unit.id,
      serial: unit.serial,
      model: unit.model,
      sheet: unit.sheet,
      customer: { id: unit.customer.id, name: unit.customer.name },
      hoursPerWeek: unit.hoursPerWeek,
      worksAt: unit.worksAt,
      visits: await this.visits(unit.id),
    };
  }
}
