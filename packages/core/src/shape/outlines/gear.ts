import { box, type Piece, type Sizes } from './piece.ts';

/** Teeth in mesh stand out of the body: their depth is marked off by the pitch line. */
export function gear({ inside, outside, length: l }: Sizes): readonly Piece[] {
  const tooth = Math.max(1, (outside - inside) * 0.16);
  return [
    box([0, l], [inside, outside - tooth]),
    box([0, l], [outside - tooth, outside], 'open'),
    {
      kind: 'line',
      points: [
        [0, outside - tooth / 2],
        [l, outside - tooth / 2],
      ],
    },
  ];
}
