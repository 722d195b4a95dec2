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

  /** What the device's clock showed, where a device gave it. */
  @Column({ name: 'device_at', type: 'text', nullable: true })
  deviceAt: string | null;

  /** When the server had it, where it was given without a line. */
  @Column({ name: 'received_at', type: 'text', nullable: true })
  receivedAt: string | null;

  @Column({ type: 'text' })
  device: string;

  @Column({ type: 'text' })
  command: string;

  @Column({ type: 'text' })
  hash: string;

  @Column({ name: 'recorded_at', type: 'timestamptz', default: () => 'now()' })
  recordedAt: Date;
}
