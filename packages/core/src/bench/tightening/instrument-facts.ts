import type { Quantity } from '../../quantities/index.ts';
import type { InstrumentFacts } from '../log/facts.ts';
import { rangeOf, type Wrench } from './wrenches.ts';

/** An instrument as the shop's list has it, as far as the log keeps it. */
export interface ListedInstrument {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly simulated: boolean;
  /** Expanded, k = 2; null for one that was never calibrated. */
  readonly uncertainty: Quantity | null;
  readonly wrench: Wrench['wrench'];
}

/** What the log keeps of an instrument beside a figure that it gave. */
export function instrumentFacts({ id, name, simulated, uncertainty, kind, wrench }: ListedInstrument): InstrumentFacts {
  return {
    id,
    name,
    simulated,
    kind,
    ...(uncertainty ? { uncertainty } : {}),
    ...(wrench ? { rangeNm: rangeOf(wrench), leverMm: wrench.lengthMm } : {}),
  };
}
