import { Column, Entity, PrimaryColumn } from 'typeorm';

/** What the bench learned against a sheet, for its next revision: written with the event that says so. */
@Entity('lesson')
export class Lesson {
  @PrimaryColumn({ name: 'job_id', type: 'uuid' })
  jobId: string;

  @PrimaryColumn({ type: 'int' })
  seq: number;

  @Column({ type: 'text' })
  sheet: string;

  @Column({ type: 'int' })
  revision: number;

  @Column({ type: 'text' })
  rung: string;

  @Column({ type: 'text' })
  kind: string;

  @Column({ type: 'text' })
  words: string;

  @Column({ name: 'by_name', type: 'text' })
  byName: string;

  @Column({ type: 'timestamptz' })
  at: Date;
}
