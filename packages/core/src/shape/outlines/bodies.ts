import { box, type Piece, type Sizes } from './piece.ts';

/** A lid that reaches over what it covers: open at the left, with its flange round the edge. */
export function cover({ outside, length: l }: Sizes): readonly Piece[] {
  const wall = Math.max(1.5, Math.min(l * 0.3, outside * 0.08));
  const neck = outside * 0.72;
  if (l <= wall * 1.5) return [box([0, l], [0, outside])];
  return [
    {
      kind: 'area',
      points: [
        [0, neck - wall],
        [0, outside],
        [wall, outside],
        [wall, neck],
        [l - wall, neck],
        [l, neck - wall],
        [l, 0],
        [l - wall, 0],
        [l - wall, neck - wall],
      ],
      fill: 'metal',
    },
  ];
}

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

/** Tyre or rim on a disc: a web with a wide rim. */
export function wheel({ inside, outside, length: l }: Sizes): readonly Piece[] {
  const wall = outside - inside;
  return [box([l * 0.55, l * 0.75], [inside, outside - wall * 0.2]), box([0, l], [outside - wall * 0.2, outside])];
}

/** A wheel that moves air or gas: its back at the left, its blades to the right. */
export function impeller({ inside, outside, length: l }: Sizes): readonly Piece[] {
  return [
    {
      kind: 'area',
      points: [
        [0, inside],
        [l, inside],
        [l, inside + (outside - inside) * 0.16],
        [l * 0.55, inside + (outside - inside) * 0.24],
        [l * 0.22, inside + (outside - inside) * 0.55],
        [l * 0.12, outside],
        [0, outside],
      ],
      fill: 'metal',
    },
    {
      kind: 'area',
      points: [
        [l, inside + (outside - inside) * 0.16],
        [l * 0.96, inside + (outside - inside) * 0.62],
        [l * 0.5, inside + (outside - inside) * 0.76],
        [l * 0.34, outside],
        [l * 0.12, outside],
        [l * 0.22, inside + (outside - inside) * 0.55],
        [l * 0.55, inside + (outside - inside) * 0.24],
      ],
      fill: 'open',
    },
  ];
}

/** Solid or hollow, with two grooves for its rings. */
export function piston({ inside, outside, length: l }: Sizes): readonly Piece[] {
  const deep = Math.max(0.8, (outside - inside) * 0.1);
  const low = inside > 0 ? inside : 0;
  return [
    {
      kind: 'area',
      points: [
        [0, low],
        [l, low],
        [l, outside],
        [l * 0.84, outside],
        [l * 0.84, outside - deep],
        [l * 0.72, outside - deep],
        [l * 0.72, outside],
        [l * 0.58, outside],
        [l * 0.58, outside - deep],
        [l * 0.46, outside - deep],
        [l * 0.46, outside],
        [0, outside],
      ],
      fill: 'metal',
    },
  ];
}

/** Seen whole: a pipe along the axis, or what nothing tells the look of. */
export const plainBox = ({ inside, outside, length: l }: Sizes): readonly Piece[] => [
  box([0, l], [inside, outside], 'open'),
];
