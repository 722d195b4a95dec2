import { Column, Entity, JoinColumn, ManyToOne, PrimaryGeneratedColumn, type Relation } from 'typeorm';
import { Customer } from '../customers/customer.entity.ts';

/** The physical assembly: it outlives its jobs. */
@Entity('unit')
export class Unit {
  @PrimaryGeneratedColumn('uuid')
  id: string;

  @Column({ type: 'text' })
  serial: string;

  @Column({ type: 'text' })
  model: string;

  /** Build sheet of its kind. */
  @Column({ type: 'text' })
  sheet: string;

  /** On which machine, where. */
  @Column({ name: 'works_at', type: 'text', default: '' })
  worksAt: string;

  /** How long it runs in a week, where somebody knows. */
  @Column({ name: 'hours_per_week', type: 'real', nullable: true })
  hoursPerWeek: number | null;

  @Column({ name: 'customer_id', type: 'uuid' })
  customerId: string;

  @ManyToOne(() => Customer, { eager: true })
  @JoinColumn({ name: 'customer_id' })
  customer: Relation<Customer>;
}
