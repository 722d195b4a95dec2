import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What the supplier asks today; what a visit that is over says of its unit, so that History reads no logs. */
export class Visits1764300000000 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    await q.query(`
      ALTER TABLE order_line ADD COLUMN asked_minor int CHECK (asked_minor >= 0);
      ALTER TABLE job ADD COLUMN visit jsonb;
    `);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`
      ALTER TABLE order_line DROP COLUMN asked_minor;
      ALTER TABLE job DROP COLUMN visit;
    `);
  }
}
