import { box, type Piece, type Sizes } from './piece.ts';

/** Tyre or rim on a disc: a web with a wide rim. */
export function wheel({ inside, outside, length: l }: Sizes): readonly Piece[] {
  const wall = outside - inside;
  return [box([l * 0.55, l * 0.75], [inside, outside - wall * 0.2]), box([0, l], [outside - wall * 0.2, outside])];
}
