import type { Piece, Sizes } from './piece.ts';

/** Outer ring of a taper bearing: its wide mouth at the right, so that a cone goes in from there. */
export function cup({ inside, outside, length: l }: Sizes): readonly Piece[] {
  const wall = outside - inside;
  return [
    {
      kind: 'area',
      points: [
        [0, inside - wall * 0.35],
        [l, inside + wall * 0.35],
        [l, outside],
        [0, outside],
      ],
      fill: 'metal-back',
    },
  ];
}
