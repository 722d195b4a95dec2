import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Build sheets of kinds that this shop does not take in: they are not offered when a unit is booked. */
export class NotDone1765300000000 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    await q.query(`CREATE TABLE sheet_not_done (sheet text PRIMARY KEY);`);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`DROP TABLE sheet_not_done;`);
  }
}
