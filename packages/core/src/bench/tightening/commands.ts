import type { InstrumentFacts, HowRead } from '../log/facts.ts';
import type { Quantity } from '../../quantities/index.ts';
import type { WrenchRig, PullAnswer, TracePoint } from './events.ts';

/** What is asked for while a joint is tightened, or loosened again. */
export type PullCommand =
  | {
      readonly type: 'pull';
      readonly op: string;
      readonly bolt: number;
      readonly reading: Quantity;
      readonly rig: WrenchRig;
      readonly turnedDeg?: number;
      readonly trace?: readonly TracePoint[];
      readonly how: HowRead;
      readonly instrument?: InstrumentFacts;
    }
  | {
      readonly type: 'answer-pull';
      readonly op: string;
      readonly bolt: number;
      readonly answer: PullAnswer;
      readonly note?: string;
    }
  /** What a self-locking nut takes to turn before it seats. */
  | {
      readonly type: 'say-running';
      readonly op: string;
      readonly torque: Quantity;
      readonly how: HowRead;
      readonly instrument?: InstrumentFacts;
    }
  | { readonly type: 'say-unit'; readonly op: string; readonly unit: string; readonly reason: string }
  /** A joint that was pulled is loosened again. */
  | { readonly type: 'loosen'; readonly joint: string; readonly why: string }
  /** New one-time fasteners are in for those that were used up. */
  | { readonly type: 'renew-fasteners'; readonly op: string };
