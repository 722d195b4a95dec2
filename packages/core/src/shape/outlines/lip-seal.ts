import type { Piece, Sizes } from './piece.ts';

/** A shaft seal: its case in the bore, its lip with the garter spring; the lip reaches to the right, to what it holds back. */
export function seal({ inside, outside, length: l }: Sizes): readonly Piece[] {
  const wall = outside - inside;
  return [
    {
      kind: 'area',
      points: [
        [0, inside + wall * 0.3],
        [l * 0.22, inside + wall * 0.3],
        [l * 0.22, outside - wall * 0.16],
        [l, outside - wall * 0.16],
        [l, outside],
        [0, outside],
      ],
      fill: 'metal',
    },
    {
      kind: 'area',
      points: [
        [l * 0.04, inside + wall * 0.34],
        [l * 0.3, inside + wall * 0.1],
        [l * 0.62, inside],
        [l * 0.98, inside + wall * 0.2],
        [l * 0.94, inside + wall * 0.34],
        [l * 0.6, inside + wall * 0.24],
        [l * 0.3, inside + wall * 0.46],
        [l * 0.04, inside + wall * 0.5],
      ],
      fill: 'rubber',
    },
    { kind: 'round', at: [l * 0.74, inside + wall * 0.32], radius: Math.min(wall, l) * 0.09, fill: 'open' },
  ];
}
