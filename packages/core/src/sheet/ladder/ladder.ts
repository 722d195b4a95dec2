import type { Op } from '../ops.ts';
import type { Sheet, SideName, Step } from '../types.ts';
import { stands, type LadderChoices } from './conditions.ts';
import { orderSteps } from './order.ts';
import { bottomWithin, partsOutOfReach, rungsWithin } from './scope.ts';

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
export function ladder(sheet: Sheet, given: LadderChoices): Ladder {
  const within = rungsWithin(sheet, given.scope);
  const untouched = partsOutOfReach(sheet, given.scope);
  const choices = untouched.size === 0 ? given : { ...given, findings: { ...stay(untouched), ...given.findings } };
  const of = (side: SideName): readonly Step[] =>
    sheet.steps.filter((s) => s.side === side && within(s) && stands(s.when, choices) === 'yes');
  const strip = chain(orderSteps(of('strip')), choices, []);
  const lastStrip = strip.at(-1);
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

/** What nobody gets at stays as it is: what hangs on its finding is settled by that. */
const stay = (parts: ReadonlySet<string>): LadderChoices['findings'] =>
  Object.fromEntries([...parts].map((p) => [p, 'reuse']));

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
