import { chain, type BenchState, type LoggedEvent, type Outcome } from '@jubb/core/bench';
import type { Sheet } from '@jubb/core/sheet';
import { createHash } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import { prepared } from '../database/prepared.ts';
import { project } from './projection.ts';

const sha256 = (text: string): string => createHash('sha256').update(text).digest('hex');

/**
 * Writes what was decided, as one statement: events, the job's projection, and word to whoever listens. Only if the
 * job's head is still `head`; undefined when it is not, and then nothing is written.
 */
export async function writeEvents(
  m: EntityManager,
  sheet: Sheet,
  before: BenchState,
  head: string,
  outcome: Extract<Outcome, { ok: true }>,
): Promise<LoggedEvent[] | undefined> {
  // Through JSON once, so that what is hashed is what the database gives back.
  const text = JSON.stringify(chain(head, outcome.events, sha256));
  const events = JSON.parse(text) as LoggedEvent[];
  const newest = events.at(-1)!;
  const columns = project(sheet, outcome.state);
  const rows = await prepared<{ written: number }>(
    m,
    'append',
    `WITH changed AS (
       UPDATE job SET seq = $4, head = $5, stage = $6, progress = $7, next_move = $8, minutes_left = $9,
         aids_in = $10, parts_off = $11, hold = $12, place = $13, updated_at = $14, notices = $16, delivery_date = $17
       WHERE id = $1 AND head = $3 RETURNING id
     ), added AS (
       INSERT INTO job_event (job_id, seq, id, type, v, payload, who, at, device_at, received_at, device, command, hash)
       SELECT changed.id, e.seq, e.id, e.type, e.v, e.payload, e.who, e.at, e."deviceAt", e."receivedAt", e.device, e.command, e.hash
       FROM changed, jsonb_to_recordset($2::jsonb) AS e(seq int, id text, type text, v int, payload jsonb, who jsonb, at text, "deviceAt" text, "receivedAt" text, device text, command text, hash text)
     ), given AS (
       INSERT INTO job_command (id, job_id, first_seq, last_seq)
       SELECT g.id, changed.id, g.first, g.last FROM changed, jsonb_to_recordset($18::jsonb) AS g(id text, first int, last int)
     ), told AS (
       SELECT pg_notify('jubb', $15) FROM changed
     ) SELECT count(*)::int AS written FROM told`,
    [
      before.job,
      text,
      head,
      newest.seq,
      newest.hash,
      columns['stage'],
      columns['progress'],
      columns['next_move'],
      columns['minutes_left'],
      columns['aids_in'],
      columns['parts_off'],
      columns['hold'] === null ? null : JSON.stringify(columns['hold']),
      columns['place'],
      newest.at,
      JSON.stringify({ job: before.job, seq: newest.seq }),
      JSON.stringify(columns['notices']),
      columns['delivery_date'],
      JSON.stringify(commandsOf(events)),
    ],
  );
  if (rows[0]?.written !== 1) return undefined;
  return events;
}

/** The commands that events are of, with the first and last of each. */
function commandsOf(events: readonly LoggedEvent[]): { id: string; first: number; last: number }[] {
  const out: { id: string; first: number; last: number }[] = [];
  for (const { command, seq } of events) {
    const last = out.at(-1);
    if (last?.id === command) last.last = seq;
    else out.push({ id: command, first: seq, last: seq });
  }
  return out;
}
