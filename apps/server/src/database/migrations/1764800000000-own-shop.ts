import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A shop of one's own: who left and who works at the bench, instruments that are not there any more, who changed what. */
export class OwnShop1764800000000 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    await q.query(`
      ALTER TABLE person ADD COLUMN left_at timestamptz, ADD COLUMN works boolean NOT NULL DEFAULT true;
      -- Until now the plan counted on mechanics alone.
      UPDATE person SET works = (role = 'mechanic');

      ALTER TABLE instrument
        ADD COLUMN retired_at timestamptz,
        ADD COLUMN number text,
        ADD COLUMN read_by text NOT NULL DEFAULT 'port';

      ALTER TABLE customer
        ADD COLUMN phone text NOT NULL DEFAULT '',
        ADD COLUMN email text NOT NULL DEFAULT '',
        ADD COLUMN address text NOT NULL DEFAULT '',
        ADD COLUMN notes text NOT NULL DEFAULT '',
        -- Two that were one: the row stays, since logs name it, and points to the one that is kept.
        ADD COLUMN merged_into uuid REFERENCES customer;

      CREATE TABLE shop_change (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        at timestamptz NOT NULL DEFAULT now(),
        by_name text NOT NULL,
        what text NOT NULL,
        was text,
        is_now text
      );
    `);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`
      DROP TABLE shop_change;
      ALTER TABLE customer DROP COLUMN merged_into, DROP COLUMN notes, DROP COLUMN address, DROP COLUMN email, DROP COLUMN phone;
      ALTER TABLE instrument DROP COLUMN read_by, DROP COLUMN number, DROP COLUMN retired_at;
      ALTER TABLE person DROP COLUMN works, DROP COLUMN left_at;
    `);
  }
}
