import type { Op } from '../ops.ts';
import type { Sheet, SideName, Step } from '../types.ts';
import { stands, type LadderChoices } from './conditions.ts';
import { orderSteps } from './order.ts';

/** A step of this job's ladder: only the operations that stand, and what must be done before it. */
export interface LadderStep extends Omit<Step, 'after' | 'before' | 'when'> {
  /** Step ids that must be done first. */
  readonly after: readonly string[];
  /** Operations that may yet come, hanging on a finding or method that is still open. */
  readonly open: readonly Op[];
}

export interface Ladder {
  readonly strip: readonly LadderStep[];
  readonly bottom: readonly LadderStep[];
  readonly build: readonly LadderStep[];
  /** All three in the order of work. */
  readonly all: readonly LadderStep[];
}

/**
 * The recommended order of one job: down the strip side in the order of the sheet, along the bottom, up the build side
 * in reverse unless the sheet's `after` and `before` say otherwise. Findings, methods and the variant decide what stands.
 * A strip or build step waits for the one before it; the rungs of the bottom may be done in any order.
 * @throws CycleError when the constraints contradict each other (the lint finds it first)
 */
export function ladder(sheet: Sheet, choices: LadderChoices): Ladder {
  const within = rungsWithin(sheet, choices.scope);
  const of = (side: SideName): readonly Step[] =>
    sheet.steps.filter((s) => s.side === side && within(s) && stands(s.when, choices) === 'yes');
  const strip = chain(orderSteps(of('strip')), choices, []);
  const lastStrip = strip.at(-1);
  const untouched = partsBelow(sheet, choices.scope);
  const bottom = of('bottom')
    .map((s) => settle({ ...s, ops: bottomWithin(sheet, s.ops, untouched) }, choices, lastStrip ? [lastStrip.id] : []))
    .filter((s) => untouched.size === 0 || s.ops.length > 0 || s.open.length > 0);
  const build = chain(
    orderSteps(reverseRungs(of('build'))),
    choices,
    bottom.length > 0 ? bottom.map((b) => b.id) : lastStrip ? [lastStrip.id] : [],
  );
  return { strip, bottom, build, all: [...strip, ...bottom, ...build] };
}

/**
 * Which steps a scope takes in: the rungs down to the lowest that it names, on both sides; along the bottom all of them,
 * since what is seen on the way still gets its finding.
 */
function rungsWithin(sheet: Sheet, scope: string | undefined): (step: Step) => boolean {
  const downTo = scope === undefined ? undefined : sheet.scopes[scope]?.downTo;
  if (downTo === undefined || downTo.length === 0) return () => true;
  const strip = [...new Set(sheet.steps.filter((s) => s.side !== 'bottom').map((s) => s.rung))];
  const last = Math.max(...downTo.map((r) => strip.indexOf(r)));
  const kept = new Set(strip.slice(0, last + 1));
  return (step) => step.side === 'bottom' || kept.has(step.rung);
}

/** Parts that only the rungs which a scope cuts off take off or put on: along the bottom nobody gets at them. */
function partsBelow(sheet: Sheet, scope: string | undefined): ReadonlySet<string> {
  if (scope === undefined) return new Set();
  const within = rungsWithin(sheet, scope);
  const touched = (kept: boolean): Set<string> =>
    new Set(
      sheet.steps.filter((s) => s.side !== 'bottom' && within(s) === kept).flatMap((s) => s.ops.flatMap(partsOf)),
    );
  const above = touched(true);
  return new Set([...touched(false)].filter((p) => !above.has(p)));
}
const partsOf = (op: Op): readonly string[] =>
  op.kind === 'off'
    ? op.parts.map((p) => p.part)
    : op.kind === 'judge'
      ? op.parts
      : 'part' in op && op.part !== undefined
        ? [op.part]
        : [];

/** What is left along the bottom when some parts are not got at: nothing is asked, read or taken off that is shut in. */
function bottomWithin(sheet: Sheet, ops: readonly Op[], shutIn: ReadonlySet<string>): readonly Op[] {
  if (shutIn.size === 0) return ops;
  return ops.flatMap((op): readonly Op[] => {
    if (op.when.some((c) => c.on === 'finding' && shutIn.has(c.subject))) return [];
    if (op.kind === 'judge') {
      const parts = op.parts.filter((p) => !shutIn.has(p));
      return parts.length > 0 ? [{ ...op, parts }] : [];
    }
    const parts =
      op.kind === 'measure'
        ? [sheet.measures[op.measure]?.part ?? '']
        : op.kind === 'look'
          ? [sheet.looks[op.look]?.part ?? '']
          : op.kind === 'undo'
            ? [sheet.joints[op.joint]?.fastener ?? '']
            : partsOf(op);
    return parts.some((p) => shutIn.has(p)) ? [] : [op];
  });
}

/** Rungs in reverse, the named steps of one rung in their own order. */
function reverseRungs(steps: readonly Step[]): Step[] {
  const rungs: Step[][] = [];
  for (const s of steps) {
    const last = rungs.at(-1);
    if (last && last[0]!.rung === s.rung) last.push(s);
    else rungs.push([s]);
  }
  return rungs.reverse().flat();
}

function chain(steps: readonly Step[], choices: LadderChoices, first: readonly string[]): LadderStep[] {
  const out: LadderStep[] = [];
  for (const s of steps) {
    const settled = settle(s, choices, out.length > 0 ? [out.at(-1)!.id] : first);
    // A side whose every operation is ruled out by a finding is no step of this job.
    if (settled.ops.length > 0 || settled.open.length > 0) out.push(settled);
  }
  return out;
}

function settle(step: Step, choices: LadderChoices, after: readonly string[]): LadderStep {
  const { after: _after, before: _before, when: _when, ...rest } = step;
  const ops: Op[] = [];
  const open: Op[] = [];
  for (const op of step.ops) {
    const standing = op.when.length === 0 ? 'yes' : stands(op.when, choices);
    if (standing === 'yes') ops.push(op);
    else if (standing === 'open') open.push(op);
  }
  return { ...rest, after, ops, open };
}
