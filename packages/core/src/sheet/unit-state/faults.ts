import type { Load, Sheet } from '../types.ts';
import { inTheWay, isOn } from './in-the-way.ts';
import type { JointState, UnitState } from './state.ts';

/** Why an operation cannot be done as things stand. */
export interface Fault {
  readonly code: string;
  readonly says: string;
}
export const fault = (code: string, says: string): Fault => ({ code, says });
export const titleOf = (sheet: Sheet, part: string): string => sheet.parts[part]?.title ?? part;
export const titles = (sheet: Sheet, parts: readonly string[]): string =>
  parts.map((p) => `"${titleOf(sheet, p)}"`).join(', ');
export const jointTitle = (sheet: Sheet, joint: string): string => sheet.joints[joint]?.title ?? joint;
export const TIGHT: readonly JointState[] = ['hand', 'stage', 'final'];

/** Loads that would throw a joint or a part, and that nothing holds. */
function freeLoads(sheet: Sheet, state: UnitState, thing: string): readonly Load[] {
  return Object.values(sheet.loads).filter(
    (l) => l.frees.includes(thing) && !state.aids.has(l.loadedBy) && !state.letDown.has(l.id),
  );
}
export const loadFaults = (sheet: Sheet, state: UnitState, thing: string, says: string): readonly Fault[] =>
  freeLoads(sheet, state, thing).map((l) =>
    fault(
      'load-set-free',
      `${says} sets "${l.title}" free: "${sheet.aids[l.loadedBy]?.title ?? l.loadedBy}" must hold it first`,
    ),
  );
/** A space under pressure that this joint, part or lead would open. */
export const pressureFaults = (sheet: Sheet, state: UnitState, thing: string): readonly Fault[] =>
  Object.values(sheet.spaces)
    .filter((s) => state.pressure.has(s.id) && s.ports.includes(thing))
    .map((s) => fault('under-pressure', `"${s.title}" is still under pressure: let it down first`));
/** A part that cannot be touched for what is in its way. */
export const reachFaults = (sheet: Sheet, state: UnitState, part: string, code = 'in-the-way'): readonly Fault[] => {
  const way = inTheWay(sheet, state, part);
  return way.length === 0
    ? []
    : [fault(code, `"${titleOf(sheet, part)}" cannot be reached: ${titles(sheet, way)} in the way`)];
};

/** Parts of which a reading or a test speaks, and that are not on. */
export const absent = (state: UnitState, parts: readonly string[] | undefined): readonly string[] =>
  (parts ?? []).filter((p) => !isOn(state, p));
export const absentFaults = (
  sheet: Sheet,
  state: UnitState,
  parts: readonly string[] | undefined,
  what: string,
): readonly Fault[] => {
  const off = absent(state, parts);
  return off.length === 0
    ? []
    : [
        fault(
          'reading-of-what-is-off',
          `"${what}" speaks of ${titles(sheet, off)}, which ${off.length > 1 ? 'are' : 'is'} not on`,
        ),
      ];
};

const uncured = (state: UnitState): readonly string[] =>
  [...state.lockers].filter(([, s]) => s === 'wet').map(([p]) => p);
/** Why a machine may not run as things stand. */
export const runFaults = (sheet: Sheet, state: UnitState): readonly Fault[] => [
  ...(state.lockedOff ? [fault('locked-off', 'The machine is locked off: take the locks off before it runs')] : []),
  ...(uncured(state).length > 0
    ? [fault('locker-not-cured', `The threadlocker of ${titles(sheet, uncured(state))} has not cured`)]
    : []),
];
