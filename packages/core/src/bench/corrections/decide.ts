import type { Deciders } from '../registry/shapes.ts';
import type { Correct, JudgeAgain, CorrectionPayloads, Righted } from './events.ts';
import { canonicalJson } from '../log/chain.ts';
import { MOST_OF_A_PART, notACount, refuseCount } from '../counting/decide.ts';
import { tell } from '../identify/decide.ts';
import { followsFinding } from '../judging/decide.ts';
import { decideTakeReading } from '../measuring/decide.ts';
import { staysOpen } from '../looking/decide.ts';
import { adviseFinding } from '../judging/advice.ts';
import { apply } from '../log/evolve.ts';
import type { EventPayloads, JobEvent, NewEvent } from '../log/events.ts';
import { ladderOf } from '../ladder/moves.ts';
import { jobSheet } from '../ladder/job-sheet.ts';
import { comesUndone } from '../proving/return-to-step/steps.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import { emptyBench, eventsOf, type BenchState } from '../log/state.ts';
import { answersThatStand } from '../identify/which.ts';
import { findings, type Sheet } from '../../sheet/index.ts';
import { asItStands } from './as-it-stands.ts';
import { saidBy } from './words.ts';

type Changes = CorrectionPayloads['corrected']['changes'];
/** The payload that should have stood, null for none, or why it cannot be. */
type Put = { readonly payload: object | null } | { readonly refused: Decision };

/**
 * Puts right what was said: the earlier event stays in the log, and the log folds from now on as if it had said the right
 * thing. Later readings whose mean hung on a wrong one are judged anew; a setting whose confirmation no longer holds opens.
 */
export function decideCorrect(state: BenchState, pinned: Sheet, command: Correct, commandId: string): Decision {
  const events = eventsOf(state);
  const event = events[command.seq - 1];
  const now = event && asItStands(events)(event);
  const said = now && saidBy(jobSheet(pinned, state), now);
  if (!now || !said)
    return refuse(
      'unknown-op',
      `Event ${command.seq} says nothing that can be put right`,
      'Choose a reading, a look, an answer, a count, a finding, a note or the booking',
    );
  const reason = command.reason.trim();
  if (reason === '') return refuse('not-complete', `${said.title}: ${said.words}`, 'Say why it was wrong');
  let refused: Decision | undefined;
  const changes = replayed(events, (e, before) => {
    if (refused) return undefined;
    const sheet = jobSheet(pinned, before);
    if (e.seq !== now.seq) return e.seq > now.seq ? hangsOn(now, e, before, sheet, command.to) : undefined;
    const put = rightedPayload(e, command.to, reason, before, sheet, state);
    if ('refused' in put) {
      refused = put.refused;
      return undefined;
    }
    return put.payload;
  });
  if (refused) return refused;
  const own = changes.find((c) => c.seq === now.seq);
  if (!own) return refuse('already-done', `${said.title}: it says ${said.words} already`, 'Give what it should be');
  const after =
    own.payload === null ? undefined : saidBy(jobSheet(pinned, state), { ...now, payload: own.payload } as JobEvent);
  const found = now.type === 'finding-made' ? (own.payload as EventPayloads['finding-made']) : undefined;
  const part = found && found.finding !== (now.payload as typeof found).finding ? pinned.parts[found.part] : undefined;
  const follows = found && part ? followsFinding(pinned, part, found.finding, found.reason, commandId) : [];
  const corrected: NewEvent = {
    type: 'corrected',
    payload: {
      what: said.what,
      of: now.seq,
      title: said.title,
      before: said.words,
      now: after?.words ?? 'taken out',
      reason,
      changes,
    },
  };
  return accept(corrected, ...follows);
}

/** Folds a log once more and asks of each event what should stand; those that then say something else, in order. */
function replayed(
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
function hangsOn(
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
  const told = question && tell(sheet, question, said.answer, answersThatStand(before, question.id));
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

function tellReading(said: EventPayloads['reading-taken'], before: BenchState, sheet: Sheet): Decision {
  const { op, where, subject, id, value, how, instrument, temperature } = said;
  return decideTakeReading(before, sheet, {
    type: 'take-reading',
    op,
    value,
    how,
    sure: true,
    ...(where === null ? {} : { where }),
    ...(subject === 'setting' ? { setting: id } : {}),
    ...(instrument ? { instrument } : {}),
    ...(temperature ? { temperature } : {}),
  });
}

/** The payload that an event should have had. */
function rightedPayload(
  event: JobEvent,
  to: Righted,
  reason: string,
  before: BenchState,
  sheet: Sheet,
  now: BenchState,
): Put {
  const no = (says: string, clears: string): Put => ({ refused: refuse('wrong-value', says, clears) });
  switch (event.type) {
    case 'reading-taken': {
      if (to.gone) return { payload: null };
      if (!to.value) return no('A reading is put right by a figure', 'Give what was read, with its unit');
      // A figure that is typed over a run is no figure of the run.
      const { proof: _gone, ...said } = event.payload;
      const decided = tellReading({ ...said, value: to.value, how: 'hand' }, before, sheet);
      if (!decided.ok) return { refused: decided };
      return { payload: decided.events[0]!.payload };
    }
    case 'looked': {
      const look = sheet.looks[event.payload.look];
      const choice = look?.choices.find((c) => c.id === to.choice);
      if (!look || !choice)
        return no(
          `"${to.choice ?? ''}" is not offered`,
          `One of: ${(look?.choices ?? []).map((c) => c.id).join(', ')}`,
        );
      const { open: _was, ...said } = event.payload;
      const open = staysOpen(sheet, before, look, said.moment, choice.verdict);
      return {
        payload: {
          ...said,
          choice: choice.id,
          title: choice.title,
          verdict: choice.verdict,
          ...(open ? { open: true } : {}),
        },
      };
    }
    case 'sense-answered':
      return to.answer === 'yes' || to.answer === 'no'
        ? { payload: { ...event.payload, answer: to.answer } }
        : no(`"${to.answer ?? ''}" is no answer`, 'yes or no');
    case 'identified': {
      const question = sheet.identify.find((q) => q.id === event.payload.question);
      if (!question || to.answer === undefined) return no('An answer is due', 'Give it as it should have been');
      const told = tell(sheet, question, to.answer, answersThatStand(now, question.id));
      return 'problem' in told ? no(told.problem, told.clears) : { payload: { op: event.payload.op, ...told } };
    }
    case 'counted':
      if (to.count === undefined || notACount(to.count)) return { refused: refuseCount(to.count ?? -1) };
      return {
        payload: {
          ...event.payload,
          count: to.count,
          agrees: event.payload.expected === null || event.payload.expected === to.count,
          ...(event.payload.expected === null || event.payload.expected === to.count ? {} : { reason }),
        },
      };
    case 'parts-off': {
      const { parts } = event.payload;
      const part = to.part ?? (parts.length === 1 ? parts[0]!.part : undefined);
      if (!parts.some((p) => p.part === part))
        return no('Which of them?', `One of: ${parts.map((p) => p.part).join(', ')}`);
      if (to.count === undefined || notACount(to.count))
        return {
          refused: refuse('wrong-value', `${to.count ?? 'nothing'} is no count`, `From 0 to ${MOST_OF_A_PART}`),
        };
      return {
        payload: {
          ...event.payload,
          parts: parts.map((p) => (p.part === part ? { part: p.part, count: to.count! } : p)),
          reason,
        },
      };
    }
    case 'finding-made':
      return rightedFinding(event.payload, to, before, sheet, now);
    case 'noted':
      if (to.gone) return { payload: null };
      return to.text?.trim()
        ? { payload: { ...event.payload, text: to.text.trim() } }
        : no('A note has words', 'Say what it should be');
    case 'job-booked':
      return rightedBooking(event.payload, to, sheet);
    default:
      return no('This cannot be put right', 'Note it instead');
  }
}

function rightedFinding(
  said: EventPayloads['finding-made'],
  to: Righted,
  before: BenchState,
  sheet: Sheet,
  now: BenchState,
): Put {
  const finding = to.finding ?? said.finding;
  if (!findings.some((f) => f === finding))
    return { refused: refuse('not-a-choice', `"${finding}" is not a finding`, `One of: ${findings.join(', ')}`) };
  const homes = ladderOf(sheet, now)
    .build.flatMap((s) => s.ops)
    .filter((o) => 'part' in o && o.part === said.part);
  if (finding !== said.finding && homes.some((o) => now.done[o.id]))
    return {
      refused: refuse(
        'closed',
        `${sheet.parts[said.part]?.title ?? said.part} is in already`,
        'Judge it again: what lies over it comes off',
      ),
    };
  const advice = adviseFinding(sheet, before, said.part);
  return {
    payload: {
      ...said,
      finding,
      reason: to.text?.trim() ? to.text.trim() : said.reason,
      advised: advice.finding ?? null,
      says: advice.says,
    },
  };
}

function rightedBooking(said: EventPayloads['job-booked'], to: Righted, sheet: Sheet): Put {
  const no = (says: string, clears: string): Put => ({ refused: refuse('wrong-value', says, clears) });
  let payload = said;
  if (to.serial !== undefined) {
    const serial = to.serial.trim();
    if (serial === '' || serial.length > 60) return no(`"${serial}" is no serial`, 'From 1 to 60 letters');
    payload = { ...payload, unit: { ...payload.unit, serial } };
  }
  if (to.customer !== undefined) payload = { ...payload, customer: to.customer };
  if (to.complaint !== undefined) {
    if (to.complaint.trim() === '') return no('A complaint has words', 'Say what the customer said');
    payload = { ...payload, complaint: to.complaint.trim() };
  }
  if (to.limitMinor !== undefined) {
    if (to.limitMinor !== null && (!Number.isSafeInteger(to.limitMinor) || to.limitMinor < 0))
      return no(`${to.limitMinor} is no sum`, 'Whole minor units, from 0, or none');
    payload = { ...payload, spendLimitMinor: to.limitMinor };
  }
  if (to.question !== undefined) {
    const question = sheet.identify.find((q) => q.id === to.question);
    if (!question || to.answer === undefined)
      return no('Which answer?', `One of: ${sheet.identify.map((q) => q.id).join(', ')}`);
    const others = payload.identified.filter((i) => i.question !== question.id);
    const told = tell(
      sheet,
      question,
      to.answer,
      others.flatMap((i) => (i.variants ? [{ variants: i.variants }] : [])),
    );
    if ('problem' in told) return no(told.problem, told.clears);
    payload = { ...payload, identified: [...others, told], variant: told.variant };
  }
  return { payload };
}

/** Opens the judgement on a part again: its measures and its finding, and, where it is in already, all that lies over it. */
export function decideJudgeAgain(state: BenchState, sheet: Sheet, command: JudgeAgain): Decision {
  const part = sheet.parts[command.part];
  const { bottom } = ladderOf(sheet, state);
  const judges = bottom.flatMap((s) => s.ops).find((o) => o.kind === 'judge' && o.parts.includes(command.part));
  if (!part || !judges)
    return refuse('unknown-op', `"${command.part}" is not judged on this job`, 'Choose a part that is');
  if (state.findings[part.id] === undefined)
    return refuse('already-done', `${part.title} is not judged yet`, 'Judge it');
  const reason = command.reason.trim();
  if (reason === '') return refuse('not-complete', `${part.title} is judged`, 'Say why it is judged again');
  const undone = comesUndone(sheet, state, part.id, judges.id) ?? onlyJudged(sheet, state, part.id);
  return accept({
    type: 'led-back',
    payload: { op: judges.id, test: part.id, suspect: part.id, why: [reason], ...undone },
  });
}

/** Of a part that no step of this job puts in only the judgement opens. */
function onlyJudged(sheet: Sheet, state: BenchState, part: string): NonNullable<ReturnType<typeof comesUndone>> {
  const steps = ladderOf(sheet, state).bottom.filter((s) =>
    s.ops.some((o) => o.kind === 'judge' && o.parts.includes(part)),
  );
  return {
    ops: steps.flatMap((s) => s.ops.flatMap((o) => (o.kind === 'judge' && o.parts.includes(part) ? [o.id] : []))),
    steps: steps.map((s) => s.id),
    parts: [part],
    settings: [],
    marks: [],
    again: [],
  };
}

/** How each of these commands is decided. */
export const correctionsDeciders: Deciders<(Correct | JudgeAgain)['type']> = {
  correct: (state, sheet, command, { id }) => decideCorrect(state, sheet, command, id),
  'judge-again': decideJudgeAgain,
};
