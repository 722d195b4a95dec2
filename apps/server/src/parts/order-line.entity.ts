import type { LineState } from '@jubb/contract';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A line on order: a projection of the job's log, and the queue of what is to be sent to the supplier. */
@Entity('order_line')
export class OrderLine {
  @PrimaryColumn({ type: 'text' })
  line: string;

  /** What the supplier knows the order by: the same reference twice is one order. */
  @Column({ name: 'order_ref', type: 'text' })
  orderRef: string;

  @Column({ name: 'job_id', type: 'uuid' })
  jobId: string;

  @Column({ type: 'text' })
  number: string;

  @Column({ type: 'text' })
  title: string;

  @Column({ type: 'int' })
  count: number;

  @Column({ name: 'price_minor', type: 'int', nullable: true })
  priceMinor: number | null;

  /** What the supplier asks for each today. */
  @Column({ name: 'asked_minor', type: 'int', nullable: true })
  askedMinor: number | null;

  @Column({ type: 'text' })
  supplier: string;

  @Column({ type: 'boolean' })
  kit: boolean;

  @Column({ type: 'jsonb' })
  parts: string[];

  @Column({ type: 'jsonb' })
  missing: string[];

  @Column({ type: 'text' })
  state: LineState;

  @Column({ name: 'ordered_at', type: 'timestamptz' })
  orderedAt: Date;

  @Column({ type: 'timestamptz', nullable: true })
  expected: Date | null;

  @Column({ name: 'arrived_at', type: 'timestamptz', nullable: true })
  arrivedAt: Date | null;

  @Column({ type: 'int' })
  tries: number;

  @Column({ name: 'next_try', type: 'timestamptz' })
  nextTry: Date;

  @Column({ name: 'last_error', type: 'text', nullable: true })
  lastError: string | null;
}
