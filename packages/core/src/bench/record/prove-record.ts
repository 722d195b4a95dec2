import { followUpWords, type Sheet } from '../../sheet/index.ts';
import type { WorkingLine } from '../../reckoners/index.ts';
import type { Quantity } from '../../quantities/index.ts';
import { changeWords } from '../proving/change.ts';
import type { Check } from '../proving/run.ts';
import { titleOfSuspect } from '../proving/return-to-step/suspects.ts';
import type { BenchState, Stamp } from '../log/state.ts';

/** What the record says of proving: since form 4. */
export interface ProveRecord {
  readonly tests: readonly ({
    readonly title: string;
    readonly moment: 'as-found' | 'now';
    readonly value: Quantity;
    readonly verdict: string;
    readonly checks: readonly Check[];
    readonly says: readonly string[];
    readonly working: readonly WorkingLine[];
    /** As found against now, in words. */
    readonly change?: string;
    /** Handed over although it is outside, and why. */
    readonly keptSo?: string;
  } & Stamp)[];
  /** Each time that a failed test led back. */
  readonly ledBack: readonly ({
    readonly test: string;
    readonly suspect: string;
    readonly why: readonly string[];
  } & Stamp)[];
  readonly checked?: Stamp;
  readonly runIn: readonly string[];
  readonly lookAgain: readonly string[];
}

const stampOf = (s: Stamp): Stamp => ({ seq: s.seq, at: s.at, by: s.by });

export function proveRecord(sheet: Sheet, state: BenchState): ProveRecord {
  return {
    tests: Object.values(sheet.tests).flatMap((t) =>
      (['as-found', 'now'] as const).flatMap((moment) => {
        const of = (m: string): BenchState['readings'][number] | undefined =>
          state.readings.findLast((r) => r.subject === 'test' && r.id === t.id && r.moment === m);
        const read = of(moment);
        if (!read) return [];
        const found = moment === 'now' ? of('as-found') : undefined;
        const note = read.result?.verdict === 'outside' ? state.done[read.op]?.note : undefined;
        return [
          {
            title: t.title,
            moment,
            value: read.value,
            verdict: read.result?.verdict ?? 'undecided',
            checks: read.proof?.checks ?? [],
            says: read.proof?.says ?? [],
            working: read.result?.working ?? [],
            ...(found ? { change: changeWords(t.dimension, t.accept, found.value, read.value) } : {}),
            ...(note === undefined ? {} : { keptSo: note }),
            ...stampOf(read),
          },
        ];
      }),
    ),
    ledBack: state.returns.map((l) => ({
      test: sheet.tests[l.test]?.title ?? titleOfSuspect(sheet, l.test),
      suspect: titleOfSuspect(sheet, l.suspect),
      why: l.why,
      ...stampOf(l),
    })),
    ...(state.checked ? { checked: stampOf(state.checked) } : {}),
    runIn: sheet.handOver?.runIn ?? [],
    lookAgain: [...(sheet.handOver?.lookAgain ?? []), ...(sheet.handOver?.followUps ?? []).map(followUpWords)],
  };
}
