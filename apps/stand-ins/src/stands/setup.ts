import { chanceOf } from '../rig.ts';

/** Kinds of run that the simulated stands make. */
export const standRunKinds = [
  'alternator', 'balancing', 'decay', 'vacuum', 'pump-up', 'spin', 'stroke', 'damper', 'slip', 'drift',
] as const; // prettier-ignore
export type StandRunKind = (typeof standRunKinds)[number];

/** What a stand is to do, all of it absolute: the same setup is the same run, but for noise. */
export interface StandSetup {
  readonly kind: StandRunKind;
  /** The unit on the stand: the same name has the same true state. */
  readonly unit: string;
  /** As it came in. */
  readonly worn?: boolean;
  /** How often it was gone back to and mended since: the fault that was chosen on the stand is gone then. */
  readonly mended?: number;
  /** Figures of the run in canonical units, by the sheet's names; `low` and `high` are what is accepted. */
  readonly figures: Readonly<Record<string, number>>;
  /** Weights on the rotor now. */
  readonly weights?: readonly { readonly plane: number; readonly massG: number; readonly angleDeg: number }[];
}

/** What a stand says of one run: points of a curve or a sweep as they come, a wave, and the rest at the end. */
export interface StandRun {
  readonly points: readonly (readonly number[])[];
  readonly wave?: readonly number[];
  readonly done: Readonly<Record<string, unknown>>;
}

/** Faults that can be chosen on each stand. */
export const standFaults: Readonly<Record<string, readonly string[]>> = {
  'alternator-stand': ['open-diode', 'open-phase', 'shorted-diode', 'uneven-winding', 'slipping-belt', 'worn-brushes'],
  'balancing-stand': ['loose-wheel'],
  'leak-tester': ['leak', 'cooling', 'moisture', 'leaky-reeds'],
  'spin-stand': ['outer-race', 'inner-race', 'ball', 'tight', 'loose'],
  'function-stand': ['creep', 'weak-out', 'slips', 'grabs', 'drift'],
};
/** What each stand can run. */
export const standRuns: Readonly<Record<string, readonly StandRunKind[]>> = {
  'alternator-stand': ['alternator'],
  'balancing-stand': ['balancing'],
  'leak-tester': ['decay', 'vacuum', 'pump-up'],
  'spin-stand': ['spin'],
  'function-stand': ['stroke', 'damper', 'slip', 'drift'],
};

/** A figure of the setup. @throws Error naming the one that is missing */
export function figure(setup: StandSetup, name: string): number {
  const value = setup.figures[name];
  if (value === undefined || !Number.isFinite(value)) throw new Error(`the run needs "${name}"`);
  return value;
}
export const figureOr = (setup: StandSetup, name: string, otherwise: number): number =>
  setup.figures[name] ?? otherwise;

/** Where in its accepted band a good unit lies: always the same for the same unit, well inside. */
export function goodValue(setup: StandSetup): number {
  const [low, high] = [figure(setup, 'low'), figure(setup, 'high')];
  return low + (high - low) * (0.3 + 0.4 * chanceOf(setup.unit)(0));
}
