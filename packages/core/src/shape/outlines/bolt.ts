import type { Piece, Sizes } from './piece.ts';
import { standing } from './round-the-axis.ts';

/** Head at the right, thread to the left: on the axis, or one of several on their circle. */
export function bolt({ outside, length: l, circle }: Sizes): readonly Piece[] {
  const head = outside * 0.75;
  if (circle !== undefined) return standing(circle, outside, l + head, head, outside * 0.58);
  return [
    {
      kind: 'area',
      points: [
        [0, 0],
        [0, outside * 0.58],
        [l, outside * 0.58],
        [l, outside],
        [l + head, outside],
        [l + head, 0],
      ],
      fill: 'open',
    },
  ];
}
