import type { HandDto } from '@jubb/contract';
import { shareOfYield } from '@jubb/core/bench';
import { inCanonical, type Quantity } from '@jubb/core/quantities';
import type { Joint, Stage } from '@jubb/core/sheet';

/** How much a heavy hand overshoots: enough to leave the window. */
const HEAVY = 1.2;
/** The simulated hand takes so long from one fastener to the next. */
export const BETWEEN_PULLS_MS = 250;
/** What the simulated hand can do wrong, by turns. */
export const HANDS = [
  ['steady', undefined],
  ['heavy, next pull', 'heavy'],
  ['crossed thread', 'cross-thread'],
  ['on the bottom', 'bottomed'],
  ['gives', 'yield'],
  ['soft', 'soft'],
  ['line drops', 'drop-out'],
] as const;
export type HandFault = (typeof HANDS)[number][1];

/** How a simulated hand is to pull a fastener: where it stops, from what it goes on, and what goes wrong. */
export function pullMove(
  joint: Joint,
  stage: Stage,
  on: {
    /** What the wrench is set to, and what the fastener is to feel, N·m. */
    readonly settingNm: number;
    readonly wantedNm: number;
    /** What was pulled on this fastener before; absent for the first pull. */
    readonly before: Quantity | undefined;
    readonly turn: boolean;
    readonly fault: HandFault;
  },
): HandDto {
  const share = shareOfYield(joint, on.wantedNm);
  return {
    action: 'pull',
    stopNm: on.settingNm * (on.fault === 'heavy' ? HEAVY : 1),
    fromNm: on.before ? inCanonical(on.before, 'torque') : 0,
    ...(share ? { yieldNm: on.settingNm / (share / 100) } : {}),
    ...(on.turn ? { byDeg: inCanonical(stage.to, 'angle') } : {}),
    ...(on.fault === undefined || on.fault === 'heavy' ? {} : { fault: on.fault }),
  };
}
