import { box, type Piece, type Sizes } from './piece.ts';

/** How deep the teeth of a gear are drawn, mm. */
export const toothDepth = (inside: number, outside: number): number => Math.max(1, (outside - inside) * 0.16);

/** Teeth in mesh stand out of the body: their depth is marked off by the pitch line. */
export function gear({ inside, outside, length: l }: Sizes): readonly Piece[] {
  const tooth = toothDepth(inside, outside);
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
