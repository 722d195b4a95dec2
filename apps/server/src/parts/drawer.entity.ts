import { Column, Entity, PrimaryColumn } from 'typeorm';

/** One size of shim in a drawer. */
@Entity('drawer_size')
export class DrawerSize {
  @PrimaryColumn({ type: 'text' })
  drawer: string;

  /** Whole nanometres, so that sizes compare exactly. */
  @PrimaryColumn({ name: 'thickness_nm', type: 'int' })
  thicknessNm: number;

  @Column({ type: 'int' })
  count: number;
}
