import { Column, Entity, PrimaryColumn } from 'typeorm';

/** The log. Rows are only ever added; a trigger refuses the rest. */
@Entity('job_event')
export class JobEventRow {
  @PrimaryColumn({ name: 'job_id', type: 'uuid' })
  jobId: string;

  @PrimaryColumn({ type: 'int' })
  seq: number;

  @Column({ type: 'text' })
  id: string;

  @Column({ type: 'text' })
  type: string;

  @Column({ type: 'int' })
  v: number;

  @Column({ type: 'jsonb' })
  payload: object;

  @Column({ type: 'jsonb' })
  who: { id: string; name: string; initials: string };

  /** ISO text, exactly as hashed. */
  @Column({ type: 'text' })
  at: string;

  @Column({ type: 'text' })
  device: string;

  @Column({ type: 'text' })
  command: string;

  @Column({ type: 'text' })
  hash: string;

  @Column({ name: 'recorded_at', type: 'timestamptz', default: () => 'now()' })
  recordedAt: Date;
}
