import type { BenchState, Command, Refusal } from '@jubb/core/bench';
import type { EntityManager } from 'typeorm';

type Correct = Extract<Command, { type: 'correct' }>;

/**
 * What the tables have of the unit or the customer that a correction of the booking names: the customer of that name, made
 * unless there is one; or why the serial cannot be. Anything else goes through as it came.
 */
export async function knownBooking(
  m: EntityManager,
  jobId: string,
  command: Command,
): Promise<{ readonly command: Command } | { readonly refusal: Refusal }> {
  if (command.type !== 'correct') return { command };
  const { serial, customer } = command.to;
  if (serial !== undefined) {
    const [other] = await m.query<{ serial: string }[]>(
      `SELECT u.serial FROM unit u JOIN unit own ON own.sheet = u.sheet AND own.id <> u.id
       WHERE own.id = (SELECT unit_id FROM job WHERE id = $1) AND lower(u.serial) = lower($2)`,
      [jobId, serial.trim()],
    );
    if (other)
      return {
        refusal: {
          code: 'wrong-value',
          says: `Another unit has the serial ${other.serial}`,
          clears: 'Cancel this job, and book that unit in',
        },
      };
  }
  return { command: customer === undefined ? command : await withCustomer(m, command, customer.name.trim()) };
}

async function withCustomer(m: EntityManager, command: Correct, name: string): Promise<Correct> {
  await m.query(`INSERT INTO customer (name) VALUES ($1) ON CONFLICT (lower(name)) DO NOTHING`, [name]);
  const [customer] = await m.query<
    {
      id: string;
      name: string;
    }[]
  >(`SELECT id, name FROM customer WHERE lower(name) = lower($1)`, [name]);
  return { ...command, to: { ...command.to, customer: customer! } };
}

/**
 * Keeps the tables that the lists are made of as the booking now stands: corrected, or with a correction taken back. A unit
 * that was booked in under the wrong customer becomes the right one's.
 */
export async function keepBooking(m: EntityManager, before: BenchState, after: BenchState): Promise<void> {
  const [was, is] = [before.booked, after.booked];
  if (!was || !is) return;
  const facts = (b: typeof is): string => JSON.stringify([b.customer, b.complaint, b.unit.serial]);
  if (facts(was) === facts(is)) return;
  await m.query(
    // Whoever turned out to be another customer since is that one.
    `WITH kept AS (SELECT coalesce(merged_into, id) AS id FROM customer WHERE id = $2),
     own AS (UPDATE job SET customer_id = (SELECT id FROM kept), complaint = $3 WHERE id = $1 RETURNING unit_id)
     UPDATE unit SET serial = $4, customer_id = CASE WHEN unit.customer_id = $5 THEN (SELECT id FROM kept) ELSE unit.customer_id END
     FROM own WHERE unit.id = own.unit_id`,
    [after.job, is.customer.id, is.complaint, is.unit.serial, was.customer.id],
  );
}
