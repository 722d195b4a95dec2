import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A setting of the shop that somebody changed: it is written once and stays. */
@Entity('shop_change')
export class ShopChange {
  @PrimaryColumn({ type: 'bigint' })
  id: string;

  @Column({ type: 'timestamptz' })
  at: Date;

  @Column({ name: 'by_name', type: 'text' })
  byName: string;

  @Column({ type: 'text' })
  what: string;

  @Column({ type: 'text', nullable: true })
  was: string | null;

  @Column({ name: 'is_now', type: 'text', nullable: true })
  isNow: string | null;
}
