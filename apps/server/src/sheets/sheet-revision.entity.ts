import type { Sheet } from '@jubb/core/sheet';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** One revision of a build sheet; never changed once a job has pinned it. */
@Entity('sheet_revision')
export class SheetRevision {
  @PrimaryColumn({ type: 'text' })
  sheet: string;

  @PrimaryColumn({ type: 'int' })
  revision: number;

  @Column({ type: 'text' })
  source: string;

  /** sha256 of the compiled sheet's canonical JSON. */
  @Column({ type: 'text' })
  hash: string;

  @Column({ type: 'jsonb' })
  compiled: Sheet;
}
