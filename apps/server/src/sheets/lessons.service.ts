import { Injectable } from '@nestjs/common';
import type { LessonView } from '@jubb/contract';
import { DataSource } from 'typeorm';
import type { Lesson } from '../quality/lesson.entity.ts';

/** What benches learned of a sheet: what was not as it says, and what a test that failed was led back to. */
@Injectable()
export class LessonsService {
  constructor(private readonly db: DataSource) {}

  /** What the benches learned against a sheet, newest first. */
  async lessons(id: string): Promise<LessonView[]> {
    const found = await this.db.query<(Lesson & { job_id: string; by_name: string; number: number })[]>(
      `SELECT l.*, j.number FROM lesson l JOIN job j ON j.id = l.job_id WHERE l.sheet = $1 ORDER BY l.at DESC LIMIT 100`,
      [id],
    );
    return found.map((l) => ({
      job: l.job_id,
      number: l.number,
      rung: l.rung,
      kind: l.kind,
      words: l.words,
      by: l.by_name,
      at: new Date(l.at).toISOString(),
    }));
  }

  /** How often each test of a sheet was led back to each suspect in the end: test → suspect → times. */
  async pastCauses(id: string): Promise<Record<string, Record<string, number>>> {
    const rows = await this.db.query<{ test: string; suspect: string; times: number }[]>(
      `SELECT test, suspect, count(*)::int AS times FROM (
         SELECT DISTINCT ON (e.job_id, e.payload->>'test') e.payload->>'test' AS test, e.payload->>'suspect' AS suspect
         FROM job_event e JOIN job j ON j.id = e.job_id
         WHERE j.sheet = $1 AND e.type = 'led-back'
         ORDER BY e.job_id, e.payload->>'test', e.seq DESC
       ) last GROUP BY test, suspect`,
      [id],
    );
    const out: Record<string, Record<string, number>> = {};
    for (const r of rows) (out[r.test] ??= {})[r.suspect] = r.times;
    return out;
  }
}
