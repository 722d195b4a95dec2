import { Injectable, NotFoundException } from '@nestjs/common';
import type { PastVisit, UnitView, VisitFigure } from '@jubb/contract';
import { buildRecord, END_TITLES, lowerFirst, placesRead, stageOf, standsAt, type BenchState } from '@jubb/core/bench';
import { formatQuantity, inCanonical, type Quantity } from '@jubb/core/quantities';
import type { Sheet } from '@jubb/core/sheet';
import { DataSource, ILike, type EntityManager } from 'typeorm';
import type { Job } from '../database/entities/job.entity.ts';
import { Unit } from '../database/entities/unit.entity.ts';
import { likeText } from '../database/like.ts';
import { JobLog } from '../jobs/job-log.ts';

/** Tests and settings as found and now, and the worst reading of each measure: what is drawn over the visits. */
function visitFigures(sheet: Sheet, state: BenchState): VisitFigure[] {
  const out: VisitFigure[] = [];
  for (const t of Object.values(sheet.tests))
    for (const moment of ['as-found', 'now'] as const) {
      const read = state.readings.findLast((r) => r.subject === 'test' && r.id === t.id && r.moment === moment);
      if (read)
        out.push({ id: t.id, title: t.title, moment, value: read.value, low: t.accept.low, high: t.accept.high });
    }
  for (const s of Object.values(sheet.settings)) {
    const found = state.readings.find((r) => r.subject === 'setting' && r.id === s.id && r.moment === 'as-found');
    const limits = { low: s.band.low, high: s.band.high };
    if (found) out.push({ id: s.id, title: s.title, moment: 'as-found', value: found.value, ...limits });
    const set = state.settings[s.id]?.confirmed;
    if (set) out.push({ id: s.id, title: s.title, moment: 'now', value: set.value, ...limits });
  }
  for (const m of Object.values(sheet.measures)) {
    const means = placesRead(m, state).map((p) => standsAt(p).mean);
    const own = (q: Quantity): number => inCanonical(q, m.dimension);
    const [worst] = means.sort((a, b) => (m.max === undefined ? own(a) - own(b) : own(b) - own(a)));
    if (worst)
      out.push({
        id: m.id,
        title: m.title,
        moment: 'as-found',
        value: worst,
        ...(m.min ? { low: m.min } : {}),
        ...(m.max ? { high: m.max } : {}),
      });
  }
  return out;
}

/** What a visit says of the unit, from its log. */
function visitOf(sheet: Sheet, state: BenchState): PastVisit {
  const { booked } = state;
  if (!booked) throw new Error(`job ${state.job} was never booked`);
  const record = buildRecord(sheet, state);
  const judged = record.findings
    .filter((f) => f.finding !== 'reuse')
    .map((f) => `${f.title}: ${f.finding}, ${lowerFirst(f.reason)}`);
  const set = record.comparisons.map((c) => {
    const from = c.asFound ? formatQuantity(c.asFound.value) : 'not read';
    return c.now
      ? `${c.title}: ${from} as found, ${formatQuantity(c.now.value)} after`
      : `${c.title}: ${from} as found`;
  });
  return {
    jobId: state.job,
    number: booked.number,
    booked: booked.at,
    complaint: booked.complaint,
    stage: stageOf(sheet, state),
    outcome: [...(state.end ? [`${END_TITLES[state.end.how]}: ${state.end.reason}`] : []), ...judged, ...set].slice(
      0,
      4,
    ),
    causes: record.desk.causes.map((c) => c.title),
    fitted: record.renewed.map((r) => (r.count > 1 ? `${r.count} × ${r.title}` : r.title)),
    methods: record.methods.map((m) => m.choice),
    deferrals: Object.values(state.deferrals).map(({ part, title, words, again }) => ({
      part,
      title,
      words,
      ...(again === undefined ? {} : { again }),
    })),
    judged: record.findings.filter((f) => f.finding !== 'watch').map((f) => f.part),
    figures: visitFigures(sheet, state),
    left: state.handedOver?.at ?? null,
    lookAgain: state.handedOver ? (sheet.handOver?.lookAgain ?? []) : [],
    cameFrom: booked.cameFrom?.number ?? null,
  };
}

/** Raised when {@link visitOf} says something else: what was kept in the older form is made again from the log. */
const VISIT_FORM = 2;
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
      visits: await this.visits(unit.id),
    };
  }
}
