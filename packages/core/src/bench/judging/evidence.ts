import { formatReading } from '../../quantities/index.ts';
import type { Cause, Sheet } from '../../sheet/index.ts';
import type { BenchState } from '../log/state.ts';
import { readingWords } from './advice.ts';
import { measureOutcome } from '../measuring/figures.ts';

/** What a reading or a look says of a cause: for it when it is bad, against it when it is good. */
export interface Evidence {
  readonly id: string;
  readonly says: string;
  readonly speaks: 'for' | 'against' | 'not sure';
}

const BY_VERDICT = { outside: 'for', within: 'against', undecided: 'not sure' } as const;
const BY_LOOK = { bad: 'for', good: 'against', unsure: 'not sure' } as const;

/** What was read and seen that speaks for or against each choice of a cause. What was not read says nothing. */
export function causeEvidence(
  sheet: Sheet,
  state: BenchState,
  cause: Cause,
): Readonly<Record<string, readonly Evidence[]>> {
  return Object.fromEntries(cause.choices.map((c) => [c.id, c.speaks.flatMap((id) => evidenceOf(sheet, state, id))]));
}

function evidenceOf(sheet: Sheet, state: BenchState, id: string): Evidence[] {
  const measure = sheet.measures[id];
  if (measure) {
    const outcome = measureOutcome(sheet, state, id);
    const op = state.readings.find((r) => r.id === id)?.op;
    const felt = op === undefined ? undefined : state.answers[op];
    return [
      ...(outcome ? [{ id, says: readingWords(measure, state), speaks: BY_VERDICT[outcome.verdict] }] : []),
      ...(measure.groove && felt
        ? [
            {
              id,
              says: measure.groove[felt.answer],
              speaks: felt.answer === 'yes' ? ('for' as const) : ('against' as const),
            },
          ]
        : []),
    ];
  }
  const look = sheet.looks[id];
  if (look) {
    const seen = state.looks.findLast((l) => l.look === id);
    return seen ? [{ id, says: `${look.title}: ${seen.title}`, speaks: BY_LOOK[seen.verdict] }] : [];
  }
  const read = state.readings.find((r) => r.id === id && r.moment === 'as-found');
  const title = sheet.tests[id]?.title ?? sheet.settings[id]?.title ?? id;
  return read?.result
    ? [{ id, says: `${title} as found: ${formatReading(read.result.mean)}`, speaks: BY_VERDICT[read.result.verdict] }]
    : [];
}
