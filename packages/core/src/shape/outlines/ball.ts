import type { Piece, Sizes } from './piece.ts';

/** One ball of a loose set. */
export function ball({ inside, outside }: Sizes): readonly Piece[] {
  const radius = Math.max(1, (outside - inside) / 2);
  return [{ kind: 'round', at: [radius, inside + radius], radius, fill: 'open' }];
}
