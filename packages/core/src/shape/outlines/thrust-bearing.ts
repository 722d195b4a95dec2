import { box, type Piece, type Sizes } from './piece.ts';

/** Two washers with rollers that lie along the radius between them. */
export function thrustBearing({ inside, outside, length: l }: Sizes): readonly Piece[] {
  const wall = outside - inside;
  return [
    box([0, l * 0.28], [inside, outside]),
    box([l * 0.72, l], [inside, outside], 'metal-back'),
    box([l * 0.28, l * 0.72], [inside + wall * 0.2, outside - wall * 0.2], 'open'),
  ];
}
