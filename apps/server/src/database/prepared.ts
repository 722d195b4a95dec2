import type { PoolClient, QueryResultRow } from 'pg';
import type { EntityManager } from 'typeorm';

/**
 * Runs a statement under a name, so that PostgreSQL plans it once a connection: for the few that every command runs.
 * Within the manager's transaction when it has one.
 */
export async function prepared<T extends QueryResultRow>(
  m: EntityManager,
  name: string,
  text: string,
  values: readonly unknown[],
): Promise<T[]> {
  const runner = m.queryRunner ?? m.connection.createQueryRunner();
  try {
    const client = (await runner.connect()) as PoolClient;
    return (await client.query<T>({ name, text, values: [...values] })).rows;
  } finally {
    if (!m.queryRunner) await runner.release();
  }
}
