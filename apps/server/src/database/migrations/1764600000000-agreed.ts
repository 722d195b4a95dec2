import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Hours that a unit runs in a week; what a job weighs in the plan; hours of the workshop that were agreed beside the usual ones. */
export class Agreed1764600000000 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    await q.query(`
      ALTER TABLE unit ADD COLUMN hours_per_week real CHECK (hours_per_week > 0 AND hours_per_week <= 168);
      ALTER TABLE job ADD COLUMN weight real NOT NULL DEFAULT 1 CHECK (weight > 0);
      CREATE TABLE extra_hours (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        starts timestamptz NOT NULL,
        ends timestamptz NOT NULL,
        helper boolean NOT NULL,
        person uuid REFERENCES person (id),
        by_name text NOT NULL,
        CHECK (ends > starts)
      );
      -- Who looks at the week hears of what it is planned from and no job's log holds.
      CREATE FUNCTION tell_week() RETURNS trigger LANGUAGE plpgsql AS $f$
        BEGIN
          PERFORM pg_notify('jubb', '{"job": "", "seq": 0, "week": true}');
          RETURN NULL;
        END $f$;
      CREATE TRIGGER order_day_told AFTER UPDATE OF expected, arrived_at ON order_line FOR EACH STATEMENT EXECUTE FUNCTION tell_week();
      CREATE TRIGGER extra_hours_told AFTER INSERT OR DELETE ON extra_hours FOR EACH STATEMENT EXECUTE FUNCTION tell_week();
      CREATE TRIGGER day_off_told AFTER INSERT OR DELETE ON day_off FOR EACH STATEMENT EXECUTE FUNCTION tell_week();
      CREATE TRIGGER plan_told AFTER INSERT OR UPDATE ON plan_in_force FOR EACH STATEMENT EXECUTE FUNCTION tell_week();
      CREATE TRIGGER weight_told AFTER UPDATE OF weight ON job FOR EACH STATEMENT EXECUTE FUNCTION tell_week();
      CREATE TRIGGER hours_told AFTER UPDATE OF hours, tools ON workshop FOR EACH STATEMENT EXECUTE FUNCTION tell_week();
    `);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`
      DROP TRIGGER weight_told ON job;
      DROP TRIGGER hours_told ON workshop;
      DROP TRIGGER plan_told ON plan_in_force;
      DROP TRIGGER day_off_told ON day_off;
      DROP TRIGGER order_day_told ON order_line;
      DROP TABLE extra_hours;
      DROP FUNCTION tell_week;
      ALTER TABLE job DROP COLUMN weight;
      ALTER TABLE unit DROP COLUMN hours_per_week;
    `);
  }
}
