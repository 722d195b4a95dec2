import type { Sheet } from '../sheet/index.ts';
import { badThings, type BadThing } from './bad/bad-things.ts';
import type { CorrectionPayloads } from './corrections/events.ts';
import type { BenchState, Stamp } from './state.ts';

/** What the record says of what was bad, and of what was put right: since form 6. */
export interface TruthRecord {
  /** Everything that was read outside or looked bad, and what became of it. */
  readonly bad: readonly BadThing[];
  readonly corrections: readonly (Omit<CorrectionPayloads['corrected'], 'changes'> & Stamp)[];
}

export function truthRecord(sheet: Sheet, state: BenchState): TruthRecord {
  return {
    bad: badThings(sheet, state),
    corrections: state.corrections.map(({ what, of, title, before, now, reason, seq, at, by }) => ({
      what,
      of,
      title,
      before,
      now,
      reason,
      seq,
      at,
      by,
    })),
  };
}
