import { findings, type Sheet } from '../../sheet/index.ts';
import { refuse, type Decision } from '../command/refusal.ts';
import { MOST_OF_A_PART, notACount, refuseCount } from '../counting/decide.ts';
import { identifiedBy } from '../identify/decide.ts';
import { answersThatStand } from '../identify/variants-left.ts';
import { adviseFinding } from '../judging/advice.ts';
import { ladderOf } from '../ladder/moves.ts';
import type { EventPayloads, EventType, JobEvent } from '../log/events.ts';
import type { BenchState } from '../log/state.ts';
import { staysOpen } from '../looking/decide.ts';
import type { Righted } from './events.ts';
import { tellReading } from './tell-reading.ts';

/** The payload that should have stood, null for none, or why it cannot be. */
export type Put = { readonly payload: object | null } | { readonly refused: Decision };
/** What it should have been and why, and the bench as it was before and is now. */
interface Asked {
  readonly to: Righted;
  readonly reason: string;
  readonly before: BenchState;
  readonly now: BenchState;
  readonly sheet: Sheet;
}
type Rights = { readonly [T in EventType]?: (said: EventPayloads[T], asked: Asked) => Put };

const no = (says: string, clears: string): Put => ({ refused: refuse('wrong-value', says, clears) });

/** The payload that an event should have had, or why it cannot be put right so. */
export function rightedPayload(event: JobEvent, asked: Asked): Put {
  const right = rights[event.type] as ((said: object, asked: Asked) => Put) | undefined;
  return right ? right(event.payload, asked) : no('This cannot be put right', 'Note it instead');
}

const rights: Rights = {
  'reading-taken': (payload, { to, before, sheet }) => {
    if (to.gone) return { payload: null };
    if (!to.value) return no('A reading is put right by a figure', 'Give what was read, with its unit');
    // A figure that is typed over a run is no figure of the run.
    const { proof: _gone, ...said } = payload;
    const decided = tellReading({ ...said, value: to.value, how: 'hand' }, before, sheet);
    return decided.ok ? { payload: decided.events[0]!.payload } : { refused: decided };
  },
  looked: (payload, { to, before, sheet }) => {
    const look = sheet.looks[payload.look];
    const choice = look?.choices.find((c) => c.id === to.choice);
    if (!look || !choice)
      return no(`"${to.choice ?? ''}" is not offered`, `One of: ${(look?.choices ?? []).map((c) => c.id).join(', ')}`);
    const { open: _was, ...said } = payload;
    const open = staysOpen(sheet, before, look, said.moment, choice.verdict);
    const { id, title, verdict } = choice;
    return { payload: { ...said, choice: id, title, verdict, ...(open ? { open: true } : {}) } };
  },
  'sense-answered': (payload, { to }) =>
    to.answer === 'yes' || to.answer === 'no'
      ? { payload: { ...payload, answer: to.answer } }
      : no(`"${to.answer ?? ''}" is no answer`, 'yes or no'),
  identified: (payload, { to, now, sheet }) => {
    const question = sheet.identify.find((q) => q.id === payload.question);
    if (!question || to.answer === undefined) return no('An answer is due', 'Give it as it should have been');
    const told = identifiedBy(sheet, question, to.answer, answersThatStand(now, question.id));
    return 'problem' in told ? no(told.problem, told.clears) : { payload: { op: payload.op, ...told } };
  },
  counted: (payload, { to, reason }) => {
    if (to.count === undefined || notACount(to.count)) return { refused: refuseCount(to.count ?? -1) };
    const agrees = payload.expected === null || payload.expected === to.count;
    return { payload: { ...payload, count: to.count, agrees, ...(agrees ? {} : { reason }) } };
  },
  'parts-off': (payload, { to, reason }) => {
    const { parts } = payload;
    const part = to.part ?? (parts.length === 1 ? parts[0]!.part : undefined);
    if (!parts.some((p) => p.part === part))
      return no('Which of them?', `One of: ${parts.map((p) => p.part).join(', ')}`);
    const { count } = to;
    if (count === undefined || notACount(count))
      return no(`${count ?? 'nothing'} is no count`, `From 0 to ${MOST_OF_A_PART}`);
    return {
      payload: { ...payload, parts: parts.map((p) => (p.part === part ? { part: p.part, count } : p)), reason },
    };
  },
  'finding-made': rightedFinding,
  noted: (payload, { to }) => {
    if (to.gone) return { payload: null };
    const text = to.text?.trim();
    return text ? { payload: { ...payload, text } } : no('A note has words', 'Say what it should be');
  },
  'job-booked': rightedBooking,
};

function rightedFinding(said: EventPayloads['finding-made'], { to, before, now, sheet }: Asked): Put {
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

function rightedBooking(said: EventPayloads['job-booked'], { to, sheet }: Asked): Put {
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
    const told = identifiedBy(
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
