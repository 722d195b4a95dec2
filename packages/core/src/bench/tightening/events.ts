import type { InstrumentFacts, HowRead } from '../log/facts.ts';
import type { Quantity } from '../../quantities/index.ts';
import type { WorkingLine } from '../../reckoners/index.ts';
import type { PullSign } from './signs.ts';

/** How the wrench was held to the fastener; lengths in mm, angle in degrees. */
export interface WrenchRig {
  readonly wrenchLengthMm?: number;
  readonly extensionMm: number;
  readonly extensionAngleDeg: number;
}

/** One sample of a pull: turn in degrees, torque at the wrench in N·m. */
export type TracePoint = readonly [angleDeg: number, torqueNm: number];

export type PullVerdict = 'within' | 'low' | 'high';

/** What was done about a pull that came out wrong, or that looked wrong. */
export const pullAnswers = ['slackened', 'renewed', 'accepted'] as const;

export type PullAnswer = (typeof pullAnswers)[number];

/** What tightening leaves in the log. */
export interface PullPayloads {
  'unit-said': { readonly op: string; readonly joint: string; readonly unit: string; readonly reason: string };
  /** What a self-locking nut takes to turn before it seats: it comes on top of the figure. */
  'running-measured': {
    readonly op: string;
    readonly joint: string;
    readonly torque: Quantity;
    readonly how: HowRead;
    readonly instrument: InstrumentFacts | null;
  };
  'bolt-pulled': {
    readonly op: string;
    readonly joint: string;
    readonly stage: number;
    readonly bolt: number;
    /** What the wrench showed. */
    readonly reading: Quantity;
    /** What that is at the fastener. */
    readonly torque: Quantity;
    readonly window: { readonly low: Quantity; readonly high: Quantity };
    readonly rig: WrenchRig;
    readonly verdict: PullVerdict;
    readonly percentOfYield: number | null;
    readonly advice: 'none' | 'pull-again' | 'slacken' | 'renew' | 'look';
    readonly turnedDeg: number | null;
    readonly trace: readonly TracePoint[];
    readonly how: HowRead;
    readonly instrument: InstrumentFacts | null;
    /** What the way it turned points to; left out when nothing is odd, and by older benches. */
    readonly signs?: readonly PullSign[];
  };
  'pull-answered': {
    readonly op: string;
    readonly joint: string;
    readonly stage: number;
    readonly bolt: number;
    readonly answer: PullAnswer;
    readonly note?: string;
  };
  'joint-tightened': {
    readonly op: string;
    readonly joint: string;
    readonly fastener: string;
    readonly count: number;
    /** The sheet had no figure: how the one that was used came about. */
    readonly computed?: readonly WorkingLine[];
  };
  /** Loosened after it was pulled: its ticks are gone, and one-time fasteners are used up. */
  'joint-loosened': { readonly joint: string; readonly why: string; readonly usedUp: boolean };
  'fasteners-renewed': {
    readonly op: string;
    readonly joint: string;
    readonly fastener: string;
    readonly count: number;
  };
}
