import type { HandAnswer, HandDto, InstrumentMessage, StandRunDto } from '@jubb/contract';
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
  /** Moves the simulated hand; a real instrument has none. Answers how many moves that makes on this line. */
  hand(move: HandDto): HandAnswer;
  /** Number of the run that is under way; a stand makes one at a time. */
  readonly running: number | undefined;
  /** Starts a run on a stand. Answers the run's number on this line. */
  run(setup: StandRunDto): { readonly run: number };
  stop(): void;
  /** Of a simulated stand: what can be wrong on it. */
  readonly faults: { readonly all: readonly string[]; readonly chosen: string | null } | undefined;
  fault(name: string | null): void;
  close(): void;
}
