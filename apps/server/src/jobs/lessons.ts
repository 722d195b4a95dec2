import type { LoggedEvent } from '@jubb/core/bench';
import type { EntityManager } from 'typeorm';

/** Keeps the lessons that a command filed, and drops those that it takes back, with the events that say so. */
export async function keepLessons(
  m: EntityManager,
  events: readonly LoggedEvent[],
  sheet: { readonly sheet: string; readonly revision: number },
): Promise<void> {
  for (const e of events) {
    if (e.type === 'taken-back')
      await m.query('DELETE FROM lesson WHERE job_id = $1 AND seq = ANY($2)', [e.job, e.payload.events]);
    if (e.type !== 'lesson-filed') continue;
    const { rung, kind, words } = e.payload;
    await m.query(
      `INSERT INTO lesson (job_id, seq, sheet, revision, rung, kind, words, by_name, at)
       VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9)`,
      [e.job, e.seq, sheet.sheet, sheet.revision, rung, kind, words, e.who.name, e.at],
    );
  }
}
