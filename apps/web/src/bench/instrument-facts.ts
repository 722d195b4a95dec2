import type { InstrumentView } from '@jubb/contract';
import { rangeOf, type InstrumentFacts } from '@jubb/core/bench';

/** What the log keeps of an instrument beside a figure that it gave. */
export function factsOf({ id, name, simulated, uncertainty, kind, wrench }: InstrumentView): InstrumentFacts {
  return {
    id,
    name,
    simulated,
    kind,
    ...(uncertainty ? { uncertainty } : {}),
    ...(wrench ? { rangeNm: rangeOf(wrench) } : {}),
  };
}
