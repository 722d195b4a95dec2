import type { Role } from '@jubb/contract';
import { Column, Entity, PrimaryGeneratedColumn } from 'typeorm';

@Entity('person')
export class Person {
  @PrimaryGeneratedColumn('uuid')
  id: string;

  @Column({ type: 'text', unique: true })
  name: string;

  @Column({ type: 'text' })
  initials: string;

  @Column({ type: 'text' })
  role: Role;

  /** Puts hands on units: the plan counts on them. */
  @Column({ type: 'boolean', default: true })
  works: boolean;

  /** Works here no more; the name stays in every record. */
  @Column({ name: 'left_at', type: 'timestamptz', nullable: true })
  leftAt: Date | null;

  /** `scrypt$N$r$p$salt$hash`, hex. */
  @Column({ name: 'pin_hash', type: 'text' })
  pinHash: string;
}
