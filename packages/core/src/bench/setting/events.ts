import type { Quantity } from '../../quantities/index.ts';
import type { WorkingLine, Verdict } from '../../reckoners/index.ts';

/** How a setting without a fitted pack was moved. Positive turns tighten; packs by their change; a collar slides in by a positive. */
export interface Adjustment {
  readonly note: string;
  readonly turned?: Quantity;
  readonly left?: Quantity;
  readonly right?: Quantity;
  readonly slid?: Quantity;
  /** The part that was spent and renewed: an overshot crush sleeve. */
  readonly renewed?: string;
}

/** What a setting leaves in the log beside its readings. */
export interface SettingPayloads {
  'pack-fitted': {
    readonly op: string;
    readonly setting: string;
    readonly pieces: readonly Quantity[];
    readonly pack: Quantity;
    readonly needed: Quantity;
    readonly predicted: Quantity;
    readonly uncertainty: Quantity;
    readonly working: readonly WorkingLine[];
    /** Not out of the drawer: bought for it, or ground from another. */
    readonly made?: string;
  };
  'setting-confirmed': {
    readonly op: string;
    readonly setting: string;
    readonly value: Quantity;
    readonly uncertainty: Quantity;
    readonly verdict: Verdict;
  };
  /** A setting without shims was moved, and is read again: what was done, in the hand's own terms. */
  'setting-adjusted': { readonly op: string; readonly setting: string } & Adjustment;
}
