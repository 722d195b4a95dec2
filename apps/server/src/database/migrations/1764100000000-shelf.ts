import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The shelf: places on it, notices for the Floor, pictures, the makers' documents, lessons against a sheet. */
export class Shelf1764100000000 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    await q.query(`
      ALTER TABLE workshop ADD COLUMN shelves jsonb NOT NULL
        DEFAULT '["Shelf 1", "Shelf 2", "Shelf 3", "Shelf 4", "Shelf 5", "Shelf 6", "Shelf 7", "Shelf 8"]';
      ALTER TABLE job ADD COLUMN notices jsonb NOT NULL
        DEFAULT '{"parked": false, "leadsOff": 0, "between": 0, "uncounted": 0, "standing": [], "ahead": [], "timers": []}';
      CREATE TABLE photo (
        id uuid PRIMARY KEY,
        job_id uuid NOT NULL REFERENCES job,
        bytes bytea NOT NULL,
        sha256 text NOT NULL,
        width int NOT NULL CHECK (width > 0),
        height int NOT NULL CHECK (height > 0),
        by_name text NOT NULL,
        at timestamptz NOT NULL DEFAULT now()
      );
      CREATE INDEX photo_job ON photo (job_id);
      CREATE TABLE document (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        sheet text NOT NULL,
        name text NOT NULL,
        mime text NOT NULL,
        bytes bytea NOT NULL,
        sha256 text NOT NULL,
        by_name text NOT NULL,
        at timestamptz NOT NULL DEFAULT now()
      );
      CREATE UNIQUE INDEX document_name ON document (sheet, lower(name));
      CREATE TABLE lesson (
        job_id uuid NOT NULL REFERENCES job,
        seq int NOT NULL,
        sheet text NOT NULL,
        revision int NOT NULL,
        rung text NOT NULL,
        kind text NOT NULL,
        words text NOT NULL,
        by_name text NOT NULL,
        at timestamptz NOT NULL,
        PRIMARY KEY (job_id, seq)
      );
      CREATE INDEX lesson_sheet ON lesson (sheet);
    `);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`
      DROP TABLE lesson, document, photo;
      ALTER TABLE job DROP COLUMN notices;
      ALTER TABLE workshop DROP COLUMN shelves;
    `);
  }
}
