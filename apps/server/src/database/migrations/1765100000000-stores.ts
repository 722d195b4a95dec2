import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Suppliers, levels of what is kept, what was ordered for the shop itself; orders by telephone; where a unit works. */
export class Stores1765100000000 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    await q.query(`
      ALTER TABLE unit ADD COLUMN works_at text NOT NULL DEFAULT '';
      CREATE TABLE supplier (
        name text PRIMARY KEY,
        phone text NOT NULL DEFAULT '',
        email text NOT NULL DEFAULT '',
        account text NOT NULL DEFAULT '',
        notes text NOT NULL DEFAULT ''
      );
      INSERT INTO supplier (name) SELECT DISTINCT supplier FROM catalogue_item WHERE supplier <> '' ON CONFLICT DO NOTHING;
      -- Below "least" it is to be ordered, up to "up_to".
      ALTER TABLE stock_item ADD COLUMN least int, ADD COLUMN up_to int, ADD CHECK (up_to >= least);
      ALTER TABLE drawer_size ADD COLUMN least int, ADD COLUMN up_to int, ADD CHECK (up_to >= least);
      ALTER TABLE order_line ADD COLUMN by_telephone boolean NOT NULL DEFAULT false;
      CREATE TABLE shop_order (
        id uuid PRIMARY KEY,
        -- A number of the small parts, or a drawer and its size.
        number text,
        drawer text,
        thickness_nm int,
        title text NOT NULL,
        count int NOT NULL CHECK (count > 0),
        supplier text NOT NULL,
        price_minor int,
        ordered_at timestamptz NOT NULL,
        by_name text NOT NULL,
        state text NOT NULL DEFAULT 'ordered' CHECK (state IN ('ordered', 'arrived', 'cancelled')),
        ended_at timestamptz,
        CHECK ((number IS NULL) <> (drawer IS NULL)),
        CHECK ((drawer IS NULL) = (thickness_nm IS NULL))
      );
    `);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`
      DROP TABLE shop_order;
      ALTER TABLE order_line DROP COLUMN by_telephone;
      ALTER TABLE drawer_size DROP COLUMN up_to, DROP COLUMN least;
      ALTER TABLE stock_item DROP COLUMN up_to, DROP COLUMN least;
      DROP TABLE supplier;
      ALTER TABLE unit DROP COLUMN works_at;
    `);
  }
}
