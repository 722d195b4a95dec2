import {
  asItComes,
  change,
  faultsOf,
  type Fault,
  type JointState,
  type Op,
  type Sheet,
  type UnitState,
} from '../../sheet/index.ts';
import type { BenchState } from '../log/state.ts';
import { jobSheet } from './job-sheet.ts';
import { ladderOf } from './moves.ts';

const byState = new WeakMap<BenchState, { readonly sheet: Sheet; readonly unit: UnitState }>();

/**
 * The unit as it stands by a job's log: what is on, open, full, loaded and fitted. What was done is worked through in the
 * order in which it was done, by the one table of needs and changes; what the log says of parts, joints, aids and leads
 * stands above it, so that what a surprise took off is off.
 */
export function unitNow(pinned: Sheet, state: BenchState): UnitState {
  const sheet = jobSheet(pinned, state);
  const asked = byState.get(state);
  if (asked?.sheet === sheet) return asked.unit;
  const unit = asItComes(sheet);
  const done = ladderOf(sheet, state)
    .all.flatMap((s) => s.ops)
    .flatMap((op) => (state.done[op.id] ? [{ op, seq: state.done[op.id]!.seq }] : []))
    .sort((a, b) => a.seq - b.seq);
  for (const { op } of done) change(op, sheet, unit);
  asTheLogSays(unit, sheet, state);
  byState.set(state, { sheet, unit });
  return unit;
}

function asTheLogSays(unit: UnitState, sheet: Sheet, state: BenchState): void {
  for (const part of Object.keys(state.off))
    if (state.off[part]!.count >= (sheet.parts[part]?.count ?? 1)) unit.parts.set(part, 'off');
  for (const [id, joint] of Object.entries(state.joints)) {
    const now: JointState | undefined = joint.tightened
      ? 'final'
      : (joint.left ?? 0) > 0
        ? 'slack'
        : joint.pulls.some((p) => !p.void)
          ? 'stage'
          : undefined;
    if (now) unit.joints.set(id, now);
  }
  for (const [id, aid] of Object.entries(state.aids))
    if (aid.removed) unit.aids.delete(id);
    else unit.aids.add(id);
  for (const [id, lead] of Object.entries(state.leads))
    if (lead.reconnected) unit.leadsOff.delete(id);
    else unit.leadsOff.add(id);
}

/** What can throw, burst, cut or crush when it is done as things stand: it is refused. The rest is said. */
const DANGEROUS: ReadonlySet<string> = new Set([
  'load-set-free',
  'under-pressure',
  'locked-off',
  'heat-on-a-closed-space',
  'heat-on-a-wet-space',
]);

/**
 * What is in the way of an operation as the unit stands, in words; of a sheet of the second form only, since the first
 * does not say where its parts sit.
 */
export function inTheWayOf(pinned: Sheet, state: BenchState, op: Op): readonly Fault[] {
  const sheet = jobSheet(pinned, state);
  return sheet.form === 2 && !state.end ? faultsOf(op, sheet, unitNow(sheet, state)) : [];
}

/** Of that what could hurt somebody. */
export const dangersOf = (sheet: Sheet, state: BenchState, op: Op): readonly Fault[] =>
  inTheWayOf(sheet, state, op).filter((f) => DANGEROUS.has(f.code));
