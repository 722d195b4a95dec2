import type { Sheet } from '../../sheet/index.ts';
import { badThings, type BadThing } from '../bad/bad-things.ts';
import type { CorrectionPayloads } from '../corrections/events.ts';
import { customersOwn, sourceOf } from '../sources/source-of.ts';
import type { EndKind } from '../ends/events.ts';
import { END_TITLES } from '../ends/words.ts';
import type { BenchState, Stamp } from '../log/state.ts';

/** What the record says of what was bad, and of what was put right: since form 6. */
export interface TruthRecord {
  /** Everything that was read outside or looked bad, and what became of it. */
  readonly bad: readonly BadThing[];
  /** Where each new part came from. */
  readonly sources: readonly {
    readonly part: string;
    readonly title: string;
    readonly from: string;
    /** The customer's own. */ readonly own?: true;
  }[];
  /** How it ended, where it was not repaired. */
  readonly end?: {
    readonly how: EndKind;
    readonly title: string;
    readonly reason: string;
    readonly agreedBy: string;
  } & Stamp;
  readonly corrections: readonly (Omit<CorrectionPayloads['corrected'], 'changes'> & Stamp)[];
}

export function truthRecord(sheet: Sheet, state: BenchState): TruthRecord {
  return {
    bad: badThings(sheet, state),
    ...(state.end ? { end: endOf(state.end) } : {}),
    sources: [...new Set([...Object.keys(state.renewed), ...newFasteners(sheet, state)])]
      .filter((part) => sheet.parts[part])
      .map((part) => ({
        part,
        title: sheet.parts[part]!.title,
        from: sourceOf(state, part) ?? 'nobody said where from',
        ...(customersOwn(state, part) ? { own: true as const } : {}),
      })),
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

/** Fasteners that went in new with their joint, and of which somebody said where from. */
const newFasteners = (sheet: Sheet, state: BenchState): readonly string[] =>
  Object.entries(state.joints).flatMap(([id, j]) => {
    const fastener = sheet.joints[id]?.fastener;
    return j.pulls.length > 0 && fastener !== undefined && state.sources[fastener] ? [fastener] : [];
  });

function endOf({
  how,
  reason,
  agreedBy,
  seq,
  at,
  by,
}: NonNullable<BenchState['end']>): NonNullable<TruthRecord['end']> {
  return { how, title: END_TITLES[how], reason, agreedBy, seq, at, by };
}
