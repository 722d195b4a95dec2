import { box, type Piece, type Point, type Sizes } from './piece.ts';

/** Inner ring of a taper bearing with its rollers: the wide end of the rollers at the right. */
export function cone({ inside, outside, length: l }: Sizes): readonly Piece[] {
  const wall = outside - inside;
  const [narrow, wide] = [inside + wall * 0.32, inside + wall * 0.56];
  const ring: readonly Point[] = [
    [0, inside],
    [l, inside],
    [l, wide + wall * 0.1],
    [l * 0.9, wide + wall * 0.1],
    [l * 0.9, wide],
    [l * 0.08, narrow],
    [0, narrow],
  ];
  const roller: readonly Point[] = [
    [l * 0.12, narrow],
    [l * 0.88, wide],
    [l * 0.84, outside],
    [l * 0.1, narrow + wall * 0.26],
  ];
  return [
    { kind: 'area', points: ring, fill: 'metal' },
    { kind: 'area', points: roller, fill: 'open' },
  ];
}

/** Outer ring of a taper bearing: its wide mouth at the right, so that a cone goes in from there. */
export function cup({ inside, outside, length: l }: Sizes): readonly Piece[] {
  const wall = outside - inside;
  return [
    {
      kind: 'area',
      points: [
        [0, inside - wall * 0.35],
        [l, inside + wall * 0.35],
        [l, outside],
        [0, outside],
      ],
      fill: 'metal-back',
    },
  ];
}

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

/** Two washers with rollers that lie along the radius between them. */
export function thrustBearing({ inside, outside, length: l }: Sizes): readonly Piece[] {
  const wall = outside - inside;
  return [
    box([0, l * 0.28], [inside, outside]),
    box([l * 0.72, l], [inside, outside], 'metal-back'),
    box([l * 0.28, l * 0.72], [inside + wall * 0.2, outside - wall * 0.2], 'open'),
  ];
}

/** One ball of a loose set. */
export function ball({ inside, outside }: Sizes): readonly Piece[] {
  const radius = Math.max(1, (outside - inside) / 2);
  return [{ kind: 'round', at: [radius, inside + radius], radius, fill: 'open' }];
}
