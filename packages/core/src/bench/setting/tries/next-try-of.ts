import { formatNumber, inCanonical, type Quantity } from '../../../quantities/index.ts';
import type { WorkingLine } from '../../../reckoners/index.ts';
import type { Setting } from '../../../sheet/index.ts';
import type { Adjustment } from '../events.ts';

/** What is moved next. A turn that tightens is positive; shims are changes of each pack; a collar slides in by a positive. */
export type Move =
  | { readonly kind: 'pack'; readonly pieces: readonly Quantity[]; readonly total: Quantity }
  | { readonly kind: 'turn'; readonly turned: Quantity }
  | { readonly kind: 'sides'; readonly left: Quantity; readonly right: Quantity }
  | { readonly kind: 'slide'; readonly slid: Quantity }
  /** What was spent is renewed, and the setting begins anew. */
  | { readonly kind: 'renew'; readonly part: string };

/** The next move of a setting, in the hand's own terms, with what it was reckoned from. */
export interface NextTry {
  readonly say: string;
  readonly move?: Move;
  readonly predicted?: Quantity;
  readonly uncertainty?: Quantity;
  readonly working: readonly WorkingLine[];
  readonly warnings: readonly string[];
  /** No move of this kind reaches the band: why, and what can. */
  readonly cannot?: string;
  /** The pack that no drawer makes: it is bought, or ground. */
  readonly needed?: Quantity;
  /** The reckoner that it comes from, with what it was asked. */
  readonly asked?: { readonly id: string; readonly inputs: Readonly<Record<string, unknown>> };
}

/** A quantity in the unit in which its setting reckons. */
export const canonicalFor =
  (setting: Setting) =>
  (q: Quantity): number =>
    inCanonical(q, setting.dimension);

/** An angle as it is said, without its direction. */
export const deg = (n: number): string => `${formatNumber(Math.abs(Math.round(n)))}°`;

/** A move as the log keeps it: a pack has an event of its own, and leaves nothing here. */
export function adjustmentOf(move: Move | undefined): Omit<Adjustment, 'note'> {
  switch (move?.kind) {
    case 'turn':
      return { turned: move.turned };
    case 'sides':
      return { left: move.left, right: move.right };
    case 'slide':
      return { slid: move.slid };
    case 'renew':
      return { renewed: move.part };
    default:
      return {};
  }
}
