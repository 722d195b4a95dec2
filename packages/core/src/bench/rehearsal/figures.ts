import type { Quantity } from '../../quantities/index.ts';
import type { Finding } from '../../sheet/index.ts';
import type { WrenchRig } from '../tightening/events.ts';
import type { InstrumentFacts } from '../log/facts.ts';
/** Figures for a dry run; what is left out is taken from the middle of each band. */
export interface RehearsalFigures {
  /** `measure place`, `setting round`, `test moment` → what the instrument shows. */
  readonly reading?: (what: string) => Quantity | undefined;
  readonly finding?: (part: string) => { finding: Finding; reason: string } | undefined;
  readonly choice?: (method: string) => string | undefined;
  readonly groove?: 'yes' | 'no';
  readonly cause?: (cause: string) => string | undefined;
  readonly tray?: (part: string) => string;
  readonly wrench?: { readonly rig: WrenchRig; readonly facts: InstrumentFacts };
  readonly gauge?: (dimension: string, what: string) => InstrumentFacts | undefined;
  readonly look?: (look: string, moment: string) => string | undefined;
  readonly identify?: (question: string) => string | undefined;
  /** How many there are of a part that nobody counted. */
  readonly counts?: (part: string) => number | 'later' | undefined;
  /** What is noted as a part comes off. */
  readonly note?: (part: string) => string | undefined;
  /** Where in the shop new parts lie that nobody ordered. */
  readonly stock?: string;
  /** Why what is bad is taken so; left out, a bad look is looked at again and good, and a bad reading is nothing to go on from. */
  readonly takenSo?: string;
  /** Why waits are cut short; left out, they are waited for (the one who rehearses moves the clock on). */
  readonly impatience?: string;
}
