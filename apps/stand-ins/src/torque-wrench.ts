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
}

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
/** Past this the wrench's own length of pull ends, degrees. */
const LONGEST_DEG = 400;

/**
 * The trace of one pull. The fastener first winds the wrench up without turning; then torque rises with the turn at a
 * rate that friction scatters; past yield it rises more slowly; and it ends where the hand stops.
 */
export function pullTrace(plan: PullPlan, random: () => number): readonly Sample[] {
  const yieldNm = plan.yieldNm ?? M8_YIELD_NM;
  const rate = (yieldNm / DEG_TO_YIELD) * Math.max(0.5, 1 + RATE_SPREAD * normal(random));
  const stop = plan.stopNm * (1 + HAND_SPREAD * normal(random));
  const trace: Sample[] = [[0, 0]];
  const breakaway = Math.min(plan.fromNm, stop);
  if (breakaway > 0) trace.push([0, breakaway * 0.5], [0, breakaway]);
  let torque = breakaway;
  for (let angle = STEP_DEG; torque < stop && angle <= LONGEST_DEG; angle += STEP_DEG) {
    // Seating: the first turns of a loose fastener take little.
    const seating = torque < 0.04 * yieldNm && plan.fromNm < 1 ? 0.3 : 1;
    torque += rate * STEP_DEG * seating * (torque > yieldNm ? SOFTER : 1);
    const noise = 0.002 * torque * normal(random);
    trace.push([angle, Math.min(torque, stop) + (torque < stop ? noise : 0)]);
  }
  return trace;
}
