import type { Piece, Sizes } from './piece.ts';
import { standing } from './round-the-axis.ts';

/** A nut on the axis: its faces with their chamfers. */
export function nut({ inside, outside, length: l, circle }: Sizes): readonly Piece[] {
  if (circle !== undefined) return standing(circle, outside, l, l, 0);
  const cut = (outside - inside) * 0.18;
  return [
    {
      kind: 'area',
      points: [
        [0, inside],
        [l, inside],
        [l, outside - cut],
        [l - cut, outside],
        [cut, outside],
        [0, outside - cut],
      ],
      fill: 'metal',
    },
  ];
}
