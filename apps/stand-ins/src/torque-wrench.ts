import { normal } from './random.ts';

/** One sample: turn from the start of the pull in degrees, torque at the wrench in N·m. */
export type Sample = readonly [angleDeg: number, torqueNm: number];

export interface PullPlan {
  /** Where the hand means to stop. */
  readonly stopNm: number;
  /** Where the fastener sits already: below this it does not turn. */
  readonly fromNm: number;
}

/** A joint as the wrench feels it. Figures common to an M8 in a cover; a stiffer joint turns less. */
const RATE_NM_PER_DEG = 0.235;
/** Friction differs from fastener to fastener: spread of the rate, one deviation. */
const RATE_SPREAD = 0.06;
/** A hand stops where it stops: spread about what was meant, one deviation. */
const HAND_SPREAD = 0.008;
/** Torque at which an M8 8.8 begins to give, and how much softer it then is. */
const YIELD_NM = 27.5;
const SOFTER = 0.25;
const STEP_DEG = 2;
/** Past this the wrench's own length of pull ends, degrees. */
const LONGEST_DEG = 400;

/**
 * The trace of one pull. The fastener first winds the wrench up without turning; then torque rises with the turn at a
 * rate that friction scatters; past yield it rises more slowly; and it ends where the hand stops.
 */
export function pullTrace(plan: PullPlan, random: () => number): readonly Sample[] {
  const rate = RATE_NM_PER_DEG * Math.max(0.5, 1 + RATE_SPREAD * normal(random));
  const stop = plan.stopNm * (1 + HAND_SPREAD * normal(random));
  const trace: Sample[] = [[0, 0]];
  const breakaway = Math.min(plan.fromNm, stop);
  if (breakaway > 0) trace.push([0, breakaway * 0.5], [0, breakaway]);
  let torque = breakaway;
  for (let angle = STEP_DEG; torque < stop && angle <= LONGEST_DEG; angle += STEP_DEG) {
    // Seating: the first turns of a loose fastener take little.
    const seating = torque < 1 && plan.fromNm < 1 ? 0.3 : 1;
    torque += rate * STEP_DEG * seating * (torque > YIELD_NM ? SOFTER : 1);
    const noise = 0.002 * torque * normal(random);
    trace.push([angle, Math.min(torque, stop) + (torque < stop ? noise : 0)]);
  }
  return trace;
}
