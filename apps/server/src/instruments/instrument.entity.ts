import type { InstrumentView } from '@jubb/contract';
import type { Quantity } from '@jubb/core/quantities';
import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('instrument')
export class Instrument {
  @PrimaryColumn({ type: 'text' })
  id: string;

  @Column({ type: 'text' })
  name: string;

  @Column({ type: 'text' })
  kind: InstrumentView['kind'];

  @Column({ type: 'text' })
  unit: string;

  @Column({ type: 'double precision' })
  resolution: number;

  /** Expanded uncertainty, k = 2. */
  @Column({ type: 'jsonb', nullable: true })
  uncertainty: Quantity | null;

  @Column({ type: 'jsonb', nullable: true })
  wrench: InstrumentView['wrench'];

  @Column({ name: 'calibrated_to', type: 'date', nullable: true })
  calibratedTo: string | null;

  @Column({ type: 'boolean' })
  simulated: boolean;

  /** Its own number, as engraved or on its certificate. */
  @Column({ type: 'text', nullable: true })
  number: string | null;

  /** A port of ours, a keyboard that it types on, or somebody who types what it shows. */
  @Column({ name: 'read_by', type: 'text', default: 'port' })
  readBy: InstrumentView['readBy'];

  /** Host and port of what speaks for it, where that is not the stand-ins. */
  @Column({ type: 'text', nullable: true })
  line: string | null;

  /** It is not in the shop any more. */
  @Column({ name: 'retired_at', type: 'timestamptz', nullable: true })
  retiredAt: Date | null;
}
