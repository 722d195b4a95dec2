import type { Quantity } from '../../quantities/index.ts';
import type { WorkingLine, Verdict } from '../../reckoners/index.ts';

/** Whose hands. */
export interface Person {
  readonly id: string;
  readonly name: string;
  readonly initials: string;
}

/** The instrument behind a figure; `null` when it was read and typed by hand from something not listed. */
export interface InstrumentFacts {
  readonly id: string;
  readonly name: string;
  /** Expanded uncertainty, k = 2. */
  readonly uncertainty?: Quantity;
  readonly simulated: boolean;
  /** What kind it is, and for a wrench from where to where it may be used, N·m; left out by older benches. */
  readonly kind?: string;
  readonly rangeNm?: { readonly min: number; readonly max: number };
  /** Of a wrench: from the hand to the middle of its drive, mm; absent in older logs. */
  readonly leverMm?: number;
}

export type HowRead = 'instrument' | 'hand';

/** Mean of repeated readings with its uncertainty and what it was judged to be. */
export interface ReadingResult {
  readonly mean: Quantity;
  readonly uncertainty: Quantity;
  readonly verdict: Verdict;
  readonly working: readonly WorkingLine[];
}
