import type { Op, OpKind } from '../ops.ts';
import type { Sheet } from '../types.ts';
import { absent, fault, TIGHT, titleOf, titles, type Fault } from './faults.ts';
import { closersOf, isOn, spacesAround } from './in-the-way.ts';
import { needsAndChanges, type Rule } from './needs-and-changes.ts';
import type { UnitState } from './state.ts';

/**
 * The things that an operation names, and those that hang on them: its parts, joints and fasteners, aids and what they sit
 * on, marks and what they stand between, spaces. A second fault about one of them is the first one's doing.
 */
export function about(op: Op, sheet: Sheet): readonly string[] {
  const out = new Set<string>();
  const add = (name: string | undefined): void => {
    if (name === undefined) return;
    out.add(name);
    const joint = sheet.joints[name];
    if (joint) for (const n of [joint.fastener, ...(joint.clamps ?? [])]) out.add(n);
    for (const n of sheet.marks[name]?.between ?? []) out.add(n);
    const { on } = sheet.aids[name] ?? {};
    if (on !== undefined) out.add(on);
    for (const s of Object.values(sheet.spaces)) if (s.holds === name) out.add(s.id);
  };
  for (const key of ['part', 'joint', 'aid', 'mark', 'lead', 'setting', 'what'] as const)
    if (key in op) add((op as unknown as Readonly<Record<string, string | undefined>>)[key]);
  if (op.kind === 'off') op.parts.forEach(({ part }) => add(part));
  if (op.kind === 'heat' && op.part !== undefined) spacesAround(sheet, op.part).forEach(add);
  return [...out];
}

/** What is in an operation's way as things stand: by its kind, and by what it says itself. */
export function faultsOf(op: Op, sheet: Sheet, state: UnitState): readonly Fault[] {
  const rule = needsAndChanges[op.kind] as Rule<OpKind>;
  return [...ownNeeds(op, sheet, state), ...(rule.needs?.(op, sheet, state) ?? [])];
}

/** What an operation makes of the unit; the state is changed in place. */
export function change(op: Op, sheet: Sheet, state: UnitState): void {
  const rule = needsAndChanges[op.kind] as Rule<OpKind>;
  rule.changes?.(op, sheet, state);
}

function ownNeeds(op: Op, sheet: Sheet, state: UnitState): readonly Fault[] {
  const out: Fault[] = [];
  if (op.at !== undefined && op.at !== state.place && op.kind !== 'test')
    out.push(fault('not-there', `This is done on the ${op.at}, and the unit is on the ${state.place}`));
  const { needs } = op;
  if (!needs) return out;
  const off = absent(state, needs.on);
  if (off.length > 0) out.push(fault('needs-what-is-off', `${titles(sheet, off)} must be on first`));
  const on = needs.off.filter((p) => isOn(state, p));
  if (on.length > 0) out.push(fault('in-the-way', `${titles(sheet, on)} must be off first`));
  for (const name of needs.open) {
    const shut = sheet.spaces[name]
      ? closersOf(sheet, state, name).length > 0
      : sheet.joints[name]
        ? TIGHT.includes(state.joints.get(name) ?? 'final')
        : sheet.leads[name]
          ? !state.leadsOff.has(name)
          : isOn(state, name);
    if (shut)
      out.push(
        fault(
          'not-open',
          `"${sheet.spaces[name]?.title ?? sheet.joints[name]?.title ?? sheet.leads[name]?.title ?? titleOf(sheet, name)}" must be open first`,
        ),
      );
  }
  if (needs.running === true && !state.running) out.push(fault('not-running', 'It must be running'));
  if (needs.running === false && state.running) out.push(fault('still-running', 'It must be stopped first'));
  return out;
}
