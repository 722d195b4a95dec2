import type { Piece, Sizes } from './piece.ts';

/** A snap ring: its sharp edge at the right, its rounded one at the left. */
export function circlip({ inside, outside, length: l }: Sizes): readonly Piece[] {
  const round = Math.min(l, outside - inside) * 0.3;
  return [
    {
      kind: 'area',
      points: [
        [round, inside],
        [l, inside],
        [l, outside],
        [round, outside],
        [0, outside - round],
        [0, inside + round],
      ],
      fill: 'metal',
    },
  ];
}
