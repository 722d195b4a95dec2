import { box, type Piece, type Sizes } from './piece.ts';

/** A lid that reaches over what it covers: open at the left, with its flange round the edge. */
export function cover({ outside, length: l }: Sizes): readonly Piece[] {
  const wall = Math.max(1.5, Math.min(l * 0.3, outside * 0.08));
  const neck = outside * 0.72;
  if (l <= wall * 1.5) return [box([0, l], [0, outside])];
  return [
    {
      kind: 'area',
      points: [
        [0, neck - wall],
        [0, outside],
        [wall, outside],
        [wall, neck],
        [l - wall, neck],
        [l, neck - wall],
        [l, 0],
        [l - wall, 0],
        [l - wall, neck - wall],
      ],
      fill: 'metal',
    },
  ];
}
