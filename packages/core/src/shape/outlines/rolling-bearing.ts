import { box, type Piece, type Sizes } from './piece.ts';

/** Two rings with what rolls between them: a ball, or a roller that is as long as the ring but for its shoulders. */
function rolling(sizes: Sizes, with_: 'ball' | 'roller'): readonly Piece[] {
  const { inside, outside, length: l } = sizes;
  const wall = outside - inside;
  const pitch = inside + wall / 2;
  const size = Math.min(wall * 0.3, l * 0.42);
  const rolls: Piece =
    with_ === 'ball'
      ? { kind: 'round', at: [l / 2, pitch], radius: size, fill: 'open' }
      : box([l * 0.14, l * 0.86], [pitch - wall * 0.22, pitch + wall * 0.22], 'open');
  return [
    box([0, l], [inside, inside + wall * 0.27]),
    box([0, l], [outside - wall * 0.27, outside], 'metal-back'),
    rolls,
  ];
}

export const ballBearing = (s: Sizes): readonly Piece[] => rolling(s, 'ball');

export const rollerBearing = (s: Sizes): readonly Piece[] => rolling(s, 'roller');
