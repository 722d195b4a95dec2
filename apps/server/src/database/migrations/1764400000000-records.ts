import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Records that came from another workshop, and the private address of the calendar. */
export class Records1764400000000 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    await q.query(`
      ALTER TABLE workshop ADD COLUMN calendar_token text UNIQUE;
      CREATE TABLE imported_record (
        head text PRIMARY KEY,
        workshop text NOT NULL,
        job_number int NOT NULL,
        serial text NOT NULL,
        model text NOT NULL,
        fingerprint text NOT NULL,
        known boolean NOT NULL,
        file jsonb NOT NULL,
        by_name text NOT NULL,
        at timestamptz NOT NULL DEFAULT now()
      );
      CREATE INDEX imported_record_unit ON imported_record (serial, model);
    `);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`
      DROP TABLE imported_record;
      ALTER TABLE workshop DROP COLUMN calendar_token;
    `);
  }
}
