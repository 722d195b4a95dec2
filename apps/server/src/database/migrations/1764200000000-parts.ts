import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Parts: the catalogue, the drawers' stock, what is on order; rate and tax of the workshop; a list of visits that is quick. */
export class Parts1764200000000 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    await q.query(`
      ALTER TABLE workshop
        ADD COLUMN rate_minor int NOT NULL DEFAULT 5200 CHECK (rate_minor >= 0),
        ADD COLUMN tax_percent double precision NOT NULL DEFAULT 20 CHECK (tax_percent BETWEEN 0 AND 100),
        ADD COLUMN tax_name text NOT NULL DEFAULT 'VAT';
      CREATE TABLE catalogue_item (
        number text PRIMARY KEY,
        title text NOT NULL,
        price_minor int NOT NULL CHECK (price_minor >= 0),
        supplier text NOT NULL,
        superseded_by text CHECK (superseded_by <> number)
      );
      CREATE INDEX catalogue_superseded ON catalogue_item (number) WHERE superseded_by IS NOT NULL;
      CREATE TABLE stock_item (
        number text PRIMARY KEY,
        title text NOT NULL,
        bin text NOT NULL,
        count int NOT NULL CHECK (count >= 0)
      );
      CREATE TABLE order_line (
        line text PRIMARY KEY,
        order_ref text NOT NULL,
        job_id uuid NOT NULL REFERENCES job,
        number text NOT NULL,
        title text NOT NULL,
        count int NOT NULL CHECK (count > 0),
        price_minor int CHECK (price_minor >= 0),
        supplier text NOT NULL,
        kit boolean NOT NULL,
        parts jsonb NOT NULL,
        missing jsonb NOT NULL DEFAULT '[]',
        state text NOT NULL CHECK (state IN ('sending', 'on-its-way', 'out-of-stock', 'arrived', 'cancelled')),
        ordered_at timestamptz NOT NULL,
        expected timestamptz,
        arrived_at timestamptz,
        tries int NOT NULL DEFAULT 0,
        next_try timestamptz NOT NULL DEFAULT now(),
        last_error text
      );
      CREATE INDEX order_line_open ON order_line (state, expected) WHERE state IN ('sending', 'on-its-way', 'out-of-stock');
      CREATE INDEX order_line_arrived ON order_line (arrived_at DESC) WHERE state = 'arrived';
      CREATE INDEX order_line_job ON order_line (job_id);
      CREATE INDEX IF NOT EXISTS job_unit ON job (unit_id, number DESC);
      CREATE INDEX job_to_order ON job (number) WHERE stage <> 'handed-over' AND (notices -> 'parts' ->> 'toOrder')::int > 0;
    `);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`
      DROP INDEX job_to_order;
      DROP TABLE order_line, stock_item, catalogue_item;
      ALTER TABLE workshop DROP COLUMN rate_minor, DROP COLUMN tax_percent, DROP COLUMN tax_name;
    `);
  }
}
