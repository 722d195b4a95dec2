import { box, type Piece, type Sizes } from './piece.ts';

/** A nut on the axis: its faces with their chamfers. */
export function nut({ inside, outside, length: l, circle }: Sizes): readonly Piece[] {
  if (circle !== undefined) return standing(circle, outside, l, l, 0);
  const cut = (outside - inside) * 0.18;
  return [
    {
      kind: 'area',
      points: [
        [0, inside],
        [l, inside],
        [l, outside - cut],
        [l - cut, outside],
        [cut, outside],
        [0, outside - cut],
      ],
      fill: 'metal',
    },
  ];
}

/** Head at the right, thread to the left: on the axis, or one of several on their circle. */
export function bolt({ outside, length: l, circle }: Sizes): readonly Piece[] {
  const head = outside * 0.75;
  if (circle !== undefined) return standing(circle, outside, l + head, head, outside * 0.58);
  return [
    {
      kind: 'area',
      points: [
        [0, 0],
        [0, outside * 0.58],
        [l, outside * 0.58],
        [l, outside],
        [l + head, outside],
        [l + head, 0],
      ],
      fill: 'open',
    },
  ];
}

/** A fastener seen from the side, whole, about its own axis at the radius of its circle. */
function standing(circle: number, outside: number, long: number, head: number, shank: number): readonly Piece[] {
  const pieces: Piece[] = [box([long - head, long], [circle - outside, circle + outside], 'open')];
  if (shank > 0 && long > head) pieces.unshift(box([0, long - head], [circle - shank, circle + shank], 'open'));
  return pieces;
}

/** So much of a plug is its thread. */
export const PLUG_SHANK = 0.65;

/** A plug with its head at the right. */
export const plug = ({ outside, length: l }: Sizes): readonly Piece[] => [
  box([0, l * PLUG_SHANK], [0, outside * 0.8], 'open'),
  box([l * PLUG_SHANK, l], [0, outside * 1.3], 'open'),
];

/** A pin that crosses the axis, seen from its end where it stands above and below. */
export const pin = ({ inside, outside, length: l }: Sizes): readonly Piece[] => [
  inside > 0 ? box([0, l], [inside, outside], 'open') : box([0, l], [0, outside], 'open'),
];
/** A key in its slot, above the axis alone. */
export const key = ({ inside, outside, length: l }: Sizes): readonly Piece[] => [
  box([0, l], [inside * 0.8, Math.max(outside, inside * 1.15)], 'open'),
];
