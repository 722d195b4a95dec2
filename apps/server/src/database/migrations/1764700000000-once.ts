import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * What must hold is held by the database: a command is written once, a place has one unit, a lesson has its event.
 * Tries to sign in, devices that were signed in, when sessions began and ended; both clocks of an event.
 */
export class Once1764700000000 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    // Copying a long log takes longer than a request may.
    await q.query(`SET LOCAL statement_timeout = 0`);
    await q.query(`
      CREATE TABLE job_command (
        id text PRIMARY KEY,
        job_id uuid NOT NULL REFERENCES job,
        -- Its events; of a refused one, the newest event that it was refused on.
        first_seq int NOT NULL,
        last_seq int NOT NULL,
        refusal jsonb,
        at timestamptz NOT NULL DEFAULT now()
      );
      INSERT INTO job_command (id, job_id, first_seq, last_seq, at)
        SELECT DISTINCT ON (command) command, job_id, min(seq), max(seq), min(recorded_at)
        FROM job_event GROUP BY command, job_id ORDER BY command, min(recorded_at);
      CREATE INDEX job_command_refused ON job_command (at) WHERE refusal IS NOT NULL;
      DROP INDEX job_event_command;

      ALTER TABLE job_event ADD COLUMN device_at text, ADD COLUMN received_at text;
      CREATE INDEX job_event_recorded ON job_event USING brin (recorded_at);
      CREATE INDEX job_event_first ON job_event (job_id) WHERE seq = 1;
      CREATE INDEX job_event_led_back ON job_event (job_id) WHERE type = 'led-back';

      DROP INDEX job_unit;
      CREATE INDEX job_unit ON job (unit_id, number DESC);
      -- Two units that a race once put at one place: the older stays, the other is to be put somewhere.
      UPDATE job SET place = NULL WHERE stage <> 'handed-over' AND EXISTS (
        SELECT 1 FROM job o WHERE o.place = job.place AND o.stage <> 'handed-over' AND o.number < job.number);
      CREATE UNIQUE INDEX job_place ON job (place) WHERE stage <> 'handed-over';

      ALTER TABLE lesson
        ADD FOREIGN KEY (job_id, seq) REFERENCES job_event (job_id, seq),
        ADD FOREIGN KEY (sheet, revision) REFERENCES sheet_revision;

      ALTER TABLE session
        ADD COLUMN started_at timestamptz NOT NULL DEFAULT now(),
        ADD COLUMN ended_at timestamptz;
      CREATE INDEX session_expires ON session (expires_at);
      CREATE INDEX session_person ON session (person_id);
      CREATE TABLE known_device (
        token_hash text PRIMARY KEY,
        since timestamptz NOT NULL DEFAULT now(),
        seen timestamptz NOT NULL DEFAULT now()
      );
      CREATE TABLE sign_in_try (
        key text PRIMARY KEY,
        tries int NOT NULL,
        last_at timestamptz NOT NULL,
        next_at timestamptz NOT NULL
      );
      ALTER TABLE person DROP COLUMN failed_tries, DROP COLUMN locked_until;
    `);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`
      ALTER TABLE person ADD COLUMN failed_tries int NOT NULL DEFAULT 0, ADD COLUMN locked_until timestamptz;
      DROP TABLE sign_in_try, known_device;
      DROP INDEX session_expires, session_person;
      ALTER TABLE session DROP COLUMN started_at, DROP COLUMN ended_at;
      ALTER TABLE lesson DROP CONSTRAINT lesson_job_id_seq_fkey, DROP CONSTRAINT lesson_sheet_revision_fkey;
      DROP INDEX job_place, job_unit;
      CREATE INDEX job_unit ON job (unit_id);
      DROP INDEX job_event_recorded, job_event_first, job_event_led_back;
      ALTER TABLE job_event DROP COLUMN device_at, DROP COLUMN received_at;
      CREATE INDEX job_event_command ON job_event (job_id, command);
      DROP TABLE job_command;
    `);
  }
}
