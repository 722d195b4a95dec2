import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The thin line: people, customers, units, sheets, jobs and their log, drawer, instruments. */
export class First1764000000000 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    await q.query(`
      CREATE TABLE workshop (
        id int PRIMARY KEY CHECK (id = 1),
        name text NOT NULL,
        currency text NOT NULL,
        places jsonb NOT NULL
      );
      CREATE TABLE person (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        name text NOT NULL UNIQUE,
        initials text NOT NULL,
        role text NOT NULL CHECK (role IN ('owner', 'mechanic', 'parts')),
        pin_hash text NOT NULL,
        failed_tries int NOT NULL DEFAULT 0,
        locked_until timestamptz
      );
      CREATE TABLE session (
        token_hash text PRIMARY KEY,
        person_id uuid NOT NULL REFERENCES person ON DELETE CASCADE,
        expires_at timestamptz NOT NULL
      );
      CREATE TABLE customer (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        name text NOT NULL
      );
      CREATE UNIQUE INDEX customer_name ON customer (lower(name));
      CREATE TABLE unit (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        serial text NOT NULL,
        model text NOT NULL,
        sheet text NOT NULL,
        customer_id uuid NOT NULL REFERENCES customer
      );
      CREATE UNIQUE INDEX unit_serial ON unit (sheet, lower(serial));
      CREATE TABLE sheet_revision (
        sheet text NOT NULL,
        revision int NOT NULL,
        source text NOT NULL,
        hash text NOT NULL,
        compiled jsonb NOT NULL,
        PRIMARY KEY (sheet, revision)
      );
      CREATE SEQUENCE job_number START 301;
      CREATE TABLE job (
        id uuid PRIMARY KEY,
        number int NOT NULL UNIQUE,
        unit_id uuid NOT NULL REFERENCES unit,
        customer_id uuid NOT NULL REFERENCES customer,
        sheet text NOT NULL,
        revision int NOT NULL,
        title text NOT NULL,
        complaint text NOT NULL,
        seq int NOT NULL DEFAULT 0,
        head text NOT NULL,
        signatures jsonb NOT NULL DEFAULT '[]',
        stage text NOT NULL DEFAULT 'booked',
        progress real NOT NULL DEFAULT 0,
        next_move text NOT NULL DEFAULT '',
        minutes_left int NOT NULL DEFAULT 0,
        aids_in int NOT NULL DEFAULT 0,
        parts_off int NOT NULL DEFAULT 0,
        hold jsonb,
        promise timestamptz,
        place text,
        updated_at timestamptz NOT NULL DEFAULT now(),
        FOREIGN KEY (sheet, revision) REFERENCES sheet_revision
      );
      CREATE INDEX job_open ON job (stage) WHERE stage <> 'handed-over';
      CREATE INDEX job_unit ON job (unit_id);
      CREATE TABLE job_event (
        job_id uuid NOT NULL REFERENCES job,
        seq int NOT NULL,
        id text NOT NULL,
        type text NOT NULL,
        v int NOT NULL,
        payload jsonb NOT NULL,
        who jsonb NOT NULL,
        at text NOT NULL,
        device text NOT NULL,
        command text NOT NULL,
        hash text NOT NULL,
        recorded_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (job_id, seq)
      );
      CREATE INDEX job_event_command ON job_event (job_id, command);
      CREATE FUNCTION job_event_is_kept() RETURNS trigger LANGUAGE plpgsql AS $$
        BEGIN RAISE EXCEPTION 'the log is only ever added to'; END $$;
      CREATE TRIGGER job_event_kept BEFORE UPDATE OR DELETE ON job_event
        FOR EACH ROW EXECUTE FUNCTION job_event_is_kept();
      CREATE TABLE drawer_size (
        drawer text NOT NULL,
        thickness_nm int NOT NULL CHECK (thickness_nm > 0),
        count int NOT NULL CHECK (count >= 0),
        PRIMARY KEY (drawer, thickness_nm)
      );
      CREATE TABLE instrument (
        id text PRIMARY KEY,
        name text NOT NULL,
        kind text NOT NULL,
        unit text NOT NULL,
        resolution double precision NOT NULL,
        uncertainty jsonb,
        wrench jsonb,
        calibrated_to date,
        simulated boolean NOT NULL
      );
    `);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`
      DROP TABLE job_event, job, sheet_revision, unit, customer, session, person, workshop, drawer_size, instrument;
      DROP FUNCTION job_event_is_kept;
      DROP SEQUENCE job_number;
    `);
  }
}
