import { opTitle } from './wording.ts';
import { holdWords } from './words.ts';
import { aidsIn, betweenNow, ladderOf, leadsOff, standingNow, stepDone } from './moves.ts';
import { jobSheet } from './job-sheet.ts';
import { openBad } from '../bad/bad-things.ts';
import { tighteningState } from '../tightening/index.ts';
import type { Op, OpKind, Sheet } from '../../sheet/index.ts';
import type { BenchState } from '../log/state.ts';

export type BlockerCode =
  | 'aid-in'
  | 'part-off'
  | 'lead-parted'
  | 'in-between'
  | 'not-counted'
  | 'parked'
  | 'pull-missing'
  | 'pull-unanswered'
  | 'setting-open'
  | 'mark-not-aligned'
  | 'finding-due'
  | 'standing-caution'
  | 'on-hold'
  | 'step-open'
  | 'variant-open'
  | 'test-open'
  | 'not-renewed'
  | 'not-worded'
  | 'yes-missing'
  | 'second-person'
  | 'bad-open';

/** One thing that stands between a job and its signature. */
export interface Blocker {
  readonly code: BlockerCode;
  /** What is in the way. */
  readonly says: string;
  /** What would clear it. */
  readonly clears: string;
  /** The operation that a press leads to, where there is one. */
  readonly op?: string;
  /** The bad thing that it is about: it can be taken so. */
  readonly bad?: string;
}

/** What stands in the way of any end: of one that is no repair only this, and its own short ladder. */
const AT_ANY_END: ReadonlySet<BlockerCode> = new Set(['aid-in', 'parked', 'on-hold', 'step-open']);

/** Everything that must be settled before sign-off, the dangerous first. */
export function blockers(pinned: Sheet, state: BenchState): readonly Blocker[] {
  const sheet = jobSheet(pinned, state);
  const out: Blocker[] = [];
  const ladderNow = ladderOf(sheet, state);
  const opFor = (kind: OpKind, test: (op: Op) => boolean): string | undefined =>
    ladderNow.all.flatMap((s) => s.ops).find((o) => o.kind === kind && test(o))?.id;

  for (const aid of aidsIn(sheet, state)) {
    out.push({
      code: 'aid-in',
      says: `${aid.title} is still in, ${aid.where}`,
      clears: 'Take it out',
      op: opFor('remove-aid', (o) => o.kind === 'remove-aid' && o.aid === aid.id),
    });
  }
  for (const lead of leadsOff(sheet, state)) {
    out.push({
      code: 'lead-parted',
      says: `${lead.title} is parted, ${lead.where}`,
      clears: 'Reconnect it',
      op: opFor('reconnect', (o) => o.kind === 'reconnect' && o.lead === lead.id),
    });
  }
  for (const b of betweenNow(sheet, state))
    out.push({ code: 'in-between', says: `${b.title}: ${b.state}`, clears: 'Settle it' });
  for (const part of Object.keys(state.uncounted))
    out.push({
      code: 'not-counted',
      says: `${sheet.parts[part]?.title ?? part}: nobody has counted them`,
      clears: 'Count what lies in the tray',
    });
  if (state.parked)
    out.push({ code: 'parked', says: `The unit stands parked at ${state.parked.to}`, clears: 'Resume it' });
  for (const joint of Object.values(sheet.joints)) {
    const op = opFor('tighten', (o) => o.kind === 'tighten' && o.joint === joint.id && o.through === undefined);
    if (op === undefined || state.joints[joint.id]?.undone === undefined) continue;
    const t = tighteningState(joint, state);
    if (t.unanswered) {
      out.push({
        code: 'pull-unanswered',
        says: `${joint.title}: fastener ${t.unanswered.bolt} ${t.unanswered.verdict === 'high' ? 'was pulled too high' : 'turned oddly'}`,
        clears: 'Say what was done about it, and pull it again',
        op,
      });
    }
    if (!t.complete) {
      const stage = joint.stages[t.stage]!;
      const missing = t.order.filter((b) => !t.within[t.stage]!.has(b));
      out.push({
        code: 'pull-missing',
        says:
          joint.count === 1
            ? `${joint.title} is not pulled`
            : missing.length === joint.count
              ? `${joint.title}, ${stage.name.toLowerCase()} stage: no pull is recorded`
              : `${joint.title}, ${stage.name.toLowerCase()} stage: ${missing.length === 1 ? 'fastener' : 'fasteners'} ${listed(missing)} not pulled`,
        clears: 'Pull in order',
        op,
      });
    }
  }
  for (const hold of state.holds.filter((h) => !h.cleared)) {
    out.push({
      code: 'on-hold',
      says: `On hold for ${holdWords(hold.why)}${hold.note ? `: ${hold.note}` : ''}`,
      clears: 'Clear the hold',
    });
  }
  for (const s of standingNow(sheet, state))
    out.push({
      code: 'standing-caution',
      says: `Still holds: ${s.say}`,
      clears: `Finish ${titleOfStep(sheet, s.until)}`,
    });
  for (const [part, lying] of Object.entries(state.off)) {
    const op =
      opFor('place', (o) => o.kind === 'place' && o.part === part) ??
      opFor('press', (o) => o.kind === 'press' && o.part === part);
    out.push({
      code: 'part-off',
      says: `${sheet.parts[part]?.title ?? part}${lying.count > 1 ? ` × ${lying.count}` : ''} still off the unit, tray ${lying.tray}`,
      clears: 'Put it back',
      op,
    });
  }
  for (const [id, m] of Object.entries(state.marks)) {
    if (m.aligned) continue;
    out.push({
      code: 'mark-not-aligned',
      says: `The mark ${sheet.marks[id]?.title ?? id} was not lined up again`,
      clears: 'Line it up',
      op: opFor('align', (o) => o.kind === 'align' && o.mark === id),
    });
  }
  for (const step of ladderNow.all) {
    if (stepDone(step, state)) continue;
    const left = step.ops.find((o) => state.done[o.id] === undefined);
    if (left && out.some((b) => b.op === left.id)) continue;
    out.push({
      code:
        left?.kind === 'set'
          ? 'setting-open'
          : left?.kind === 'judge'
            ? 'finding-due'
            : left?.kind === 'test'
              ? 'test-open'
              : 'step-open',
      says: left ? `${step.title}: ${opTitle(sheet, left)}, not done` : `${step.title}: a finding is due`,
      clears: 'Do it',
      op: left?.id,
    });
  }
  for (const bad of openBad(sheet, state)) {
    if (out.some((b) => b.op === bad.op)) continue;
    out.push({
      code: 'bad-open',
      says: `${bad.title}: ${bad.says}`,
      clears: 'Go back to what could cause it, or take it so by name, with a reason',
      op: bad.op,
      bad: bad.key,
    });
  }
  for (const joint of Object.values(sheet.joints))
    if (state.joints[joint.id]?.usedUp)
      out.push({
        code: 'not-renewed',
        says: `${joint.title}: its one-time fasteners were pulled once already`,
        clears: 'Fit new ones, and pull them',
        op: opFor('tighten', (o) => o.kind === 'tighten' && o.joint === joint.id),
      });
  for (const [part, finding] of Object.entries(state.findings))
    if (finding === 'watch' && !state.deferrals[part]?.words.trim())
      out.push({
        code: 'not-worded',
        says: `${sheet.parts[part]?.title ?? part} is left to be watched, and nothing says what for`,
        clears: 'Say what to look at next time',
      });
  const quote = state.quotes.at(-1);
  if (quote && !quote.answer)
    out.push({
      code: 'yes-missing',
      says: `Quote ${quote.version} is not answered`,
      clears: 'Get the yes, and record it',
    });
  if (sheet.handOver?.secondPerson && !state.checked && out.length === 0)
    out.push({
      code: 'second-person',
      says: 'A second person has not looked it over',
      clears: 'Another person signs in and looks it over',
    });
  if (sheet.variants.length > 0 && state.variant === undefined)
    out.push({ code: 'variant-open', says: 'The variant is not known', clears: 'Measure and say which' });
  return state.end ? out.filter((b) => AT_ANY_END.has(b.code)) : out;
}

function titleOfStep(sheet: Sheet, id: string): string {
  return sheet.steps.find((s) => s.id === id)?.title ?? id;
}

function listed(numbers: readonly number[]): string {
  const sorted = [...numbers].sort((a, b) => a - b);
  return sorted.length < 2 ? sorted.join('') : `${sorted.slice(0, -1).join(', ')} and ${sorted.at(-1)}`;
}
