import { box, type Piece, type Sizes } from './piece.ts';

/** Anything with a square section: ring, washer, shim, spacer, sleeve, bush, disc, plate. */
export const plainRing = ({ inside, outside, length: l }: Sizes): readonly Piece[] => [box([0, l], [inside, outside])];

/** A washer that is hollow to the right. */
export function dished({ inside, outside, length: l }: Sizes): readonly Piece[] {
  const thick = l * 0.5;
  return [
    {
      kind: 'area',
      points: [
        [0, inside],
        [thick, inside],
        [l, outside],
        [l - thick, outside],
      ],
      fill: 'metal',
    },
  ];
}

/** A snap ring: its sharp edge at the right, its rounded one at the left. */
export function circlip({ inside, outside, length: l }: Sizes): readonly Piece[] {
  const round = Math.min(l, outside - inside) * 0.3;
  return [
    {
      kind: 'area',
      points: [
        [round, inside],
        [l, inside],
        [l, outside],
        [round, outside],
        [0, outside - round],
        [0, inside + round],
      ],
      fill: 'metal',
    },
  ];
}

/** Coils in section, joined on the side that is not cut. */
export function spring({ inside, outside, length: l }: Sizes): readonly Piece[] {
  const wire = Math.max(0.4, (outside - inside) / 2);
  const coils = Math.max(3, Math.min(9, Math.round(l / (wire * 5))));
  const pitch = (l - 2 * wire) / (coils - 1);
  return Array.from({ length: coils }, (_, i): Piece => ({
    kind: 'round',
    at: [wire + i * pitch, inside + wire],
    radius: Math.min(wire, pitch * 0.42),
    fill: 'metal',
  }));
}

/** Copper in an iron ring: the ends of its windings stand out on both sides. */
export function winding({ inside, outside, length: l }: Sizes): readonly Piece[] {
  const wall = outside - inside;
  return [
    box([l * 0.22, l * 0.78], [inside, outside]),
    box([0, l * 0.22], [inside + wall * 0.15, outside - wall * 0.2], 'open'),
    box([l * 0.78, l], [inside + wall * 0.15, outside - wall * 0.2], 'open'),
  ];
}
