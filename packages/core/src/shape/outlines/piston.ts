import type { Piece, Sizes } from './piece.ts';

/** Solid or hollow, with two grooves for its rings. */
export function piston({ inside, outside, length: l }: Sizes): readonly Piece[] {
  const deep = Math.max(0.8, (outside - inside) * 0.1);
  const low = inside > 0 ? inside : 0;
  return [
    {
      kind: 'area',
      points: [
        [0, low],
        [l, low],
        [l, outside],
        [l * 0.84, outside],
        [l * 0.84, outside - deep],
        [l * 0.72, outside - deep],
        [l * 0.72, outside],
        [l * 0.58, outside],
        [l * 0.58, outside - deep],
        [l * 0.46, outside - deep],
        [l * 0.46, outside],
        [0, outside],
      ],
      fill: 'metal',
    },
  ];
}
