import type { Piece, Sizes } from './piece.ts';

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
