import { box, type Piece, type Sizes } from './piece.ts';

/** Anything with a square section: ring, washer, shim, spacer, sleeve, bush, disc, plate. */
export const plainRing = ({ inside, outside, length: l }: Sizes): readonly Piece[] => [box([0, l], [inside, outside])];
