import type { HandDto, InstrumentMessage } from '@jubb/contract';
import type { Observable } from 'rxjs';

/** What the bench wants of any instrument. One adapter stands behind it now; others may follow. */
export interface InstrumentPort {
  readonly connected: boolean;
  /** The newest live value, for a bench that begins to listen while nothing moves. */
  readonly lastLive: InstrumentMessage | undefined;
  /** Readings and finished pulls as they come. */
  readonly messages: Observable<InstrumentMessage>;
  connect(): void;
  zero(): void;
  /** Moves the simulated hand; a real instrument has none. */
  hand(move: HandDto): void;
  close(): void;
}
