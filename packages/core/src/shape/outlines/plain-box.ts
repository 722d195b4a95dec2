import { box, type Piece, type Sizes } from './piece.ts';

/** Seen whole: a pipe along the axis, or what nothing tells the look of. */
export const plainBox = ({ inside, outside, length: l }: Sizes): readonly Piece[] => [
  box([0, l], [inside, outside], 'open'),
];
