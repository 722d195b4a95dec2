import { box, type Piece } from './piece.ts';

/** A fastener seen from the side, whole, about its own axis at the radius of its circle. */
export function standing(circle: number, outside: number, long: number, head: number, shank: number): readonly Piece[] {
  const pieces: Piece[] = [box([long - head, long], [circle - outside, circle + outside], 'open')];
  if (shank > 0 && long > head) pieces.unshift(box([0, long - head], [circle - shank, circle + shank], 'open'));
  return pieces;
}
