import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A part or consumable that lies in the shop's own drawers. */
@Entity('stock_item')
export class StockItem {
  @PrimaryColumn({ type: 'text' })
  number: string;

  @Column({ type: 'text' })
  title: string;

  @Column({ type: 'text' })
  bin: string;

  @Column({ type: 'int' })
  count: number;
}
