import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Hours, days off and tools of the workshop, and the plan in force. */
export class Planning1764500000000 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    await q.query(`
      ALTER TABLE workshop ADD COLUMN zone text NOT NULL DEFAULT 'Europe/London';
      ALTER TABLE workshop ADD COLUMN hours jsonb NOT NULL DEFAULT
        '[[["08:00","12:00"],["12:30","17:00"]],[["08:00","12:00"],["12:30","17:00"]],[["08:00","12:00"],["12:30","17:00"]],[["08:00","12:00"],["12:30","17:00"]],[["08:00","12:00"],["12:30","16:00"]],[],[]]';
      ALTER TABLE workshop ADD COLUMN tools jsonb NOT NULL DEFAULT
        '[{"id":"press","title":"Press","kind":"press","capacity":1},{"id":"oven","title":"Oven","kind":"oven","capacity":1},{"id":"tank","title":"Wash tank","kind":"tank","capacity":1}]';
      CREATE TABLE day_off (
        day date NOT NULL,
        person uuid REFERENCES person (id),
        UNIQUE NULLS NOT DISTINCT (day, person)
      );
      CREATE TABLE plan_in_force (
        id int PRIMARY KEY DEFAULT 1 CHECK (id = 1),
        version int NOT NULL,
        slots jsonb NOT NULL,
        pins jsonb NOT NULL,
        by_name text NOT NULL,
        at timestamptz NOT NULL
      );
    `);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`
      DROP TABLE plan_in_force;
      DROP TABLE day_off;
      ALTER TABLE workshop DROP COLUMN tools;
      ALTER TABLE workshop DROP COLUMN hours;
      ALTER TABLE workshop DROP COLUMN zone;
    `);
  }
}
