import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A backup that was taken, or tried. */
@Entity('backup')
export class Backup {
  @PrimaryColumn({ type: 'uuid', default: () => 'gen_random_uuid()' })
  id: string;

  @Column({ name: 'asked_at', type: 'timestamptz' })
  askedAt: Date;

  /** Null: a nightly one. */
  @Column({ name: 'by_name', type: 'text', nullable: true })
  byName: string | null;

  @Column({ type: 'text' })
  state: 'running' | 'done' | 'failed';

  @Column({ type: 'text' })
  file: string;

  /** A bigint comes as a text. */
  @Column({ type: 'bigint', nullable: true })
  bytes: string | null;

  @Column({ type: 'text', nullable: true })
  sha256: string | null;

  @Column({ type: 'int', nullable: true })
  jobs: number | null;

  @Column({ type: 'text', nullable: true })
  problem: string | null;
}
