import type { LadderChoices } from '../ladder/conditions.ts';
import { ladder } from '../ladder/ladder.ts';
import type { Op } from '../ops.ts';
import type { Condition, Finding, Sheet, Step } from '../types.ts';
import type { Fault } from './faults.ts';
import { about, change, faultsOf } from './operation.ts';
import { ofVariant } from '../variants.ts';
import { asItComes, type UnitState } from './state.ts';

/** A fault with the operation that cannot be done, and the choices by which the ladder came to it. */
export interface Found extends Fault {
  readonly op: Op;
  readonly by: LadderChoices;
}

/** More runs than these tell nothing that one of them has not told: a sheet is worked through in well under a second. */
const MOST_RUNS = 160;

/**
 * Works a ladder through in its mind: every operation against what is then on, open, full and loaded.
 * @returns what could not be done, each with its operation; and the unit as it stands at the end
 */
export function workThrough(
  whole: Sheet,
  choices: LadderChoices,
): { readonly found: readonly Found[]; readonly end: UnitState } {
  const sheet = ofVariant(whole, choices.variant);
  const state = asItComes(sheet);
  const found: Found[] = [];
  const spoilt = new Set<string>();
  const { all } = ladder(sheet, choices);
  const asked = new Set(all.flatMap((s) => s.ops.flatMap((o) => (o.kind === 'choose' ? [o.method] : []))));
  const judgedAt = new Set(all.flatMap((s) => s.ops.flatMap((o) => (o.kind === 'judge' ? o.parts : []))));
  const conditionsOf = new Map<string, readonly Condition[]>(sheet.steps.map((s) => [s.id, s.when]));
  for (const step of all)
    for (const op of step.ops) {
      const faults = [
        ...tooEarly([...(conditionsOf.get(step.id) ?? []), ...op.when], state, asked, judgedAt, sheet),
        ...faultsOf(op, sheet, state),
      ];
      const things = about(op, sheet);
      // What went wrong with a thing once goes on being wrong with it: the first time is what is to be mended.
      if (faults.length > 0 && !things.some((t) => spoilt.has(t)))
        for (const fault of faults) found.push({ ...fault, op, by: choices });
      if (faults.length > 0) for (const t of things) spoilt.add(t);
      change(op, sheet, state);
    }
  for (const left of leftBehind(
    all.flatMap((s) => s.ops),
    sheet,
    state,
  ))
    if (!about(left.op, sheet).some((t) => spoilt.has(t))) found.push({ ...left, by: choices });
  return { found, end: state };
}

/** What a ladder that is worked to its end leaves in, parted or not lined up: another variant, choice or scope may see to it. */
function leftBehind(ops: readonly Op[], sheet: Sheet, end: UnitState): readonly (Fault & { readonly op: Op })[] {
  const aligned = new Set(ops.flatMap((o) => (o.kind === 'align' ? [o.mark] : [])));
  return ops.flatMap((op): (Fault & { readonly op: Op })[] => {
    if (op.kind === 'fit-aid' && end.aids.has(op.aid) && sheet.aids[op.aid]?.leaves !== true)
      return [
        {
          op,
          code: 'aid-left-in',
          says: `"${sheet.aids[op.aid]?.title}" is fitted, and this ladder never takes it out`,
        },
      ];
    if (op.kind === 'disconnect' && end.leadsOff.has(op.lead))
      return [
        {
          op,
          code: 'lead-not-reconnected',
          says: `"${sheet.leads[op.lead]?.title}" is parted, and this ladder never puts it back`,
        },
      ];
    if (op.kind === 'mark' && !aligned.has(op.mark))
      return [
        {
          op,
          code: 'mark-not-used',
          says: `"${sheet.marks[op.mark]?.title}" is made, and this ladder never lines it up again`,
        },
      ];
    return [];
  });
}

/** An operation that hangs on a choice or a finding that is only made after it. */
function tooEarly(
  when: readonly Condition[],
  state: UnitState,
  asked: ReadonlySet<string>,
  judged: ReadonlySet<string>,
  sheet: Sheet,
): readonly Fault[] {
  return when.flatMap((c): Fault[] => {
    if (c.on === 'method' && asked.has(c.subject) && !state.chosen.has(c.subject))
      return [
        {
          code: 'asked-after-the-deed',
          says: `This hangs on "${sheet.methods[c.subject]?.ask}", which is asked only after it`,
        },
      ];
    if (c.on === 'method' && !asked.has(c.subject))
      return [
        {
          code: 'hangs-on-what-is-not-asked',
          says: `This hangs on "${sheet.methods[c.subject]?.ask}", which this ladder never asks: nobody could go on`,
        },
      ];
    if (c.on === 'finding' && judged.has(c.subject) && !state.judged.has(c.subject))
      return [
        {
          code: 'decided-before-judged',
          says: `This hangs on the finding of "${sheet.parts[c.subject]?.title}", which is judged only after it`,
        },
      ];
    return [];
  });
}

/**
 * The ladders that tell all there is to tell: each variant with every part renewed and with every part kept, and each
 * choice of a method once.
 */
export function ladders(sheet: Sheet): readonly LadderChoices[] {
  const judged = Object.values(sheet.parts).filter((p) => p.renew === 'judge' || judgedParts(sheet).has(p.id));
  const findings = (finding: Finding): Readonly<Record<string, Finding>> =>
    Object.fromEntries(judged.map((p) => [p.id, finding]));
  const first = Object.fromEntries(Object.values(sheet.methods).map((m) => [m.id, m.choices[0]?.id ?? '']));
  const variants = sheet.variants.length > 0 ? sheet.variants.map((v) => v.id) : [undefined];
  const out: LadderChoices[] = [];
  for (const variant of variants) {
    const base = (finding: Finding, methods = first): LadderChoices => ({
      ...(variant === undefined ? {} : { variant }),
      methods,
      findings: findings(finding),
    });
    out.push(base('renew'), base('reuse'));
    for (const m of Object.values(sheet.methods))
      for (const c of m.choices.slice(1))
        out.push(base('renew', { ...first, [m.id]: c.id }), base('reuse', { ...first, [m.id]: c.id }));
    for (const is of otherFindings(sheet)) out.push(base(is));
    for (const scope of Object.keys(sheet.scopes)) out.push({ ...base('renew'), scope });
  }
  return out.slice(0, MOST_RUNS);
}

const judgedParts = (sheet: Sheet): ReadonlySet<string> =>
  new Set(sheet.steps.flatMap((s) => s.ops.flatMap((o) => (o.kind === 'judge' ? o.parts : []))));

/** Findings beside renew and reuse on which something hangs. */
function otherFindings(sheet: Sheet): readonly Finding[] {
  const all = sheet.steps.flatMap((s: Step) => [...s.when, ...s.ops.flatMap((o) => o.when)]);
  return [
    ...new Set(
      all.flatMap((c) => (c.on === 'finding' && c.is !== 'renew' && c.is !== 'reuse' ? [c.is as Finding] : [])),
    ),
  ];
}

/** Every fault of a sheet, the first run in which each shows; one of a kind for an operation. */
export function simulate(sheet: Sheet): readonly Found[] {
  const out = new Map<string, Found>();
  for (const choices of ladders(sheet)) {
    const { found } = workThrough(sheet, choices);
    for (const f of found) {
      const key = `${f.op.id} ${f.code}`;
      if (!out.has(key)) out.set(key, f);
    }
  }
  return [...out.values()];
}
