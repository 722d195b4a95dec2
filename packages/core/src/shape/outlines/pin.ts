import { box, type Piece, type Sizes } from './piece.ts';

/** A pin that crosses the axis, seen from its end where it stands above and below. */
export const pin = ({ inside, outside, length: l }: Sizes): readonly Piece[] => [
  inside > 0 ? box([0, l], [inside, outside], 'open') : box([0, l], [0, outside], 'open'),
];
