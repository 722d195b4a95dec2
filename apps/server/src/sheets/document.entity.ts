import { Column, Entity, PrimaryGeneratedColumn } from 'typeorm';

/** A maker's document, or a picture of a page, that the figures of a sheet point to by its name. */
@Entity('document')
export class SheetDocument {
  @PrimaryGeneratedColumn('uuid')
  id: string;

  @Column({ type: 'text' })
  sheet: string;

  @Column({ type: 'text' })
  name: string;

  @Column({ type: 'text' })
  mime: string;

  @Column({ type: 'bytea', select: false })
  bytes: Buffer;

  @Column({ type: 'text' })
  sha256: string;

  @Column({ name: 'by_name', type: 'text' })
  byName: string;
}
