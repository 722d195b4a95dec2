import { box, type Piece, type Sizes } from './piece.ts';

/** Sealing rubber or paper between two faces. */
export const gasket = ({ inside, outside, length: l }: Sizes): readonly Piece[] => [
  box([0, l], [inside, outside], 'rubber'),
];
