import { Column, Entity, PrimaryColumn } from 'typeorm';

/** The one row about the workshop itself. */
@Entity('workshop')
export class Workshop {
  @PrimaryColumn({ type: 'int' })
  id: number;

  @Column({ type: 'text' })
  name: string;

  /** What stands before an amount. */
  @Column({ type: 'text' })
  currency: string;

  /** Bench places, in order. */
  @Column({ type: 'jsonb' })
  places: string[];

  /** Places on the shelf, in order. */
  @Column({ type: 'jsonb' })
  shelves: string[];
}
