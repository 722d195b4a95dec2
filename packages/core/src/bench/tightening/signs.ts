import { inCanonical } from '../../quantities/index.ts';
import type { Joint } from '../../sheet/index.ts';
import type { TracePoint } from './events.ts';
import type { Pull } from '../log/state.ts';

/** What the way a fastener turned points to, whatever torque it ended at. */
export const pullSigns = ['yielding', 'cross-threaded', 'bottomed', 'turned-too-far', 'turned-too-little'] as const;
export type PullSign = (typeof pullSigns)[number];

/** Half of the steepest rise: past it a fastener gives. ISO 898-1 tests end the elastic part so; common practice on traces. */
const GIVES_BELOW = 0.5;
/** Samples at the end that must all be flat before a fastener is said to give. */
const FLAT_SAMPLES = 4;
/** Before this share of the peak the rise is seating, not stretch. */
const SEATED_FROM = 0.5;
/** A clean thread runs down on less than this share of the peak, mean of the first half of the turn. */
const RUNS_DOWN_ON = 0.42;
/** How much further, or less far, than its neighbours a fastener may turn: friction scatters. */
const FURTHER = 1.8;
const SHORTER = 0.45;
/** A little turn more is nothing, degrees. */
const SLACK_DEG = 8;
/** Rise per degree at the end beside its neighbours: a fastener on the bottom of its hole is this much stiffer. */
const STIFFER = 2.2;
const LEAST_NEIGHBOURS = 2;

/** Median rise, N·m per degree, over the part of a trace past {@link SEATED_FROM} of its peak; undefined for too short a trace. */
function stiffness(trace: readonly TracePoint[]): number | undefined {
  const peak = Math.max(...trace.map(([, t]) => t), 0);
  const rises = risesOf(trace).filter((r) => r.torque >= SEATED_FROM * peak);
  return rises.length < 2 ? undefined : median(rises.map((r) => r.rise));
}

function risesOf(trace: readonly TracePoint[]): { readonly rise: number; readonly torque: number }[] {
  return trace.slice(1).flatMap(([a, t], i) => {
    const [a0, t0] = trace[i]!;
    return a > a0 ? [{ rise: (t - t0) / (a - a0), torque: t }] : [];
  });
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[sorted.length >> 1] ?? 0;
}

/** The fastener gave before the pull ended: the rise fell under half of its steepest and stayed there. */
export function gave(trace: readonly TracePoint[]): boolean {
  const peak = Math.max(...trace.map(([, t]) => t), 0);
  const rises = risesOf(trace).filter((r) => r.torque >= SEATED_FROM * peak);
  if (rises.length < 2 * FLAT_SAMPLES) return false;
  // Three neighbours together, so that noise makes no steepest rise of its own.
  const smooth = rises.slice(2).map((_, i) => (rises[i]!.rise + rises[i + 1]!.rise + rises[i + 2]!.rise) / 3);
  const steepest = Math.max(...smooth);
  return smooth.slice(-FLAT_SAMPLES).every((r) => r < GIVES_BELOW * steepest);
}

/**
 * What is odd about a pull, from its trace, how far it turned, and how its neighbours turned in the same stage. Empty when
 * nothing is. `fromLoose`: it began at nothing, so how it ran down can be seen.
 */
export function signsOf(
  joint: Joint,
  stage: number,
  pull: { readonly trace: readonly TracePoint[]; readonly turnedDeg: number | null; readonly verdict: string },
  neighbours: readonly Pull[],
  fromLoose: boolean,
): readonly PullSign[] {
  const { trace } = pull;
  const signs: PullSign[] = [];
  const plan = joint.stages[stage]!;
  // A fastener that is meant to give is new each time, and turned on by an angle.
  const mayGive = plan.kind === 'angle' && joint.fasteners === 'new';
  if (!mayGive && gave(trace)) signs.push('yielding');
  const peak = Math.max(...trace.map(([, t]) => t), 0);
  const turned = pull.turnedDeg ?? trace.at(-1)?.[0];
  if (fromLoose && turned !== undefined && trace.length > 4 && peak > 0) {
    const half = trace.filter(([a]) => a <= turned / 2).map(([, t]) => t);
    if (half.reduce((s, t) => s + t, 0) / half.length > RUNS_DOWN_ON * peak) signs.push('cross-threaded');
  }
  if (plan.kind === 'angle' || turned === undefined || signs.length > 0) return signs;
  const others = neighbours.flatMap((n) => (n.turnedDeg === null ? [] : [n.turnedDeg]));
  const expected = plan.expect
    ? { low: inCanonical(plan.expect.low, 'angle'), high: inCanonical(plan.expect.high, 'angle') }
    : others.length >= LEAST_NEIGHBOURS
      ? { low: SHORTER * median(others) - SLACK_DEG / 4, high: FURTHER * median(others) + SLACK_DEG }
      : undefined;
  if (expected && turned > expected.high) signs.push('turned-too-far');
  const stiff = stiffness(trace);
  const usual = neighbours.flatMap((n) => stiffness(n.trace) ?? []);
  const hard = stiff !== undefined && usual.length >= LEAST_NEIGHBOURS && stiff > STIFFER * median(usual);
  if (expected && turned < expected.low) signs.push(hard || plan.expect ? 'bottomed' : 'turned-too-little');
  else if (hard) signs.push('bottomed');
  return signs;
}

/** What a sign means and what to do, in the words of the bench. */
export const signWords: Readonly<Record<PullSign, { readonly says: string; readonly then: string }>> = {
  yielding: {
    says: 'It gave before the pull ended: stretched past yield',
    then: 'Take it out and fit a new one. Look at the thread that it went into',
  },
  'cross-threaded': {
    says: 'It was stiff from the first turn: cross-threaded, or dirt in the thread',
    then: 'Back it out by hand. Look at both threads, clean or chase them, start it again by hand',
  },
  bottomed: {
    says: 'It stopped short and hard: on the bottom of its hole, or the wrong length',
    then: 'Take it out. Measure its length, look into the hole for oil or dirt',
  },
  'turned-too-far': {
    says: 'It turned much further than the others for the same torque',
    then: 'Something under it is soft or not seated, or it has stretched: take it out and look',
  },
  'turned-too-little': {
    says: 'It turned much less than the others for the same torque',
    then: 'Dry or dirty thread: the torque went into friction. Take it out, clean it, pull it again',
  },
};
