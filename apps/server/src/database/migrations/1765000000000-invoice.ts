import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Invoices for what was done: numbered without a gap, never changed; credits take back, payments stand beside. */
export class Invoice1765000000000 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    await q.query(`
      ALTER TABLE workshop
        ADD COLUMN address text NOT NULL DEFAULT '',
        ADD COLUMN tax_number text NOT NULL DEFAULT '',
        ADD COLUMN pay_words text NOT NULL DEFAULT '',
        ADD COLUMN pay_days int NOT NULL DEFAULT 14,
        ADD COLUMN invoice_next int NOT NULL DEFAULT 1;
      CREATE TABLE invoice (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        command_id uuid NOT NULL UNIQUE,
        number int NOT NULL UNIQUE,
        kind text NOT NULL CHECK (kind IN ('invoice', 'credit')),
        -- Of a credit: the invoice that it takes back, and which of its lines.
        of_id uuid REFERENCES invoice,
        of_lines int[],
        job_id uuid NOT NULL REFERENCES job,
        customer_id uuid NOT NULL REFERENCES customer,
        -- What stood in the job's log when it was made.
        seq int NOT NULL,
        day date NOT NULL,
        due date NOT NULL,
        -- As it was sent: names and words stay what they were.
        sent jsonb NOT NULL,
        currency text NOT NULL,
        tax_percent double precision NOT NULL,
        net_minor bigint NOT NULL,
        tax_minor bigint NOT NULL,
        total_minor bigint NOT NULL,
        by_name text NOT NULL,
        CHECK ((kind = 'credit') = (of_id IS NOT NULL)),
        CHECK (net_minor + tax_minor = total_minor)
      );
      CREATE INDEX invoice_job ON invoice (job_id);
      CREATE INDEX invoice_of ON invoice (of_id);
      CREATE TABLE invoice_payment (
        command_id uuid PRIMARY KEY,
        invoice_id uuid NOT NULL REFERENCES invoice,
        day date NOT NULL,
        amount_minor bigint NOT NULL CHECK (amount_minor <> 0),
        how text NOT NULL,
        note text NOT NULL,
        by_name text NOT NULL,
        at timestamptz NOT NULL DEFAULT now()
      );
      CREATE INDEX invoice_payment_invoice ON invoice_payment (invoice_id);
    `);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`
      DROP TABLE invoice_payment;
      DROP TABLE invoice;
      ALTER TABLE workshop DROP COLUMN invoice_next, DROP COLUMN pay_days, DROP COLUMN pay_words, DROP COLUMN tax_number, DROP COLUMN address;
    `);
  }
}
