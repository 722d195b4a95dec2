import { box, type Piece, type Sizes } from './piece.ts';

/** A rim with grooves on a web and a boss. */
export function pulley({ inside, outside, length: l }: Sizes): readonly Piece[] {
  const wall = outside - inside;
  const grooves = 3;
  const rim: [number, number][] = [
    [0, outside - wall * 0.22],
    [0, outside],
  ];
  for (let i = 0; i < grooves; i++) {
    const [from, to] = [l * (0.08 + (i * 0.84) / grooves), l * (0.08 + ((i + 1) * 0.84) / grooves)];
    rim.push([from, outside], [(from + to) / 2, outside - wall * 0.14], [to, outside]);
  }
  rim.push([l, outside], [l, outside - wall * 0.22]);
  return [
    { kind: 'area', points: rim, fill: 'metal' },
    box([l * 0.4, l * 0.6], [inside + wall * 0.22, outside - wall * 0.22]),
    box([0, l], [inside, inside + wall * 0.22]),
  ];
}
