import type { Quantity, Band } from '../../quantities/index.ts';
import type { Verdict, WorkingLine } from '../../reckoners/index.ts';
import type { StandKind } from '../../sheet/index.ts';

/** One step of a speed sweep: what drives it, what its shaft really turns, and what comes out. */
export interface SweepPoint {
  /** Speed that the stand's belt would give without slip, rpm at the alternator. */
  readonly drivenRpm: number;
  readonly speedRpm: number;
  readonly currentA: number;
  readonly voltageV: number;
  readonly temperatureC: number;
}
export interface AlternatorRun {
  readonly kind: 'alternator';
  readonly sweep: readonly SweepPoint[];
  /** Rectified voltage, as a scope sees it: enough of it to be judged again. */
  readonly ripple: { readonly samplesV: readonly number[]; readonly sampleRateHz: number; readonly speedRpm: number };
}

/** Vibration at a bearing: mm/s and the angle after the mark on the shaft. */
export interface Vibration {
  readonly mmS: number;
  readonly phaseDeg: number;
}
export type BothBearings = readonly [Vibration, Vibration];
export interface Weight {
  readonly plane: 1 | 2;
  readonly massG: number;
  readonly angleDeg: number;
}
export interface BalancingRun {
  readonly kind: 'balancing';
  readonly initial: BothBearings;
  /** One trial weight in each plane, taken out again. */
  readonly trials: readonly (Weight & { readonly readings: BothBearings })[];
  /** What was added (or ground off opposite) each time, and what it shook like then. */
  readonly rounds: readonly { readonly added: readonly Weight[]; readonly readings: BothBearings }[];
}

export const curveKinds = ['decay', 'vacuum', 'pump-up', 'spin', 'stroke', 'damper', 'slip', 'drift'] as const;
export type CurveKind = (typeof curveKinds)[number];
/**
 * A curve against time or travel. decay: s, bar gauge, °C. vacuum: s, bar absolute. pump-up: s, bar gauge. spin: s, N·m.
 * stroke: mm, N, s. damper: mm, N (positive pulled out). slip: deg, N·m. drift: s, mm.
 */
export interface CurveRun {
  readonly kind: CurveKind;
  readonly points: readonly (readonly number[])[];
  /** Of a spin: the strongest lines of the noise, Hz and level, and the level of the floor between them. */
  readonly tones?: readonly { readonly hz: number; readonly level: number }[];
  readonly floor?: number;
}
/** What a stand gave: raw, as it came, so that it can be judged again. */
export type Run = AlternatorRun | BalancingRun | CurveRun;

/** The most that is kept of one run: more tells nothing new, and a log is read for ever. */
export const MOST_POINTS = 600;
export const MOST_RIPPLE = 2500;

/** One thing that a run was held against, beside its figure. */
export interface Check {
  readonly name: string;
  readonly value?: Quantity;
  readonly band?: Band;
  readonly says?: string;
  readonly verdict: Verdict;
}
/** What a run comes to. Kept with the reading in the log. */
export interface Proof {
  readonly kind: StandKind;
  readonly run: Run;
  readonly checks: readonly Check[];
  /** Names of `standTells` that this run speaks for. */
  readonly tells: readonly string[];
  /** For people: what was seen. */
  readonly says: readonly string[];
}
/** The figure of a run, with what else it says. */
export interface RunOutcome extends Omit<Proof, 'kind' | 'run'> {
  readonly value: Quantity;
  /** Expanded, k = 2, of the figure as it was got from the run, before the stand's own. */
  readonly uncertainty: Quantity;
  readonly working: readonly WorkingLine[];
}

/** The run cannot be judged: what it lacks. */
export class RunError extends Error {
  constructor(
    readonly says: string,
    readonly clears: string,
  ) {
    super(says);
    this.name = 'RunError';
  }
}
