import type { InstrumentFacts, HowRead, ReadingResult } from '../log/facts.ts';
import type { Quantity } from '../../quantities/index.ts';
import type { MeasureOutcome } from './figures.ts';
import type { Proof } from '../proving/run.ts';

/** What readings leave in the log. */
export interface MeasurePayloads {
  'reading-taken': {
    readonly op: string;
    /** `process`: how hot a part is, how hard it is pressed. */
    readonly subject: 'measure' | 'setting' | 'test' | 'process';
    readonly id: string;
    /** `depth`: one of the depths that a pack is reckoned from. */
    readonly moment: 'as-found' | 'trial' | 'confirm' | 'measure' | 'now' | 'depth';
    /** Place on the part, for a measure with several. */
    readonly where: string | null;
    readonly value: Quantity;
    readonly how: HowRead;
    readonly instrument: InstrumentFacts | null;
    /** Present once there are readings enough to judge by. */
    readonly result: ReadingResult | null;
    /** How warm a winding was when it was read. */
    readonly temperature?: Quantity;
    /** What the whole measure says, once every place is read. */
    readonly outcome?: MeasureOutcome;
    /** Of a test on a stand: the run, and what else it said. */
    readonly proof?: Proof;
  };
  'sense-answered': { readonly op: string; readonly ask: string; readonly answer: 'yes' | 'no' };
  /** A measure that was done is taken up again: a finer gauge, or more readings. */
  'measure-reopened': { readonly op: string; readonly measure: string };
}
