import type { Piece, Sizes } from './piece.ts';

/** Folded rubber between a wide end at the right and a narrow one. */
export function boot({ inside, outside, length: l }: Sizes): readonly Piece[] {
  const folds = 4;
  const wall = Math.max(0.8, (outside - inside) * 0.08);
  const out: [number, number][] = [];
  for (let i = 0; i <= folds * 2; i++) {
    const share = i / (folds * 2);
    const mean = inside + (outside - inside) * share;
    out.push([l * share, i === 0 || i === folds * 2 ? mean : mean + (i % 2 ? 1 : -1) * (outside - inside) * 0.12]);
  }
  return [
    {
      kind: 'area',
      points: [...out, ...[...out].reverse().map(([x, r]): [number, number] => [x, r + wall])],
      fill: 'rubber',
    },
  ];
}
