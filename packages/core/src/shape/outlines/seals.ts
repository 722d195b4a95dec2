import { box, type Piece, type Sizes } from './piece.ts';

/** A shaft seal: its case in the bore, its lip with the garter spring; the lip reaches to the right, to what it holds back. */
export function seal({ inside, outside, length: l }: Sizes): readonly Piece[] {
  const wall = outside - inside;
  return [
    {
      kind: 'area',
      points: [
        [0, inside + wall * 0.3],
        [l * 0.22, inside + wall * 0.3],
        [l * 0.22, outside - wall * 0.16],
        [l, outside - wall * 0.16],
        [l, outside],
        [0, outside],
      ],
      fill: 'metal',
    },
    {
      kind: 'area',
      points: [
        [l * 0.04, inside + wall * 0.34],
        [l * 0.3, inside + wall * 0.1],
        [l * 0.62, inside],
        [l * 0.98, inside + wall * 0.2],
        [l * 0.94, inside + wall * 0.34],
        [l * 0.6, inside + wall * 0.24],
        [l * 0.3, inside + wall * 0.46],
        [l * 0.04, inside + wall * 0.5],
      ],
      fill: 'rubber',
    },
    { kind: 'round', at: [l * 0.74, inside + wall * 0.32], radius: Math.min(wall, l) * 0.09, fill: 'open' },
  ];
}

/** A ring of round section. */
export function oRing({ inside, outside }: Sizes): readonly Piece[] {
  const radius = (outside - inside) / 2;
  return [{ kind: 'round', at: [radius, inside + radius], radius, fill: 'rubber' }];
}

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

/** Sealing rubber or paper between two faces. */
export const gasket = ({ inside, outside, length: l }: Sizes): readonly Piece[] => [
  box([0, l], [inside, outside], 'rubber'),
];
