import type { Quantity } from '../../quantities/index.ts';
import { convert } from '../../quantities/index.ts';
import type { Joint } from '../../sheet/index.ts';
import type { WrenchRig } from './events.ts';
import { aimNm, windowOf } from './state.ts';
import { ranOut } from '../measuring/own-instrument.ts';

/** A torque wrench of the shop, as far as choosing among them goes. */
export interface Wrench {
  readonly id: string;
  readonly name: string;
  /** Expanded, k = 2; null for one that was never calibrated. */
  readonly uncertainty: Quantity | null;
  readonly wrench: {
    readonly maxNm: number;
    /** Where its scale begins; a fifth of its end where nobody says. */
    readonly minNm?: number;
    readonly lengthMm: number;
    /** It also measures the turn. */
    readonly angle?: boolean;
  } | null;
  /** ISO date. */
  readonly calibratedTo: string | null;
}
export interface WrenchAdvice<W extends Wrench> {
  readonly wrench: W;
  readonly verdict: 'good' | 'usable' | 'too coarse' | 'overdue' | 'out of range';
  /** In words, for the button. */
  readonly says: string;
  /** What it would show, N·m. */
  readonly showsNm: number;
  /** Width of the stage's window over 2U. */
  readonly ratio?: number;
}

/** Below this share of its end a wrench is not to be trusted: ISO 6789-1 (from memory). */
const LEAST_SHARE = 0.2;
const GOOD_RATIO = 2;
const USABLE_RATIO = 1;

/** From where to where a wrench may be used, N·m. */
export function rangeOf(wrench: NonNullable<Wrench['wrench']>): { readonly min: number; readonly max: number } {
  return { min: wrench.minNm ?? LEAST_SHARE * wrench.maxNm, max: wrench.maxNm };
}

/**
 * The wrenches of the shop for a stage, the best to take first: in range through the extension, calibrated today, and fine
 * enough for the window. `today` is an ISO date.
 */
export function wrenchesFor<W extends Wrench>(
  joint: Joint,
  stage: number,
  running: number,
  rig: Pick<WrenchRig, 'extensionMm' | 'extensionAngleDeg'>,
  wrenches: readonly W[],
  today: string,
): readonly WrenchAdvice<W>[] {
  const torqueStage = joint.stages[stage]!.kind === 'angle' ? Math.max(0, stage - 1) : stage;
  const aim = aimNm(joint, torqueStage, running);
  const window = windowOf(joint, torqueStage, running);
  const rank = { good: 0, usable: 1, overdue: 2, 'too coarse': 3, 'out of range': 4 } as const;
  return wrenches
    .flatMap((w): WrenchAdvice<W>[] => {
      if (!w.wrench) return [];
      const reach = rig.extensionMm * Math.cos((rig.extensionAngleDeg * Math.PI) / 180);
      const shows = (aim * w.wrench.lengthMm) / (w.wrench.lengthMm + reach);
      const { min, max } = rangeOf(w.wrench);
      const u = w.uncertainty ? convert(w.uncertainty, 'N·m').value : undefined;
      const ratio = u ? (window.high - window.low) / (2 * u) : undefined;
      const all = { wrench: w, showsNm: shows, ...(ratio === undefined ? {} : { ratio }) };
      if (joint.stages[stage]!.kind === 'angle' && !w.wrench.angle)
        return [{ ...all, verdict: 'out of range', says: 'does not measure the turn' }];
      if (shows > max || shows < min)
        return [{ ...all, verdict: 'out of range', says: `out of its range, ${min} to ${max} N·m` }];
      if (ranOut(w.calibratedTo, today))
        return [{ ...all, verdict: 'overdue', says: `calibration ran out on ${w.calibratedTo}` }];
      if (ratio === undefined) return [{ ...all, verdict: 'usable', says: 'not known how true' }];
      if (ratio < USABLE_RATIO) return [{ ...all, verdict: 'too coarse', says: 'too coarse for this window' }];
      return [
        ratio < GOOD_RATIO
          ? { ...all, verdict: 'usable', says: 'just fine enough' }
          : { ...all, verdict: 'good', says: 'fine enough' },
      ];
    })
    .sort((a, b) => rank[a.verdict] - rank[b.verdict] || (b.ratio ?? 0) - (a.ratio ?? 0));
}
