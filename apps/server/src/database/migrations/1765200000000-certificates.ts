import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Instruments of the shop's own on a line; certificates of calibration, each kept as it came; the newest of an instrument is the one that counts. */
export class Certificates1765200000000 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    await q.query(`
      ALTER TABLE instrument ADD COLUMN line text;
      CREATE TABLE certificate (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        instrument_id text NOT NULL REFERENCES instrument,
        name text NOT NULL,
        mime text NOT NULL,
        bytes bytea NOT NULL,
        sha256 text NOT NULL,
        by_name text NOT NULL,
        at timestamptz NOT NULL DEFAULT now(),
        UNIQUE (instrument_id, sha256)
      );
    `);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`DROP TABLE certificate; ALTER TABLE instrument DROP COLUMN line;`);
  }
}
