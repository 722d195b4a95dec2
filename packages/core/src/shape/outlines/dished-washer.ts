import type { Piece, Sizes } from './piece.ts';

/** A washer that is hollow to the right. */
export function dished({ inside, outside, length: l }: Sizes): readonly Piece[] {
  const thick = l * 0.5;
  return [
    {
      kind: 'area',
      points: [
        [0, inside],
        [thick, inside],
        [l, outside],
        [l - thick, outside],
      ],
      fill: 'metal',
    },
  ];
}
