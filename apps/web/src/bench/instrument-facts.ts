import type { InstrumentView } from '@jubb/contract';
import type { InstrumentFacts } from '@jubb/core/bench';

/** What the log keeps of an instrument beside a figure that it gave. */
export function factsOf({ id, name, simulated, uncertainty }: InstrumentView): InstrumentFacts {
  return { id, name, simulated, ...(uncertainty ? { uncertainty } : {}) };
}
