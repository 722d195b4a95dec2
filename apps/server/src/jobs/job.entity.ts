import type { HoldReason, JobStage } from '@jubb/core/bench';
import type { Notices } from '@jubb/contract';
import type { HeadSignature } from '@jubb/core/bench/verify';
import { Column, Entity, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { Customer } from '../customers/customer.entity.ts';
import { Unit } from '../units/unit.entity.ts';

/** A visit of a unit. The log is in job_event; the columns from `stage` on are projections for the lists. */
@Entity('job')
export class Job {
  @PrimaryColumn({ type: 'uuid' })
  id: string;

  @Column({ type: 'int', unique: true })
  number: number;

  @Column({ name: 'unit_id', type: 'uuid' })
  unitId: string;

  @ManyToOne(() => Unit, { eager: true })
  @JoinColumn({ name: 'unit_id' })
  unit: Relation<Unit>;

  @Column({ name: 'customer_id', type: 'uuid' })
  customerId: string;

  @ManyToOne(() => Customer, { eager: true })
  @JoinColumn({ name: 'customer_id' })
  customer: Relation<Customer>;

  @Column({ type: 'text' })
  sheet: string;

  @Column({ type: 'int' })
  revision: number;

  @Column({ type: 'text' })
  title: string;

  @Column({ type: 'text' })
  complaint: string;

  /** Sequence of the newest event. */
  @Column({ type: 'int', default: 0 })
  seq: number;

  /** Hash of the newest event. */
  @Column({ type: 'text' })
  head: string;

  @Column({ type: 'jsonb', default: () => "'[]'" })
  signatures: HeadSignature[];

  @Column({ type: 'text', default: 'booked' })
  stage: JobStage;

  @Column({ type: 'real', default: 0 })
  progress: number;

  @Column({ name: 'next_move', type: 'text', default: '' })
  nextMove: string;

  @Column({ name: 'minutes_left', type: 'int', default: 0 })
  minutesLeft: number;

  @Column({ name: 'aids_in', type: 'int', default: 0 })
  aidsIn: number;

  @Column({ name: 'parts_off', type: 'int', default: 0 })
  partsOff: number;

  @Column({ type: 'jsonb', nullable: true })
  hold: { why: HoldReason; note: string; since: string } | null;

  @Column({ name: 'delivery_date', type: 'timestamptz', nullable: true })
  deliveryDate: Date | null;

  /** What a minute too late costs against a minute of another job; 1 is usual. */
  @Column({ type: 'real', default: 1 })
  weight: number;

  @Column({ type: 'text', nullable: true })
  place: string | null;

  /** What the Floor says beside the next move: parked, parted leads, waits. */
  @Column({ type: 'jsonb' })
  notices: Notices;

  @Column({ name: 'updated_at', type: 'timestamptz' })
  updatedAt: Date;
}
