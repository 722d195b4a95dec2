import type { Piece } from './piece.ts';
import { profile, type Seat } from './seats.ts';

/** A shaft under what it carries: solid to the axis, its steps where its seats are. */
export function shaftUnder(
  seats: readonly Seat[],
  length: number,
  head?: { readonly from: number; readonly length: number; readonly outside: number },
): readonly Piece[] {
  if (head === undefined)
    return [{ kind: 'area', points: [[0, 0], ...profile(seats, 0, length, true), [length, 0]], fill: 'metal' }];
  const to = head.from + head.length;
  const left = profile(seats, 0, Math.max(0.01, head.from), true);
  const right = profile(seats, Math.min(to, length - 0.01), length, true);
  return [
    {
      kind: 'area',
      points: [[0, 0], ...left, [head.from, head.outside], [to, head.outside], ...right, [length, 0]],
      fill: 'metal',
    },
  ];
}
