import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Backups that were taken or tried, and when the nightly one is due. */
export class Backup1764900000000 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    await q.query(`
      ALTER TABLE workshop ADD COLUMN backup_at text, ADD COLUMN backup_since timestamptz;
      CREATE TABLE backup (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        asked_at timestamptz NOT NULL,
        -- Nobody: a nightly one.
        by_name text,
        state text NOT NULL DEFAULT 'running' CHECK (state IN ('running', 'done', 'failed')),
        file text NOT NULL,
        bytes bigint,
        sha256 text,
        jobs int,
        problem text
      );
    `);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`DROP TABLE backup; ALTER TABLE workshop DROP COLUMN backup_since, DROP COLUMN backup_at;`);
  }
}
