import { Injectable } from '@nestjs/common';
import type { FoundView } from '@jubb/contract';
import { DataSource } from 'typeorm';
import { likeText } from '../database/like.ts';
import { SheetsService } from '../sheets/sheets.service.ts';

/** Rows of each kind at most. */
const EACH = 6;

@Injectable()
export class SearchService {
  constructor(
    private readonly db: DataSource,
    private readonly sheets: SheetsService,
  ) {}

  /** What holds the typed words: jobs first, then units, customers, sheets and their parts. Nothing for an empty text. */
  async find(q: unknown): Promise<FoundView[]> {
    const text = typeof q === 'string' ? q.trim() : '';
    if (text === '') return [];
    const like = likeText(text);
    const rows = async (sql: string): Promise<FoundView[]> => await this.db.query<FoundView[]>(sql, [like]);
    const [jobs, units, customers] = await Promise.all([
      rows(
        `SELECT 'job' AS kind, 'Job ' || j.number || ', ' || split_part(j.title, ',', 1) AS title,
           c.name || ' · ' || u.serial || ' · ' || j.complaint AS says,
           CASE WHEN j.stage = 'handed-over' THEN '/job/' || j.id || '/record' ELSE '/job/' || j.id END AS path
         FROM job j JOIN customer c ON c.id = j.customer_id JOIN unit u ON u.id = j.unit_id
         WHERE ('job ' || j.number) ILIKE $1 OR j.complaint ILIKE $1 OR c.name ILIKE $1 OR u.serial ILIKE $1 OR j.title ILIKE $1
         ORDER BY (j.stage = 'handed-over'), j.number DESC LIMIT ${EACH}`,
      ),
      rows(
        `SELECT 'unit' AS kind, u.serial || ', ' || u.model AS title,
           c.name || ' · ' || count(j.id) || CASE WHEN count(j.id) = 1 THEN ' visit' ELSE ' visits' END AS says,
           '/unit/' || u.id AS path
         FROM unit u JOIN customer c ON c.id = u.customer_id LEFT JOIN job j ON j.unit_id = u.id
         WHERE u.serial ILIKE $1 OR u.model ILIKE $1 OR c.name ILIKE $1
         GROUP BY u.id, c.name ORDER BY max(j.number) DESC NULLS LAST LIMIT ${EACH}`,
      ),
      rows(
        `SELECT 'customer' AS kind, c.name AS title, count(j.id) || ' jobs' AS says, '/?q=' || c.name AS path
         FROM customer c LEFT JOIN job j ON j.customer_id = c.id
         WHERE c.name ILIKE $1 GROUP BY c.id ORDER BY c.name LIMIT ${EACH}`,
      ),
    ]);
    return [...jobs, ...units, ...customers, ...(await this.inSheets(text.toLowerCase()))];
  }

  private async inSheets(text: string): Promise<FoundView[]> {
    const newest = await this.sheets.newest();
    const holds = (...words: (string | undefined)[]): boolean => words.some((w) => w?.toLowerCase().includes(text));
    const sheets = newest
      .map(({ compiled: s }) => s)
      .filter((s) => holds(s.title, s.id, s.maker, ...s.models))
      .slice(0, EACH)
      .map((s): FoundView => ({
        kind: 'sheet',
        title: s.title,
        says: `${s.maker} ${s.models.join(', ')}`,
        path: `/sheets/${s.id}`,
      }));
    const parts = newest
      .flatMap(({ compiled: s }) => Object.values(s.parts).map((part) => ({ s, part })))
      .filter(({ part }) => holds(part.title, part.order))
      .slice(0, EACH)
      .map(({ s, part }): FoundView => ({
        kind: 'part',
        title: part.order ? `${part.title}, ${part.order}` : part.title,
        says: s.title,
        path: `/sheets/${s.id}#part-${part.id}`,
      }));
    return [...sheets, ...parts];
  }
}
