import { box, type Piece, type Sizes } from './piece.ts';

/** How thick a lid is, and how wide where it reaches over what it covers, mm. */
export const coverSizes = ({
  outside,
  length,
}: Pick<Sizes, 'outside' | 'length'>): { readonly wall: number; readonly neck: number } => ({
  wall: Math.max(1.5, Math.min(length * 0.3, outside * 0.08)),
  neck: outside * 0.72,
});

/** A lid that reaches over what it covers: open at the left, with its flange round the edge. */
export function cover({ outside, length: l }: Sizes): readonly Piece[] {
  const { wall, neck } = coverSizes({ outside, length: l });
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
