import type { Op } from '../ops.ts';
import type { Scope, Sheet, Step } from '../types.ts';

/** All of the unit: what a job is about where nothing is said. */
export const FULL_SCOPE = 'full';

/** How a scope is called: "Shaft seals only"; all of it where none is said. */
export const scopeTitle = (sheet: Sheet, scope: string | undefined): string =>
  sheet.scopes[scope ?? FULL_SCOPE]?.title ?? 'All of it';

/**
 * Scopes that take in more of the unit than one does, the least first; all of it is the last. None for a job that is
 * about all of it already.
 */
export function widerScopes(sheet: Sheet, scope: string | undefined): readonly Pick<Scope, 'id' | 'title' | 'asks'>[] {
  const steps = (id: string | undefined): readonly Step[] => sheet.steps.filter(rungsWithin(sheet, id));
  const now = steps(scope);
  const between = Object.values(sheet.scopes)
    .map((s) => ({ s, of: steps(s.id) }))
    .filter(({ of }) => of.length > now.length && of.length < sheet.steps.length && now.every((n) => of.includes(n)))
    .sort((a, b) => a.of.length - b.of.length)
    .map(({ s }) => s);
  return now.length === sheet.steps.length
    ? []
    : [...between, sheet.scopes[FULL_SCOPE] ?? { id: FULL_SCOPE, title: 'All of it' }];
}

/**
 * Which steps a scope takes in: the rungs down to the lowest that it names, but for those that it passes by, on both sides; along the bottom all of them,
 * since what is seen on the way still gets its finding.
 */
export function rungsWithin(sheet: Sheet, scope: string | undefined): (step: Step) => boolean {
  const { downTo = [], without = [] } = sheet.scopes[scope ?? FULL_SCOPE] ?? {};
  if (downTo.length === 0) return (step) => step.side === 'bottom' || !without.includes(step.rung);
  const strip = [...new Set(sheet.steps.filter((s) => s.side !== 'bottom').map((s) => s.rung))];
  const last = Math.max(...downTo.map((r) => strip.indexOf(r)));
  const kept = new Set(strip.slice(0, last + 1).filter((r) => !without.includes(r)));
  return (step) => step.side === 'bottom' || kept.has(step.rung);
}

/** Parts that only the rungs which a scope cuts off take off or put on: along the bottom nobody gets at them. */
export function partsOutOfReach(sheet: Sheet, scope: string | undefined): ReadonlySet<string> {
  const { downTo = [], without = [] } = sheet.scopes[scope ?? FULL_SCOPE] ?? {};
  if (downTo.length + without.length === 0) return new Set();
  const within = rungsWithin(sheet, scope);
  const touched = (kept: boolean): Set<string> =>
    new Set(
      sheet.steps
        .filter((s) => s.side !== 'bottom' && within(s) === kept)
        .flatMap((s) => s.ops.flatMap((op) => touchedBy(op, sheet))),
    );
  const above = touched(true);
  return new Set([...touched(false)].filter((p) => !above.has(p)));
}
/** Parts that an operation has hands on, with the fasteners of its joint. */
const touchedBy = (op: Op, sheet: Sheet): readonly string[] =>
  op.kind === 'undo' || op.kind === 'slacken' || op.kind === 'tighten'
    ? [sheet.joints[op.joint]?.fastener ?? '']
    : partsOf(op);
const partsOf = (op: Op): readonly string[] =>
  op.kind === 'off'
    ? op.parts.map((p) => p.part)
    : op.kind === 'judge'
      ? op.parts
      : 'part' in op && op.part !== undefined
        ? [op.part]
        : [];

/** What is left along the bottom when some parts are not got at: nothing is asked, read or taken off that is shut in. */
export function bottomWithin(sheet: Sheet, ops: readonly Op[], shutIn: ReadonlySet<string>): readonly Op[] {
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
