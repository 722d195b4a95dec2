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

  /** `scrypt$N$r$p$salt$hash`, hex. */
  @Column({ name: 'pin_hash', type: 'text' })
  pinHash: string;
}
