import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Hours that a unit runs in a week; hours of the workshop that were agreed beside the usual ones. */
export class Agreed1764600000000 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    await q.query(`
      ALTER TABLE unit ADD COLUMN hours_per_week real CHECK (hours_per_week > 0 AND hours_per_week <= 168);
      CREATE TABLE extra_hours (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        starts timestamptz NOT NULL,
        ends timestamptz NOT NULL,
        helper boolean NOT NULL,
        person uuid REFERENCES person (id),
        by_name text NOT NULL,
        CHECK (ends > starts)
      );
    `);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`
      DROP TABLE extra_hours;
      ALTER TABLE unit DROP COLUMN hours_per_week;
    `);
  }
}
