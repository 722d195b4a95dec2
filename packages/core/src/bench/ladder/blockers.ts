import { opTitle } from './wording.ts';
import { inTheWayOf, unitNow } from './unit-now.ts';
import { holdWords, lowerFirst, partTitle } from './words.ts';
import { aidsIn, betweenNow, ladderOf, leadsOff, standingNow, stepDone } from './moves.ts';
import { jobSheet } from './job-sheet.ts';
import { variantMatters } from '../identify/matters.ts';
import { openBad } from '../bad/bad-things.ts';
import { tighteningState, type TighteningState } from '../tightening/index.ts';
import type { Joint, Ladder, Op, OpKind, OpOf, Sheet } from '../../sheet/index.ts';
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
  | 'not-whole'
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

/** What each question below looks at. */
interface Asked {
  readonly sheet: Sheet;
  readonly state: BenchState;
  readonly ladder: Ladder;
  /** The operation of a kind that a press leads to, where this job has one. */
  readonly opFor: <K extends OpKind>(kind: K, test: (op: OpOf<K>) => boolean) => string | undefined;
  /** What was found before: one thing is told once. */
  readonly found: readonly Blocker[];
}
type Question = (asked: Asked) => readonly Blocker[];

/** In the order in which they are told: the dangerous first. */
const questions: readonly Question[] = [
  aidsStillIn,
  leadsStillParted,
  leftInBetween,
  notCounted,
  parked,
  pullsMissing,
  holdsOpen,
  cautionsStanding,
  partsStillOff,
  marksNotAligned,
  stepsOpen,
  unitNotWhole,
  badOpen,
  fastenersUsedUp,
  deferralsNotWorded,
  yesMissing,
  secondPersonMissing,
  variantOpen,
];

/** Everything that must be settled before sign-off, the dangerous first. */
export function blockers(pinned: Sheet, state: BenchState): readonly Blocker[] {
  const sheet = jobSheet(pinned, state);
  const ladder = ladderOf(sheet, state);
  const ops = ladder.all.flatMap((s) => s.ops);
  const opFor: Asked['opFor'] = (kind, test) => ops.find((o) => o.kind === kind && test(o as never))?.id;
  const found: Blocker[] = [];
  for (const question of questions) found.push(...question({ sheet, state, ladder, opFor, found }));
  return state.end ? found.filter((b) => AT_ANY_END.has(b.code)) : found;
}

function aidsStillIn({ sheet, state, opFor }: Asked): Blocker[] {
  return aidsIn(sheet, state).map((aid) => ({
    code: 'aid-in',
    says: `${aid.title} is still in, ${aid.where}`,
    clears: 'Take it out',
    op: opFor('remove-aid', (o) => o.aid === aid.id),
  }));
}

function leadsStillParted({ sheet, state, opFor }: Asked): Blocker[] {
  return leadsOff(sheet, state).map((lead) => ({
    code: 'lead-parted',
    says: `${lead.title} is parted, ${lead.where}`,
    clears: 'Reconnect it',
    op: opFor('reconnect', (o) => o.lead === lead.id),
  }));
}

function leftInBetween({ sheet, state }: Asked): Blocker[] {
  return betweenNow(sheet, state).map((b) => ({
    code: 'in-between',
    says: `${b.title}: ${b.state}`,
    clears: 'Settle it',
  }));
}

function notCounted({ sheet, state }: Asked): Blocker[] {
  return Object.keys(state.uncounted).map((part) => ({
    code: 'not-counted',
    says: `${partTitle(sheet, part)}: nobody has counted them`,
    clears: 'Count what lies in the tray',
  }));
}

function parked({ state }: Asked): Blocker[] {
  return state.parked
    ? [{ code: 'parked', says: `The unit stands parked at ${state.parked.to}`, clears: 'Resume it' }]
    : [];
}

function pullsMissing({ sheet, state, opFor }: Asked): Blocker[] {
  return Object.values(sheet.joints).flatMap((joint): Blocker[] => {
    const op = opFor('tighten', (o) => o.joint === joint.id && o.through === undefined);
    if (op === undefined || state.joints[joint.id]?.undone === undefined) return [];
    const t = tighteningState(joint, state);
    const out: Blocker[] = [];
    if (t.unanswered)
      out.push({
        code: 'pull-unanswered',
        says: `${joint.title}: fastener ${t.unanswered.bolt} ${t.unanswered.verdict === 'high' ? 'was pulled too high' : 'turned oddly'}`,
        clears: 'Say what was done about it, and pull it again',
        op,
      });
    if (!t.complete) out.push({ code: 'pull-missing', says: notPulled(joint, t), clears: 'Pull in order', op });
    return out;
  });
}

/** Which fasteners of a joint the stage at hand still lacks, in words. */
function notPulled(joint: Joint, t: TighteningState): string {
  const stage = `${joint.title}, ${joint.stages[t.stage]!.name.toLowerCase()} stage`;
  const missing = t.order.filter((b) => !t.within[t.stage]!.has(b));
  if (joint.count === 1) return `${joint.title} is not pulled`;
  if (missing.length === joint.count) return `${stage}: no pull is recorded`;
  return `${stage}: ${missing.length === 1 ? 'fastener' : 'fasteners'} ${listed(missing)} not pulled`;
}

function holdsOpen({ state }: Asked): Blocker[] {
  return state.holds
    .filter((h) => !h.cleared)
    .map((h) => ({
      code: 'on-hold',
      says: `On hold for ${holdWords(h.why)}${h.note ? `: ${h.note}` : ''}`,
      clears: 'Clear the hold',
    }));
}

function cautionsStanding({ sheet, state }: Asked): Blocker[] {
  return standingNow(sheet, state).map((s) => ({
    code: 'standing-caution',
    says: `Still holds: ${s.say}`,
    clears: `Finish ${titleOfStep(sheet, s.until)}`,
  }));
}

function partsStillOff({ sheet, state, opFor }: Asked): Blocker[] {
  return Object.entries(state.off).map(([part, lying]) => ({
    code: 'part-off',
    says: `${partTitle(sheet, part)}${lying.count > 1 ? ` × ${lying.count}` : ''} still off the unit, tray ${lying.tray}`,
    clears: 'Put it back',
    op: opFor('place', (o) => o.part === part) ?? opFor('press', (o) => o.part === part),
  }));
}

function marksNotAligned({ sheet, state, opFor }: Asked): Blocker[] {
  return Object.entries(state.marks).flatMap(([id, m]): Blocker[] =>
    m.aligned
      ? []
      : [
          {
            code: 'mark-not-aligned',
            says: `The mark ${sheet.marks[id]?.title ?? id} was not lined up again`,
            clears: 'Line it up',
            op: opFor('align', (o) => o.mark === id),
          },
        ],
  );
}

const OPEN: Partial<Readonly<Record<OpKind, BlockerCode>>> = {
  set: 'setting-open',
  judge: 'finding-due',
  test: 'test-open',
};

function stepsOpen({ sheet, state, ladder, found }: Asked): Blocker[] {
  return ladder.all.flatMap((step): Blocker[] => {
    if (stepDone(step, state)) return [];
    const left = step.ops.find((o) => state.done[o.id] === undefined);
    if (left && found.some((b) => b.op === left.id)) return [];
    return [
      {
        code: (left && OPEN[left.kind]) ?? 'step-open',
        says: left
          ? `${step.title}: ${opTitle(sheet, left)}, not done${inTheWayWords(sheet, state, left)}`
          : `${step.title}: a finding is due`,
        clears: 'Do it',
        op: left?.id,
      },
    ];
  });
}

/** What is in the way of an operation whose turn has come. */
function inTheWayWords(sheet: Sheet, state: BenchState, op: Op): string {
  const [first] = inTheWayOf(sheet, state, op);
  return first === undefined ? '' : `. ${first.says}`;
}

/** What was drained and not filled again, and locks that are still on: by the unit as it stands, not by steps. */
function unitNotWhole({ sheet, state, ladder, opFor }: Asked): Blocker[] {
  if (sheet.form !== 2) return [];
  const unit = unitNow(sheet, state);
  const fills = ladder.build.flatMap((s) => s.ops.filter((o) => o.kind === 'fill'));
  const empty = Object.values(sheet.spaces).filter(
    (s) =>
      s.holds !== undefined &&
      !unit.full.has(s.id) &&
      fills.some((o) => o.kind === 'fill' && o.what === s.holds && state.done[o.id] !== undefined),
  );
  return [
    ...empty.map((s): Blocker => ({
      code: 'not-whole',
      says: `The ${lowerFirst(s.title)} is empty`,
      clears: 'Fill it',
      op: opFor('fill', (o) => o.what === s.holds),
    })),
    ...(unit.lockedOff && !ladder.all.some((s) => s.ops.some((o) => o.kind === 'let-run' && !state.done[o.id]))
      ? [{ code: 'not-whole' as const, says: 'The machine is still locked off', clears: 'Take the locks off' }]
      : []),
  ];
}

function badOpen({ sheet, state, found }: Asked): Blocker[] {
  return openBad(sheet, state)
    .filter((bad, i, all) => !found.some((b) => b.op === bad.op) && all.findIndex((b) => b.op === bad.op) === i)
    .map((bad) => ({
      code: 'bad-open',
      says: `${bad.title}: ${bad.says}`,
      clears: 'Go back to what could cause it, or take it so by name, with a reason',
      op: bad.op,
      bad: bad.key,
    }));
}

function fastenersUsedUp({ sheet, state, opFor }: Asked): Blocker[] {
  return Object.values(sheet.joints)
    .filter((joint) => state.joints[joint.id]?.usedUp)
    .map((joint) => ({
      code: 'not-renewed',
      says: `${joint.title}: its one-time fasteners were pulled once already`,
      clears: 'Fit new ones, and pull them',
      op: opFor('tighten', (o) => o.joint === joint.id),
    }));
}

function deferralsNotWorded({ sheet, state }: Asked): Blocker[] {
  return Object.entries(state.findings)
    .filter(([part, finding]) => finding === 'watch' && !state.deferrals[part]?.words.trim())
    .map(([part]) => ({
      code: 'not-worded',
      says: `${partTitle(sheet, part)} is left to be watched, and nothing says what for`,
      clears: 'Say what to look at next time',
    }));
}

function yesMissing({ state }: Asked): Blocker[] {
  const quote = state.quotes.at(-1);
  return quote && !quote.answer
    ? [{ code: 'yes-missing', says: `Quote ${quote.version} is not answered`, clears: 'Get the yes, and record it' }]
    : [];
}

/** Asked for once nothing else is left: what is looked over is the finished unit. */
function secondPersonMissing({ sheet, state, found }: Asked): Blocker[] {
  return sheet.handOver?.secondPerson && !state.checked && found.length === 0
    ? [
        {
          code: 'second-person',
          says: 'A second person has not looked it over',
          clears: 'Another person signs in and looks it over',
        },
      ]
    : [];
}

function variantOpen({ sheet, state }: Asked): Blocker[] {
  return state.variant === undefined && variantMatters(sheet, state)
    ? [{ code: 'variant-open', says: 'The variant is not known', clears: 'Measure and say which' }]
    : [];
}

function titleOfStep(sheet: Sheet, id: string): string {
  return sheet.steps.find((s) => s.id === id)?.title ?? id;
}

function listed(numbers: readonly number[]): string {
  const sorted = [...numbers].sort((a, b) => a - b);
  return sorted.length < 2 ? sorted.join('') : `${sorted.slice(0, -1).join(', ')} and ${sorted.at(-1)}`;
}
