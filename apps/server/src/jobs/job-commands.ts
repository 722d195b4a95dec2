import type { Refusal } from '@jubb/core/bench';
import type { DataSource, EntityManager } from 'typeorm';
import { prepared } from '../database/prepared.ts';

/** What was made of a command: its events, or why it was refused. */
export interface Given {
  readonly job: string;
  /** First and last of its events; of a refused one, twice the newest event that it was refused on. */
  readonly first: number;
  readonly last: number;
  readonly refusal: Refusal | null;
}

/** Refusals are remembered so long: longer than any sender tries again. */
const KEPT_DAYS = 7;

/** What became of a command, by its id; undefined for one that was never given. */
export async function givenCommand(m: EntityManager, id: string): Promise<Given | undefined> {
  const [row] = await prepared<Given>(
    m,
    'given',
    `SELECT job_id AS job, first_seq AS first, last_seq AS last, refusal FROM job_command WHERE id = $1`,
    [id],
  );
  return row;
}

/** Which of these commands something became of. */
export async function knownCommands(m: EntityManager, ids: readonly string[]): Promise<ReadonlySet<string>> {
  const rows = await prepared<{ id: string }>(m, 'known', `SELECT id FROM job_command WHERE id = ANY($1)`, [ids]);
  return new Set(rows.map((r) => r.id));
}

/** Remembers that a command was refused, unless something was made of it meanwhile; answers what stands. */
export async function keepRefusal(
  m: EntityManager,
  id: string,
  job: string,
  seq: number,
  refusal: Refusal,
): Promise<Given> {
  await m.query(
    `INSERT INTO job_command (id, job_id, first_seq, last_seq, refusal) VALUES ($1, $2, $3, $3, $4)
     ON CONFLICT (id) DO NOTHING`,
    [id, job, seq, JSON.stringify(refusal)],
  );
  const stands = await givenCommand(m, id);
  if (!stands) throw new Error(`command ${id} was refused and is not remembered`);
  return stands;
}

/** Forgets refusals that nobody asks for any more. */
export async function forgetRefusals(db: DataSource): Promise<void> {
  await db.query(
    `DELETE FROM job_command WHERE refusal IS NOT NULL AND at < now() - make_interval(days => ${KEPT_DAYS})`,
  );
}
