import type { JobExport } from '@jubb/core/bench/verify';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A record of another workshop, taken in whole after it was verified. */
@Entity('imported_record')
export class ImportedRecord {
  /** Hash of the last event: the same record is taken in once. */
  @PrimaryColumn({ type: 'text' })
  head: string;

  @Column({ type: 'text' })
  workshop: string;

  @Column({ name: 'job_number', type: 'int' })
  jobNumber: number;

  @Column({ type: 'text' })
  serial: string;

  @Column({ type: 'text' })
  model: string;

  @Column({ type: 'text' })
  fingerprint: string;

  /** Signed with a key that this workshop knows. */
  @Column({ type: 'boolean' })
  known: boolean;

  @Column({ type: 'jsonb' })
  file: JobExport;

  @Column({ name: 'by_name', type: 'text' })
  byName: string;

  @Column({ type: 'timestamptz', default: () => 'now()' })
  at: Date;
}
