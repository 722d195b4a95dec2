import { box, type Piece, type Sizes } from './piece.ts';

/** Copper in an iron ring: the ends of its windings stand out on both sides. */
export function winding({ inside, outside, length: l }: Sizes): readonly Piece[] {
  const wall = outside - inside;
  return [
    box([l * 0.22, l * 0.78], [inside, outside]),
    box([0, l * 0.22], [inside + wall * 0.15, outside - wall * 0.2], 'open'),
    box([l * 0.78, l], [inside + wall * 0.15, outside - wall * 0.2], 'open'),
  ];
}
