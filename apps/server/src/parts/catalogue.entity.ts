import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A number as a supplier lists it. */
@Entity('catalogue_item')
export class CatalogueRow {
  @PrimaryColumn({ type: 'text' })
  number: string;

  @Column({ type: 'text' })
  title: string;

  @Column({ name: 'price_minor', type: 'int' })
  priceMinor: number;

  @Column({ type: 'text' })
  supplier: string;

  @Column({ name: 'superseded_by', type: 'text', nullable: true })
  supersededBy: string | null;
}
