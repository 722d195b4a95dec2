import type { Where } from '../ops.ts';
import type { Sheet } from '../types.ts';

/** How a joint stands: `hand` once its fasteners are in, `stage` part of the way. */
export type JointState = 'none' | 'slack' | 'hand' | 'stage' | 'final';
/** How a part stands; `half` is pressed part of the way. */
export type PartState = 'on' | 'half' | 'off';
/** Threadlocker on a fastener: wet until it has cured. */
export type LockerState = 'wet' | 'cured';

/** What is on, open, full, loaded and fitted at one moment of the work: symbolic, without a figure. */
export interface UnitState {
  readonly parts: Map<string, PartState>;
  readonly joints: Map<string, JointState>;
  /** Fluids of the spaces: full as long as nobody drained it. */
  readonly full: Set<string>;
  readonly pressure: Set<string>;
  /** Loads that were let down under their aid, and carry nothing now. */
  readonly letDown: Set<string>;
  readonly aids: Set<string>;
  readonly leadsOff: Set<string>;
  readonly marks: Set<string>;
  /** Parts that are covered over: a mark cannot be made on them. */
  readonly covered: Set<string>;
  readonly lockers: Map<string, LockerState>;
  /** The part that is hot, until it is placed or time passes. */
  hot: string | undefined;
  place: Where;
  running: boolean;
  lockedOff: boolean;
  /** Off its wheels. */
  lifted: boolean;
  /** Minutes that it has stood since it last ran. */
  rested: number;
  /** Methods that were chosen, and parts that were judged. */
  readonly chosen: Set<string>;
  readonly judged: Set<string>;
  /** Joints that were pulled by a figure which nobody stands for. */
  readonly byHearsay: Set<string>;
}

/** The unit as it comes: all on that is not there to be put in another's place, tight, full, where its sheet finds it. */
export function asItComes(sheet: Sheet): UnitState {
  const comesLater = new Set(
    Object.values(sheet.parts)
      .filter((p) => p.replaces !== undefined || p.savedFrom !== undefined)
      .map((p) => p.id),
  );
  return {
    parts: new Map(Object.keys(sheet.parts).map((p) => [p, comesLater.has(p) ? 'off' : 'on'])),
    joints: new Map(Object.keys(sheet.joints).map((j) => [j, 'final'])),
    full: new Set(Object.values(sheet.spaces).flatMap((s) => (s.holds === undefined ? [] : [s.id]))),
    pressure: new Set(Object.values(sheet.spaces).flatMap((s) => (s.under === 'pressure' ? [s.id] : []))),
    letDown: new Set(),
    aids: new Set(),
    leadsOff: new Set(),
    marks: new Set(),
    covered: new Set(),
    lockers: new Map(),
    hot: undefined,
    place: startsAt(sheet),
    running: false,
    lockedOff: false,
    lifted: false,
    rested: 0,
    chosen: new Set(),
    judged: new Set(),
    byHearsay: new Set(),
  };
}

/** Where a job begins: on the machine when the sheet speaks of taking it off, else on the bench. */
function startsAt(sheet: Sheet): Where {
  const first = sheet.steps.flatMap((s) => s.ops).find((o) => o.kind === 'move' || o.at !== undefined);
  if (first === undefined) return 'bench';
  return first.kind === 'move' ? 'machine' : (first.at ?? 'bench');
}
