import type { Piece, Point, Sizes } from './piece.ts';

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
