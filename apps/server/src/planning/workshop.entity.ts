import type { Resource, WeekHours } from '@jubb/core/planning';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** The one row about the workshop itself. */
@Entity('workshop')
export class Workshop {
  @PrimaryColumn({ type: 'int' })
  id: number;

  @Column({ type: 'text' })
  name: string;

  /** What stands before an amount. */
  @Column({ type: 'text' })
  currency: string;

  /** For an hour, minor units. */
  @Column({ name: 'rate_minor', type: 'int', default: 5200 })
  rateMinor: number;

  @Column({ name: 'tax_percent', type: 'double precision', default: 20 })
  taxPercent: number;

  @Column({ name: 'tax_name', type: 'text', default: 'VAT' })
  taxName: string;

  /** The private part of the calendar's address; null while there is none. */
  @Column({ name: 'calendar_token', type: 'text', nullable: true })
  calendarToken: string | null;

  /** When the nightly backup is taken, as "02:00"; null: none. */
  @Column({ name: 'backup_at', type: 'text', nullable: true })
  backupAt: string | null;

  /** Since when it is asked for. */
  @Column({ name: 'backup_since', type: 'timestamptz', nullable: true })
  backupSince: Date | null;

  /** Bench places, in order. */
  @Column({ type: 'jsonb' })
  places: string[];

  /** Time zone, as "Europe/London". */
  @Column({ type: 'text', default: 'Europe/London' })
  zone: string;

  /** Opening hours of a week, Monday first. */
  @Column({ type: 'jsonb' })
  hours: WeekHours;

  /** Tools that one job at a time has, beside the stands. */
  @Column({ type: 'jsonb' })
  tools: Pick<Resource, 'id' | 'title' | 'kind' | 'capacity'>[];

  /** Places on the shelf, in order. */
  @Column({ type: 'jsonb' })
  shelves: string[];
}
