import { canonical, convert, inCanonical, type Quantity } from '../../quantities/index.ts';
import { ReckonError, tighteningOrder, torqueSanity, type WorkingLine } from '../../reckoners/index.ts';
import { safeTorque, type Joint } from '../../sheet/index.ts';
import type { WrenchRig } from './events.ts';
import type { BenchState, Pull } from '../log/state.ts';

/** Where the tightening of a joint stands. */
export interface TighteningState {
  /** Bolt numbers, 1-based clockwise from the first, in pulling order. */
  readonly order: readonly number[];
  /** 0-based stage at hand; equals the count of stages when all is done. */
  readonly stage: number;
  /** The bolt to pull now. */
  readonly bolt?: number;
  /** A pull that came out too high, or that turned oddly, and still wants an answer. */
  readonly unanswered?: Pull;
  /** Per stage, the standing pull of each bolt that is within. */
  readonly within: readonly ReadonlyMap<number, Pull>[];
  readonly complete: boolean;
}

/** The pulling order of a joint, by the `tightening-order` reckoner. */
export function orderOf(joint: Joint): readonly number[] {
  if (joint.pattern.kind === 'single') return Array.from({ length: joint.count }, (_, i) => i + 1);
  const { pattern, count } = joint;
  if (pattern.kind === 'points' && pattern.order) return pattern.order;
  if (pattern.kind === 'points')
    return tighteningOrder.reckon({ pattern: 'points', points: pattern.points }).results.order;
  if (pattern.kind === 'rectangle')
    return tighteningOrder.reckon({ pattern: 'rectangle', rows: pattern.rows, columns: pattern.columns }).results.order;
  return tighteningOrder.reckon({ pattern: 'circle', count }).results.order;
}

export function tighteningState(joint: Joint, state: BenchState): TighteningState {
  const order = orderOf(joint);
  const pulls = (state.joints[joint.id]?.pulls ?? []).filter((p) => !p.void);
  const within = joint.stages.map(
    (_, i) => new Map(pulls.filter((p) => p.stage === i && p.verdict === 'within').map((p) => [p.bolt, p])),
  );
  const unanswered = pulls.find((p) => p.answer === undefined && (p.verdict === 'high' || (p.signs?.length ?? 0) > 0));
  const stage = within.findIndex((w) => w.size < order.length);
  const complete = stage === -1;
  return {
    order,
    stage: complete ? joint.stages.length : stage,
    bolt: complete ? undefined : order.find((b) => !within[stage]!.has(b)),
    unanswered,
    within,
    complete,
  };
}

/** Torque at the fastener for a reading on the wrench: T · (L + E cos φ) / L. */
export function torqueAtFastener(reading: Quantity, rig: WrenchRig): Quantity {
  const nm = inCanonical(reading, 'torque');
  if (rig.extensionMm === 0 || rig.wrenchLengthMm === undefined) return canonical(nm, 'torque');
  const lever = rig.wrenchLengthMm + rig.extensionMm * Math.cos((rig.extensionAngleDeg * Math.PI) / 180);
  return canonical((nm * lever) / rig.wrenchLengthMm, 'torque');
}

/** What a self-locking nut of a joint takes to turn before it seats, N·m; 0 for any other, and until it is measured. */
export function runningNm(joint: Joint, state: BenchState): number {
  const measured = joint.running ? state.joints[joint.id]?.running : undefined;
  return measured ? inCanonical(measured.torque, 'torque') : 0;
}

/** The window of a stage: N·m for one to a torque, with the running torque on top; degrees for one on by an angle. */
export function windowOf(joint: Joint, stage: number, running = 0): { low: number; high: number; unit: 'N·m' | 'deg' } {
  const { window: w, kind } = joint.stages[stage]!;
  const unit = kind === 'angle' ? 'deg' : 'N·m';
  const more = kind === 'angle' ? 0 : running;
  return { low: convert(w.low, unit).value + more, high: convert(w.high, unit).value + more, unit };
}

/** What a stage to a torque aims at, at the fastener, N·m. */
export function aimNm(joint: Joint, stage: number, running = 0): number {
  return convert(joint.stages[stage]!.to, 'N·m').value + running;
}

/** Share of the torque at yield, %, that a torque is for a joint's fastener; null where its class or thread is not tabulated. */
export function shareOfYield(joint: Joint, nm: number): number | null {
  if (joint.propertyClass === undefined) return null;
  try {
    return torqueSanity.reckon({
      thread: joint.thread,
      torque: canonical(nm, 'torque'),
      propertyClass: joint.propertyClass,
    }).results.percentOfYield.value;
  } catch (e) {
    // A thread or class outside the tables gives no share; the pull itself still counts.
    if (e instanceof ReckonError) return null;
    throw e;
  }
}

/** The figure of a joint that the sheet gave none for, with its working; undefined for any other. */
export function computedFigure(
  joint: Joint,
): { readonly torque: Quantity; readonly working: readonly WorkingLine[] } | undefined {
  return joint.from?.kind === 'computed' ? safeTorque(joint) : undefined;
}
