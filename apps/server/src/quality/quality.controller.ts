import { Controller, Get } from '@nestjs/common';
import type { QualityLine, QualityView } from '@jubb/contract';
import { meanInterval, shareInterval, workedMinutes } from '@jubb/core/bench';
import { DataSource } from 'typeorm';
import { AllowedFor } from '../auth/access.ts';
import { Job } from '../database/entities/job.entity.ts';
import { JobLog } from '../jobs/job-log.ts';

const DAY_MS = 86_400_000;
/** A unit that is booked in again within this after it left came back (common practice: half a year). */
const COMES_BACK_DAYS = 183;
const LATEST = 400;

interface Seen {
  readonly sheet: string;
  readonly title: string;
  readonly methods: readonly (readonly [string, string])[];
  readonly hours: number;
  readonly sheetHours: number;
  readonly cameBack: boolean;
}

/** What the owner looks at: comebacks and hours by sheet and method, and the lessons that wait. */
@Controller('api/quality')
export class QualityController {
  constructor(
    private readonly db: DataSource,
    private readonly log: JobLog,
  ) {}

  @Get()
  @AllowedFor('owner')
  async view(): Promise<QualityView> {
    const jobs = await this.db.getRepository(Job).find({ order: { number: 'DESC' }, take: LATEST });
    const booked = new Map(
      (await this.db.query<{ job_id: string; at: string }[]>(`SELECT job_id, at FROM job_event WHERE seq = 1`)).map(
        (e) => [e.job_id, Date.parse(e.at)],
      ),
    );
    const seen: Seen[] = [];
    for (const { job, sheet, state } of await this.log.loadAll(jobs.filter((j) => j.stage === 'handed-over'))) {
      // What was not repaired says nothing of how repairs hold.
      if (state.end) continue;
      const worked = workedMinutes(sheet, state);
      const left = Date.parse(state.handedOver!.at);
      const back = jobs.some((j) => {
        const days = ((booked.get(j.id) ?? NaN) - left) / DAY_MS;
        return j.unitId === job.unitId && j.number > job.number && days >= 0 && days <= COMES_BACK_DAYS;
      });
      seen.push({
        sheet: job.sheet,
        title: sheet.title,
        methods: Object.entries(state.methods).map(([id, choice]) => {
          const m = sheet.methods[id];
          return [m?.ask ?? id, m?.choices.find((c) => c.id === choice)?.title ?? choice] as const;
        }),
        hours: worked.minutes / 60,
        sheetHours: worked.sheetMinutes / 60,
        cameBack: back,
      });
    }
    const sheets = [...new Set(seen.map((s) => s.sheet))].map((id) => {
      const own = seen.filter((s) => s.sheet === id);
      const asks = [...new Set(own.flatMap((s) => s.methods.map(([ask]) => ask)))];
      return {
        sheet: id,
        ...lineOf(own[0]!.title, own),
        methods: asks.flatMap((ask) => {
          const choices = [...new Set(own.flatMap((s) => s.methods.filter(([a]) => a === ask).map(([, c]) => c)))];
          return choices.map((choice) =>
            lineOf(
              `${ask} ${choice}`,
              own.filter((s) => s.methods.some(([a, c]) => a === ask && c === choice)),
            ),
          );
        }),
      };
    });
    const lessons = await this.db.query<QualityView['lessons']>(
      `SELECT l.sheet, l.rung, l.words, l.by_name AS by, l.at, j.number FROM lesson l JOIN job j ON j.id = l.job_id
       WHERE NOT EXISTS (SELECT 1 FROM sheet_revision s WHERE s.sheet = l.sheet AND s.revision > l.revision)
       ORDER BY l.at DESC LIMIT 50`,
    );
    return { sheets, lessons };
  }
}

function lineOf(title: string, own: readonly Seen[]): QualityLine {
  return {
    title,
    jobs: own.length,
    comebacks: shareInterval(own.filter((s) => s.cameBack).length, own.length) ?? null,
    hours: finite(meanInterval(own.map((s) => s.hours))),
    sheetHours: own.reduce((sum, s) => sum + s.sheetHours, 0) / Math.max(1, own.length),
  };
}

/** JSON knows no infinity: a range that is not known has no upper end. */
function finite(i: ReturnType<typeof meanInterval>): QualityLine['hours'] {
  return i ? { value: i.value, low: i.low, high: Number.isFinite(i.high) ? i.high : null } : null;
}
