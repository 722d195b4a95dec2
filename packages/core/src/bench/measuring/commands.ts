import type { InstrumentFacts, HowRead } from '../log/facts.ts';
import type { Quantity } from '../../quantities/index.ts';

/** What takes a reading. */
export type MeasureCommand =
  | {
      readonly type: 'take-reading';
      readonly op: string;
      readonly where?: string;
      /** Which of two settings that are read in one try; the operation's own when left out. */
      readonly setting?: string;
      readonly value: Quantity;
      readonly how: HowRead;
      readonly instrument?: InstrumentFacts;
      /** Of a winding: how warm it is. */
      readonly temperature?: Quantity;
      /** It was asked whether so odd a figure is right, and it is. */
      readonly sure?: boolean;
    }
  /** Takes a measure up again that is done: a finer gauge, or more readings. */
  | { readonly type: 'measure-again'; readonly op: string }
  | { readonly type: 'answer'; readonly op: string; readonly answer: 'yes' | 'no' };
