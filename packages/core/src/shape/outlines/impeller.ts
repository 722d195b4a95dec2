import type { Piece, Sizes } from './piece.ts';

/** A wheel that moves air or gas: its back at the left, its blades to the right. */
export function impeller({ inside, outside, length: l }: Sizes): readonly Piece[] {
  return [
    {
      kind: 'area',
      points: [
        [0, inside],
        [l, inside],
        [l, inside + (outside - inside) * 0.16],
        [l * 0.55, inside + (outside - inside) * 0.24],
        [l * 0.22, inside + (outside - inside) * 0.55],
        [l * 0.12, outside],
        [0, outside],
      ],
      fill: 'metal',
    },
    {
      kind: 'area',
      points: [
        [l, inside + (outside - inside) * 0.16],
        [l * 0.96, inside + (outside - inside) * 0.62],
        [l * 0.5, inside + (outside - inside) * 0.76],
        [l * 0.34, outside],
        [l * 0.12, outside],
        [l * 0.22, inside + (outside - inside) * 0.55],
        [l * 0.55, inside + (outside - inside) * 0.24],
      ],
      fill: 'open',
    },
  ];
}
