import { Column, Entity, JoinColumn, ManyToOne, PrimaryGeneratedColumn, type Relation } from 'typeorm';
import { Customer } from './customer.entity.ts';

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

  @Column({ name: 'customer_id', type: 'uuid' })
  customerId: string;

  @ManyToOne(() => Customer, { eager: true })
  @JoinColumn({ name: 'customer_id' })
  customer: Relation<Customer>;
}
