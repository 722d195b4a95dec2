import type { Command, Refusal } from '@jubb/core/bench';
import type { EntityManager } from 'typeorm';

const placed: ReadonlySet<Command['type']> = new Set(['move', 'park', 'resume']);

/**
 * Why a command that puts a unit somewhere cannot: one unit stands at a place. Two who put a unit at the same place at
 * once take turns on a lock of that place, so that the second is told.
 */
export async function takenPlace(m: EntityManager, jobId: string, command: Command): Promise<Refusal | undefined> {
  if (!placed.has(command.type) || !('to' in command) || typeof command.to !== 'string') return undefined;
  const to = command.to.trim();
  await m.query(`SELECT pg_advisory_xact_lock(hashtext('place ' || $1))`, [to]);
  const [other] = await m.query<{ number: number }[]>(
    `SELECT number FROM job WHERE place = $1 AND id <> $2 AND stage <> 'handed-over' LIMIT 1`,
    [to, jobId],
  );
  return other && { code: 'place-taken', says: `Job ${other.number} stands at ${to}`, clears: 'Move that one first' };
}
