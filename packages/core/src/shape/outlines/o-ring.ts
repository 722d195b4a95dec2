import type { Piece, Sizes } from './piece.ts';

/** A ring of round section. */
export function oRing({ inside, outside }: Sizes): readonly Piece[] {
  const radius = (outside - inside) / 2;
  return [{ kind: 'round', at: [radius, inside + radius], radius, fill: 'rubber' }];
}
