import { Column, Entity, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { Person } from './person.entity.ts';

@Entity('session')
export class Session {
  /** sha256 of the cookie's token: the table alone signs nobody in. */
  @PrimaryColumn({ name: 'token_hash', type: 'text' })
  tokenHash: string;

  @Column({ name: 'person_id', type: 'uuid' })
  personId: string;

  @ManyToOne(() => Person, { onDelete: 'CASCADE', eager: true })
  @JoinColumn({ name: 'person_id' })
  person: Relation<Person>;

  @Column({ name: 'started_at', type: 'timestamptz', default: () => 'now()' })
  startedAt: Date;

  @Column({ name: 'expires_at', type: 'timestamptz' })
  expiresAt: Date;

  /** Signed out. The row stays a while: it says since when its person was signed in. */
  @Column({ name: 'ended_at', type: 'timestamptz', nullable: true })
  endedAt: Date | null;
}
