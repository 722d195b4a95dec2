import { ladder, type Ladder, type LadderStep, type Op, type Sheet, type StandingCaution } from '../../sheet/index.ts';
import { jobSheet } from './job-sheet.ts';
import type { BenchState } from '../log/state.ts';

/** Ladders kept of one sheet: each job on it may have other findings. */
const KEPT = 100;
const bySheet = new WeakMap<Sheet, Map<string, Ladder>>();
const byState = new WeakMap<BenchState, { readonly sheet: Sheet; readonly ladder: Ladder }>();

/** The ladder of a job as it stands now. Kept, since screens and the projection ask often. */
export function ladderOf(pinned: Sheet, state: BenchState): Ladder {
  const sheet = jobSheet(pinned, state);
  const asked = byState.get(state);
  if (asked?.sheet === sheet) return asked.ladder;
  let kept = bySheet.get(sheet);
  if (!kept) bySheet.set(sheet, (kept = new Map<string, Ladder>()));
  const key = JSON.stringify([state.variant, state.methods, state.findings, state.scope]);
  let value = kept.get(key);
  if (!value) {
    const { variant, methods, findings, scope } = state;
    value = ladder(sheet, { variant, methods, findings, scope });
    if (kept.size >= KEPT) kept.clear();
    kept.set(key, value);
  }
  byState.set(state, { sheet, ladder: value });
  return value;
}

export function stepDone(step: LadderStep, state: BenchState): boolean {
  return step.open.length === 0 && step.ops.every((o) => state.done[o.id] !== undefined);
}

/** A step is reachable when all that it waits for is done. */
export function stepReachable(step: LadderStep, ladderNow: Ladder, state: BenchState): boolean {
  return step.after.every((id) => {
    const before = ladderNow.all.find((s) => s.id === id);
    return !before || stepDone(before, state);
  });
}

/** Operations of a step that may be done now: the next in turn, or any of them along the bottom. */
export function openOps(step: LadderStep, state: BenchState): readonly Op[] {
  const left = step.ops.filter((o) => state.done[o.id] === undefined);
  return step.side === 'bottom' ? left : left.slice(0, 1);
}

/** The next thing to put hands on. */
export type NextMove =
  | { readonly kind: 'op'; readonly step: LadderStep; readonly op: Op; readonly place: number; readonly of: number }
  /** Nothing can be gone on with until someone says which variant it is. */
  | { readonly kind: 'which' }
  | { readonly kind: 'sign-off' }
  | { readonly kind: 'hand-over' }
  | { readonly kind: 'closed' };

/** The first reachable operation in the order of work; then which one it is, sign-off, hand-over. */
export function nextMove(sheet: Sheet, state: BenchState): NextMove {
  if (state.handedOver) return { kind: 'closed' };
  if (state.signed) return { kind: 'hand-over' };
  const now = ladderOf(sheet, state);
  for (const step of now.all) {
    if (stepDone(step, state) || !stepReachable(step, now, state)) continue;
    const op = openOps(step, state)[0];
    if (op) {
      const side = now[step.side];
      return { kind: 'op', step, op, place: side.indexOf(step) + 1, of: side.length };
    }
  }
  const hangs = now.all.some((s) => !stepDone(s, state) && s.open.some((o) => o.when.some((c) => c.on === 'variant')));
  return { kind: state.variant === undefined && hangs ? 'which' : 'sign-off' };
}

/** Where an operation stands in this job's ladder; undefined when it is not part of it. */
export function findOp(sheet: Sheet, state: BenchState, op: string): { step: LadderStep; op: Op } | undefined {
  for (const step of ladderOf(sheet, state).all) {
    const found = step.ops.find((o) => o.id === op);
    if (found) return { step, op: found };
  }
  return undefined;
}

/** Standing cautions in force: begun (their first step done) and not ended. */
export function standingNow(sheet: Sheet, state: BenchState): readonly StandingCaution[] {
  const now = ladderOf(sheet, state);
  const isDone = (id: string): boolean => {
    const step = now.all.find((s) => s.id === id);
    return step !== undefined && stepDone(step, state);
  };
  // One that ends with a step which is no part of this job says nothing of it: what it guards stays shut in.
  const part = (id: string): boolean => now.all.some((s) => s.id === id);
  return sheet.standing.filter((s) => isDone(s.from) && part(s.until) && !isDone(s.until));
}

/** Aids in the unit now that must come out again, in the order in which they went in; a shipping cap leaves with it. */
export function aidsIn(
  pinned: Sheet,
  state: BenchState,
): readonly { readonly id: string; readonly title: string; readonly where: string; readonly since: string }[] {
  const sheet = jobSheet(pinned, state);
  return Object.entries(state.aids)
    .filter(([id, a]) => !a.removed && sheet.aids[id]?.leaves !== true)
    .map(([id, a]) => ({
      id,
      title: sheet.aids[id]?.title ?? id,
      where: sheet.aids[id]?.where ?? '',
      since: a.fitted.at,
    }));
}

/** How far down and up the ladder a job is: 0 at the top of the strip side, 1 at the top of the build side. */
export function progress(sheet: Sheet, state: BenchState): number {
  const all = ladderOf(sheet, state).all;
  if (all.length === 0) return 0;
  return all.filter((s) => stepDone(s, state)).length / all.length;
}

/** Minutes of hands still needed, by the sheet. */
export function minutesLeft(sheet: Sheet, state: BenchState): number {
  return ladderOf(sheet, state)
    .all.filter((s) => !stepDone(s, state))
    .reduce((sum, s) => sum + s.minutes, 0);
}

export type JobStage = 'booked' | 'strip' | 'bottom' | 'build' | 'ready' | 'signed' | 'handed-over';

/** Which part of the work a job is in. */
export function stageOf(sheet: Sheet, state: BenchState): JobStage {
  if (state.handedOver) return 'handed-over';
  if (state.signed) return 'signed';
  const next = nextMove(sheet, state);
  if (next.kind !== 'op') return 'ready';
  if (Object.keys(state.done).length === 0) return 'booked';
  return next.step.side;
}

/** Leads, hoses, straps and clips that are parted now, in the order in which they came apart. */
export function leadsOff(
  pinned: Sheet,
  state: BenchState,
): readonly { readonly id: string; readonly title: string; readonly where: string; readonly kind: string }[] {
  const sheet = jobSheet(pinned, state);
  return Object.entries(state.leads)
    .filter(([, l]) => !l.reconnected)
    .map(([id]) => ({
      id,
      title: sheet.leads[id]?.title ?? id,
      where: sheet.leads[id]?.where ?? '',
      kind: sheet.leads[id]?.kind ?? 'connector',
    }));
}

/** What is neither on nor off now, in words. */
export function betweenNow(
  pinned: Sheet,
  state: BenchState,
): readonly { readonly key: string; readonly title: string; readonly state: string; readonly note?: string }[] {
  const sheet = jobSheet(pinned, state);
  const left = Object.entries(state.joints)
    .filter(([, j]) => (j.left ?? 0) > 0)
    .map(([id, j]) => ({
      key: `left:${id}`,
      title: sheet.joints[id]?.title ?? id,
      state: `${j.left} left in on purpose`,
    }));
  const words: Readonly<Record<string, string>> = {
    slackened: 'slackened',
    started: 'started, not tightened',
    'swung-aside': 'swung aside, lines on',
    hung: 'hung',
    refitted: 'refitted for the time being',
  };
  return [
    ...left,
    ...Object.entries(state.between).map(([key, b]) => ({
      key,
      title: (b.joint === undefined ? sheet.parts[b.part ?? '']?.title : sheet.joints[b.joint]?.title) ?? key,
      state: b.part !== undefined && b.state === 'started' ? 'pressed half way' : (words[b.state] ?? b.state),
      ...(b.note === undefined ? {} : { note: b.note }),
    })),
  ];
}
