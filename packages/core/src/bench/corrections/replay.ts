import type { Sheet } from '../../sheet/index.ts';
import { identifiedBy } from '../identify/decide.ts';
import { answersThatStand } from '../identify/variants-left.ts';
import { canonicalJson } from '../log/chain.ts';
import type { EventPayloads, JobEvent } from '../log/events.ts';
import { apply } from '../log/evolve.ts';
import { emptyBench, type BenchState } from '../log/state.ts';
import { asItStands } from './as-it-stands.ts';
import type { CorrectionPayloads, Righted } from './events.ts';
import { tellReading } from './tell-reading.ts';

type Changes = CorrectionPayloads['corrected']['changes'];

/** Folds a log once more and asks of each event what should stand; those that then say something else, in order. */
export function replayed(
  events: readonly JobEvent[],
  again: (event: JobEvent, before: BenchState) => object | null | undefined,
): Changes {
  const standing = asItStands(events);
  const changes: { seq: number; payload: object | null }[] = [];
  let state = emptyBench(events[0]?.job ?? '');
  for (const event of events) {
    const stands = standing(event);
    let next = stands;
    if (stands) {
      const payload = again(stands, state);
      if (payload !== undefined && (payload === null || canonicalJson(payload) !== canonicalJson(stands.payload))) {
        changes.push({ seq: event.seq, payload });
        next = payload === null ? undefined : ({ ...stands, payload } as JobEvent);
      }
    }
    const history = { event, before: state.history };
    state = { ...(next ? apply(state, next) : state), seq: event.seq, history };
  }
  return changes;
}

/** What a later event says once an earlier one says something else; undefined where it does not hang on it. */
export function hangsOn(
  of: JobEvent,
  later: JobEvent,
  before: BenchState,
  sheet: Sheet,
  to: Righted,
): object | null | undefined {
  // Which one it is: every later answer was told together with those before it.
  if ((of.type === 'identified' || of.type === 'job-booked') && later.type === 'identified')
    return toldAgain(later.payload, before, sheet);
  // What was left to be watched is no deferral any more, or another one.
  if (of.type === 'finding-made' && later.type === 'deferral-made') {
    const { part } = of.payload;
    // Of a later finding it is its own matter.
    if (later.payload.part !== part || before.findingNotes[part]?.seq !== of.seq) return undefined;
    if (before.findings[part] !== 'watch') return null;
    return to.text?.trim() ? { ...later.payload, words: to.text.trim() } : undefined;
  }
  if (of.type !== 'reading-taken') return undefined;
  const { subject, id } = of.payload;
  if (
    later.type === 'reading-taken' &&
    later.payload.subject === subject &&
    later.payload.id === id &&
    !later.payload.proof
  )
    return readAgain(later.payload, before, sheet) ?? undefined;
  if (later.type === 'setting-confirmed' && subject === 'setting' && later.payload.setting === id) {
    const result = before.settings[id]?.rounds.at(-1)?.result;
    if (result?.verdict !== 'within') return null;
    const { mean: value, uncertainty, verdict } = result;
    return { ...later.payload, value, uncertainty, verdict };
  }
  return undefined;
}

/** The same answer, with what now stands before it; as it was where they contradict each other: that is for hands to settle. */
function toldAgain(said: EventPayloads['identified'], before: BenchState, sheet: Sheet): object | undefined {
  const question = sheet.identify.find((q) => q.id === said.question);
  const told = question && identifiedBy(sheet, question, said.answer, answersThatStand(before, question.id));
  return told === undefined || 'problem' in told ? undefined : { op: said.op, ...told };
}

/** The same reading, judged with what stood before it. */
function readAgain(
  said: EventPayloads['reading-taken'],
  before: BenchState,
  sheet: Sheet,
): EventPayloads['reading-taken'] | undefined {
  const told = tellReading(said, before, sheet);
  return told.ok && told.events[0]?.type === 'reading-taken' ? told.events[0].payload : undefined;
}
