import type { MigrationInterface, QueryRunner } from 'typeorm';

/** When a unit is to be ready is called its delivery date. */
export class DeliveryDate1765400000000 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    await q.query(`ALTER TABLE job RENAME COLUMN promise TO delivery_date;`);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`ALTER TABLE job RENAME COLUMN delivery_date TO promise;`);
  }
}
