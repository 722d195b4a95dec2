import { box, type Piece, type Sizes } from './piece.ts';

/** A key in its slot, above the axis alone. */
export const key = ({ inside, outside, length: l }: Sizes): readonly Piece[] => [
  box([0, l], [inside * 0.8, Math.max(outside, inside * 1.15)], 'open'),
];
