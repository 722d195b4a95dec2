import { normal } from './random.ts';

/** One sample: turn from the start of the pull in degrees, torque at the wrench in N·m. */
export type Sample = readonly [angleDeg: number, torqueNm: number];

export interface PullPlan {
  /** Where the hand means to stop. */
  readonly stopNm: number;
  /** Where the fastener sits already: below this it does not turn. */
  readonly fromNm: number;
  /** Torque at the wrench at which this fastener begins to give; an M8 8.8 when left out. */
  readonly yieldNm?: number;
  /** On by so many degrees, whatever the torque: for a wrench that measures the turn. */
  readonly byDeg?: number;
  readonly fault?: PullFault;
}

/** What can be wrong with the fastener, or with the line to the wrench. */
export const pullFaults = ['cross-thread', 'bottomed', 'yield', 'soft', 'drop-out'] as const;
export type PullFault = (typeof pullFaults)[number];

/** A fastener turns about this far from loose to yield, whatever its size: common practice for short joints. */
const DEG_TO_YIELD = 117;
/** Friction differs from fastener to fastener: spread of the rate, one deviation. */
const RATE_SPREAD = 0.06;
/** A hand stops where it stops: spread about what was meant, one deviation. */
const HAND_SPREAD = 0.008;
/** Torque at which an M8 8.8 begins to give (VDI 2230-1), and how much softer a fastener is past yield. */
const M8_YIELD_NM = 27.5;
const SOFTER = 0.25;
const STEP_DEG = 2;
/** A fastener on the bottom of its hole is so much stiffer, one on something soft so much less. */
const BOTTOMED = 4;
const SOFT = 0.4;
/** A weak one gives at this share of what it is pulled to. */
const WEAK = 0.75;
/** A crossed thread drags with this share of the torque, over so many degrees. */
const CROSSED = 0.6;
const CROSSED_DEG = 60;
/** Past this the wrench's own length of pull ends, degrees. */
const LONGEST_DEG = 400;

/**
 * The trace of one pull. The fastener first winds the wrench up without turning; then torque rises with the turn at a
 * rate that friction scatters; past yield it rises more slowly; and it ends where the hand stops.
 */
export function pullTrace(plan: PullPlan, random: () => number): readonly Sample[] {
  const { fault } = plan;
  const strong = plan.yieldNm ?? M8_YIELD_NM;
  const stop = plan.stopNm * (1 + HAND_SPREAD * normal(random));
  // Weak, or pulled once too often: it gives well before the hand stops.
  const yieldNm = fault === 'yield' ? Math.min(strong, WEAK * plan.stopNm) : strong;
  const stiff = fault === 'bottomed' ? BOTTOMED : fault === 'soft' ? SOFT : 1;
  const rate = (strong / DEG_TO_YIELD) * stiff * Math.max(0.5, 1 + RATE_SPREAD * normal(random));
  const trace: Sample[] = [[0, 0]];
  const breakaway = Math.min(plan.fromNm, stop);
  if (breakaway > 0) trace.push([0, breakaway * 0.5], [0, breakaway]);
  let torque = breakaway;
  // A crossed thread drags from the first turn; what is left of the torque then stretches little.
  const drag = fault === 'cross-thread' ? CROSSED * plan.stopNm : 0;
  const longest = plan.byDeg === undefined ? LONGEST_DEG : plan.byDeg * (1 + HAND_SPREAD * normal(random));
  const done = (angle: number): boolean => angle > longest || (plan.byDeg === undefined && torque >= stop);
  for (let angle = STEP_DEG; !done(angle); angle += STEP_DEG) {
    // Seating: the first turns of a loose fastener take little.
    const seating = torque < 0.04 * yieldNm && plan.fromNm < 1 ? 0.3 : 1;
    torque += rate * STEP_DEG * seating * (torque > yieldNm ? SOFTER : 1);
    if (drag > 0 && angle < CROSSED_DEG) torque = Math.max(torque * 0.2, drag);
    const noise = 0.002 * torque * normal(random);
    const ends = plan.byDeg === undefined && torque >= stop;
    trace.push([angle, ends ? stop : torque + noise]);
  }
  return trace;
}
